import sharp, { type Metadata } from 'sharp';
import { v7 as newId } from 'uuid';
import { CoreError } from '@core/errors';
import type { FrameWarning } from '@core/frame/frame';
import { fileKind } from '@core/formats/readFrame';
import type { Side } from '@core/visit/rows';
import type { Database } from '@data/connection';
import { cameraOffset } from '@data/queries/cameras';
import { shaOf } from '@data/queries/blobs';
import { addFrame, addPhoto, findByFile, requireVisit } from '@data/queries/files';
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
}

export interface ImportOutcome {
  kind: 'frame' | 'photo' | 'duplicate';
  id: string;
  name: string;
  warnings: FrameWarning[];
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
    const facts = await photoFacts(file.bytes);
    await addPhoto(db, { ...common, ...facts, frameId: file.frameId ?? null, file: file.bytes });
    return { kind: 'photo', id, name, warnings: early };
  }
  const { pixels, thumb, warnings, ...facts } = await decode({
    bytes: file.bytes,
    offsetK: await cameraOffset(db, file.cameraId ?? null),
  });
  if (signal?.aborted) throw new CoreError('cancelled', 'Cancelled.', {}, '');
  await addFrame(db, {
    ...common,
    ...facts,
    roomId: file.roomId,
    surfaceId: file.surfaceId ?? null,
    cameraId: file.cameraId ?? null,
    side: file.side,
    file: file.bytes,
    pixels,
    thumb: thumb.pixels,
    thumbWidth: thumb.width,
    thumbHeight: thumb.height,
  });
  return { kind: 'frame', id, name, warnings: [...warnings, ...early] };
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

async function photoFacts(bytes: Uint8Array): Promise<{ mediaType: string; width: number; height: number }> {
  const unreadable = (why: string) =>
    new CoreError('malformed', `The picture cannot be read: ${why}.`, { byte: 0 }, 'Save it as JPEG or PNG and add it again.');
  let facts: Metadata;
  try {
    facts = await sharp(bytes, { limitInputPixels: MAX_PHOTO_PIXELS, failOn: 'error' }).metadata();
  } catch {
    throw unreadable('it is damaged or larger than 60 million pixels');
  }
  const { format, width, height, depth, orientation } = facts;
  if (format !== 'jpeg' && format !== 'png' && format !== 'webp')
    throw unreadable(`pictures of kind ${format ?? 'unknown'} are not taken`);
  if (depth === 'ushort') {
    throw new CoreError(
      'unsupported',
      'The file is a 16-bit PNG: it may hold temperatures, which are not read from PNG yet.',
      { byte: 0 },
      'Export the frame as TIFF or CSV.',
    );
  }
  const turned = orientation !== undefined && orientation >= 5;
  return {
    mediaType: `image/${format}`,
    width: (turned ? height : width) ?? 0,
    height: (turned ? width : height) ?? 0,
  };
}
