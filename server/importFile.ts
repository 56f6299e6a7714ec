import sharp, { type Metadata } from 'sharp';
import { v7 as newId } from 'uuid';
import { CoreError } from '@core/errors';
import type { Basis, FrameWarning } from '@core/frame/frame';
import { looksFalseColoured } from '@core/formats/falseColours';
import { fileKind } from '@core/formats/readFrame';
import type { Side } from '@core/visit/rows';
import type { Database } from '@data/connection';
import { cameraOffset } from '@data/queries/cameras';
import { shaOf } from '@data/queries/blobs';
import { addFrame, addPages, addPhoto, findByFile, requireVisit } from '@data/queries/files';
import type { DecodedFrame, FileToDecode } from './decode';
import { WorkerPool } from './workerPool';

/** The largest photo that is decoded, pixels. */
const MAX_PHOTO_PIXELS = 60_000_000;

export interface IncomingFile {
  fileName: string;
  takenAt: Date;
  bytes: Uint8Array;
  roomId: string | null;
  side: Side;
  /** Known beforehand: its id, what it is called, where on the round it was taken and with which camera. */
  id?: string;
  name?: string;
  surfaceId?: string | null;
  stopKey?: string | null;
  cameraId?: string | null;
  /** The frame that a photo belongs to. */
  frameId?: string;
  /** Up to 1 % of the pixels may be without a value. */
  allowMissing?: boolean;
  /** What the values are, when a camera already computed them. */
  basis?: Basis | undefined;
}

export interface ImportOutcome {
  kind: 'frame' | 'photo' | 'evidence' | 'duplicate';
  id: string;
  name: string;
  warnings: FrameWarning[];
  /** Frames that the file became, when it had several pages. */
  pages?: number;
}

const shared = globalThis as { denDecoders?: WorkerPool<FileToDecode, DecodedFrame> };

function decoders(): WorkerPool<FileToDecode, DecodedFrame> {
  shared.denDecoders ??= new WorkerPool('decode', 2);
  return shared.denDecoders;
}

/** A file's name without its ending, as a first name for people to change. */
function nameFrom(fileName: string): string {
  return (
    fileName
      .replace(/\.[^.]{1,5}$/, '')
      .replace(/\p{Cc}/gu, ' ')
      .trim()
      .slice(0, 160) || 'without a name'
  );
}

/**
 * Takes one file into a visit: a radiometric file becomes a frame, a picture a photo, the same bytes again are noticed.
 *
 * @param decode - how a radiometric file is read; the server reads in a worker thread
 * @throws CoreError with the reason; nothing is written then
 */
export async function importFile(
  db: Database,
  visitId: string,
  file: IncomingFile,
  signal?: AbortSignal,
  decode: (file: FileToDecode) => Promise<DecodedFrame> = (wanted) => decoders().run(wanted, signal ? { signal } : {}),
): Promise<ImportOutcome> {
  const early = earlyWarnings(file.takenAt, (await requireVisit(db, visitId)).startedAt);
  const same = await findByFile(db, visitId, shaOf(file.bytes));
  if (same) return { kind: 'duplicate', id: same.id, name: same.name, warnings: [] };

  const id = file.id ?? newId();
  const name = file.name ?? nameFrom(file.fileName);
  const common = {
    id,
    visitId,
    name,
    fileName: file.fileName.slice(0, 255),
    takenAt: file.takenAt,
    stopKey: file.stopKey ?? null,
  };
  const kind = fileKind(file.bytes);
  if (kind === 'jpeg' || kind === 'png' || kind === 'other-picture') {
    const { evidence, ...facts } = await photoFacts(file.bytes);
    await addPhoto(db, { ...common, ...facts, evidence, frameId: file.frameId ?? null, file: file.bytes });
    return { kind: evidence ? 'evidence' : 'photo', id, name, warnings: early };
  }
  const wanted = {
    bytes: file.bytes,
    offsetK: await cameraOffset(db, file.cameraId ?? null),
    allowMissing: file.allowMissing ?? false,
    basis: file.basis,
  };
  const first = await decode(wanted);
  const stopIfAborted = () => {
    if (signal?.aborted) throw new CoreError('cancelled', 'Cancelled.', {}, '');
  };
  stopIfAborted();
  const place = {
    roomId: file.roomId,
    surfaceId: file.surfaceId ?? null,
    cameraId: file.cameraId ?? null,
    side: file.side,
    file: file.bytes,
  };
  const rowOf = ({ pixels, thumb, warnings: _warnings, pages: _pages, ...facts }: DecodedFrame) => ({
    ...common,
    ...facts,
    ...place,
    pixels,
    thumb: thumb.pixels,
    thumbWidth: thumb.width,
    thumbHeight: thumb.height,
  });
  if (first.pages === 1) {
    await addFrame(db, rowOf(first));
    return { kind: 'frame', id, name, warnings: [...first.warnings, ...early] };
  }

  // Pages of one size are one sequence; another size begins another, and that is said.
  let sizes = 0;
  async function* pages() {
    let sequence = { id: '', name: '' };
    let size = '';
    for (let page = 0; page < first.pages; page += 1) {
      stopIfAborted();
      const decoded = page === 0 ? first : await decode({ ...wanted, page });
      const own = `${decoded.width} × ${decoded.height}`;
      if (own !== size) {
        sizes += 1;
        size = own;
        sequence = { id: newId(), name: sizes === 1 ? name : `${name}, ${own}`.slice(0, 160) };
      }
      const number = String(page + 1).padStart(String(first.pages).length, '0');
      const row = { ...rowOf(decoded), id: page === 0 ? id : newId(), name: `${name} ${number}`.slice(0, 160), page };
      yield { sequence, row: { ...row, picked: false } };
    }
  }
  await addPages(db, visitId, pages());
  const split: FrameWarning[] =
    sizes > 1
      ? [{ code: 'sequence_split', message: `Its pages have ${sizes} sizes; each run of one size is a sequence of its own.` }]
      : [];
  return { kind: 'frame', id, name, warnings: [...split, ...first.warnings, ...early], pages: first.pages };
}

/** A day before the visit is another day; a clock in another zone is at most half a day off. */
const EARLY_MS = 18 * 3_600_000;

function earlyWarnings(takenAt: Date, startedAt: Date): FrameWarning[] {
  if (takenAt.getTime() > startedAt.getTime() - EARLY_MS) return [];
  return [
    {
      code: 'before_visit',
      message: `It was taken on ${takenAt.toISOString().slice(0, 10)}, before this visit began: is the camera's clock right?`,
    },
  ];
}

/** To this many pixels a side a picture is brought to look at its colours. */
const LOOK_PIXELS = 96;

async function photoFacts(bytes: Uint8Array): Promise<{ mediaType: string; width: number; height: number; evidence: boolean }> {
  const unreadable = (why: string) =>
    new CoreError('malformed', `The picture cannot be read: ${why}.`, { byte: 0 }, 'Save it as JPEG or PNG and add it again.');
  const options = { limitInputPixels: MAX_PHOTO_PIXELS, failOn: 'error' } as const;
  let facts: Metadata;
  let small: Buffer;
  try {
    facts = await sharp(bytes, options).metadata();
    small = await sharp(bytes, options)
      .resize(LOOK_PIXELS, LOOK_PIXELS, { fit: 'fill', kernel: 'nearest' })
      .flatten()
      .toColourspace('srgb')
      .raw()
      .toBuffer();
  } catch {
    throw unreadable('it is damaged or larger than 60 million pixels');
  }
  const { format, width, height, orientation } = facts;
  if (format !== 'jpeg' && format !== 'png' && format !== 'webp')
    throw unreadable(`pictures of kind ${format ?? 'unknown'} are not taken`);
  const turned = orientation !== undefined && orientation >= 5;
  return {
    mediaType: `image/${format}`,
    width: (turned ? height : width) ?? 0,
    height: (turned ? width : height) ?? 0,
    evidence: looksFalseColoured(small),
  };
}
