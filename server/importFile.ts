import { v7 as newId } from 'uuid';
import { CoreError } from '@core/ground/errors';
import type { FrameWarning } from '@core/method/frame/frame';
import type { Basis } from '@core/ground/basis';
import { fileKind } from '@core/method/formats/readFrame';
import type { Side } from '@core/ground/side';
import type { Asking } from '@data/asking';
import { isDuplicate } from '@data/databaseError';
import { cameraCorrection } from '@data/queries/cameras';
import { putBlob, shaOf } from '@data/queries/blobs';
import { addPictures, findByFile, requireVisit, type NewFrame, type NewPhoto, type NewSequence } from '@data/queries/files';
import { requireTogether } from '@data/rows/places';
import type { DecodedFrame, FileToDecode } from './decode';
import { photoFacts } from './photoFacts';
import { WorkerPool } from './workerPool';

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

/** Reads a radiometric file and hands over its pages, one by one, in their order. */
export type Decode = (file: FileToDecode, onPage: (page: DecodedFrame) => Promise<void>) => Promise<unknown>;

const shared = globalThis as { denDecoders?: WorkerPool<FileToDecode, { pages: number }, DecodedFrame> };

/** Decodes in one of two worker threads. */
export function decodeInThread(signal?: AbortSignal): Decode {
  shared.denDecoders ??= new WorkerPool('decode', 2);
  const decoders = shared.denDecoders;
  return (file, onPart) => decoders.run(file, { signal, onPart });
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
 * Takes one file into a visit: a radiometric file becomes a frame (or as many as it has pages), a picture a photo, the same
 * bytes again are noticed. Bytes go in first, by their hashes; then everything that the file became, in one transaction.
 *
 * @param decode - how a radiometric file is read; the server reads in a worker thread
 * @throws CoreError with the reason; no row is written then
 */
export async function importFile(
  asking: Asking,
  visitId: string,
  file: IncomingFile,
  signal?: AbortSignal,
  decode: Decode = decodeInThread(signal),
): Promise<ImportOutcome> {
  const { startedAt, cameraId } = await requireVisit(asking, visitId);
  const fileSha = shaOf(file.bytes);
  const same = await findByFile(asking, visitId, fileSha);
  if (same) return { kind: 'duplicate', id: same.id, name: same.name, warnings: [] };
  // Before anything is decoded for a place that is not there.
  await requireTogether(asking.db, { visit: visitId, room: file.roomId, surface: file.surfaceId });
  try {
    const { outcome, ...rows } = isPicture(file.bytes)
      ? await photoRows(visitId, file, fileSha)
      : await frameRows(asking, visitId, file, fileSha, decode, signal, cameraId);
    await putBlob(asking.db, file.bytes, fileSha);
    await addPictures(asking, visitId, rows);
    return { ...outcome, warnings: [...outcome.warnings, ...earlyWarnings(file.takenAt, startedAt)] };
  } catch (error) {
    // The same file came in twice at one moment.
    const twin = isDuplicate(error) ? await findByFile(asking, visitId, fileSha) : null;
    if (twin) return { kind: 'duplicate', id: twin.id, name: twin.name, warnings: [] };
    throw error;
  }
}

function isPicture(bytes: Uint8Array): boolean {
  return ['jpeg', 'png', 'other-picture'].includes(fileKind(bytes));
}

function commonOf(visitId: string, file: IncomingFile, fileSha: string) {
  return {
    id: file.id ?? newId(),
    visitId,
    name: file.name ?? nameFrom(file.fileName),
    fileName: file.fileName.slice(0, 255),
    fileSha,
    takenAt: file.takenAt,
    stopKey: file.stopKey ?? null,
  };
}

type Made<Rows> = Rows & { outcome: ImportOutcome };

/** The row of a photo. */
export async function photoRows(visitId: string, file: IncomingFile, fileSha: string): Promise<Made<{ photos: NewPhoto[] }>> {
  const common = commonOf(visitId, file, fileSha);
  const found = await photoFacts(file.bytes);
  const frameId = file.frameId ?? null;
  // What a camera took beside a frame of its own is daylight, however brick and sky look.
  const facts = { ...found, evidence: found.evidence && frameId === null };
  const kind = facts.evidence ? 'evidence' : 'photo';
  return {
    photos: [{ ...common, ...facts, frameId }],
    outcome: { kind, id: common.id, name: common.name, warnings: [] },
  };
}

/**
 * The rows of a radiometric file, its pixels stored. Pages of one size are one sequence; another size begins another.
 *
 * @param ofVisit - the visit's camera: what it took names none, so that naming another one reaches it; unless its checks
 * changed the pixels
 */
export async function frameRows(
  asking: Asking,
  visitId: string,
  file: IncomingFile,
  fileSha: string,
  decode: Decode,
  signal?: AbortSignal,
  ofVisit: string | null = null,
): Promise<Made<{ frames: NewFrame[]; sequences: NewSequence[] }>> {
  const common = commonOf(visitId, file, fileSha);
  const { id, name } = common;
  const frames: NewFrame[] = [];
  const sequences: NewSequence[] = [];
  const warnings: FrameWarning[] = [];
  let size = '';
  const correction = await cameraCorrection(asking, file.cameraId ?? null);
  const follows = file.cameraId === ofVisit && correction.offsetK === 0 && correction.slope === 0;
  await decode(
    {
      bytes: file.bytes,
      correction,
      allowMissing: file.allowMissing ?? false,
      basis: file.basis,
    },
    async ({ pixels, thumb, warnings: said, pages, ...facts }) => {
      if (signal?.aborted) throw new CoreError('cancelled', 'Cancelled.', {}, 'Start it again when you are ready.');
      const page = frames.length;
      if (page === 0) warnings.push(...said);
      const row: NewFrame = {
        ...common,
        ...facts,
        roomId: file.roomId,
        surfaceId: file.surfaceId ?? null,
        cameraId: follows ? null : (file.cameraId ?? null),
        side: file.side,
        pixelsSha: await putBlob(asking.db, pixels),
        thumbSha: await putBlob(asking.db, thumb.pixels),
        thumbWidth: thumb.width,
        thumbHeight: thumb.height,
      };
      if (pages > 1) {
        const own = `${facts.width} × ${facts.height}`;
        if (own !== size) {
          size = own;
          sequences.push({ id: newId(), name: page === 0 ? name : `${name}, ${own}`.slice(0, 160) });
        }
        const number = String(page + 1).padStart(String(pages).length, '0');
        Object.assign(row, {
          id: page === 0 ? id : newId(),
          name: `${name} ${number}`.slice(0, 160),
          page,
          sequenceId: sequences.at(-1)!.id,
          picked: false,
        });
      }
      frames.push(row);
    },
  );
  if (sequences.length > 1) {
    const message = `Its pages have ${sequences.length} sizes; each run of one size is a sequence of its own.`;
    warnings.unshift({ code: 'sequence_split', message });
  }
  const pages = frames.length > 1 ? { pages: frames.length } : {};
  return { frames, sequences, outcome: { kind: 'frame', id, name, warnings, ...pages } };
}

/** A day before the visit is another day; a clock in another zone is at most half a day off. */
const EARLY_MS = 18 * 3_600_000;

function earlyWarnings(takenAt: Date, startedAt: number): FrameWarning[] {
  if (takenAt.getTime() > startedAt - EARLY_MS) return [];
  return [
    {
      code: 'before_visit',
      message: `It was taken on ${takenAt.toISOString().slice(0, 10)}, before this visit began: is the camera's clock right?`,
    },
  ];
}
