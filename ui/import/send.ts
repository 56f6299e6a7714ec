import { CoreError, type CoreErrorData } from '@core/ground/errors';
import type { FrameWarning } from '@core/method/frame/frame';
import type { Basis } from '@core/ground/basis';
import { MAX_FILE_BYTES, MAX_ZIP_BYTES } from '@core/work/visit/limits';
import type { Side } from '@core/ground/side';
import { patientFetch } from '@ui/server/reachable';

/** Where on the round the files come from, and how they are read. */
export interface ImportPlace {
  roomId: string | null;
  side: Side;
  surfaceId?: string | null;
  stopKey?: string | null;
  cameraId?: string | null;
  allowMissing?: boolean;
  basis?: Basis;
}

export interface ImportedFile {
  fileName: string;
  outcome: 'frame' | 'photo' | 'evidence' | 'duplicate' | 'refused';
  id: string | null;
  /** Why it was refused, what it is a duplicate of, or what was taken for granted. */
  words: string;
  /** Taken on a day before the visit, as its file says. */
  early?: boolean;
  /** Frames that it became, when it had several pages. */
  pages?: number;
}

/** What the server says of one file. */
interface Answer {
  kind?: 'frame' | 'photo' | 'evidence' | 'duplicate';
  id?: string;
  name?: string;
  warnings?: FrameWarning[];
  pages?: number;
  error?: CoreErrorData;
}

const LOST = 'The connection was lost; the file was not stored. Add it again.';

function refused(fileName: string, words: string): ImportedFile {
  return { fileName, outcome: 'refused', id: null, words };
}

function megabytes(bytes: number): string {
  return (bytes / 1024 / 1024).toFixed(0);
}

function queryOf(file: File, place: ImportPlace): string {
  const query = new URLSearchParams({ name: file.name.slice(0, 255), taken: String(file.lastModified), side: place.side });
  for (const [name, value] of [
    ['room', place.roomId],
    ['surface', place.surfaceId],
    ['stop', place.stopKey],
    ['camera', place.cameraId],
    ['missing', place.allowMissing ? 'allow' : null],
    ['basis', place.basis ? JSON.stringify(place.basis) : null],
  ] as const)
    if (value) query.set(name, value);
  return query.toString();
}

function told(fileName: string, answer: Answer): ImportedFile {
  if (answer.error) {
    const error = CoreError.fromJSON(answer.error);
    return refused(fileName, `${error.message} ${error.hint}`);
  }
  const warnings = answer.warnings ?? [];
  const words =
    answer.kind === 'duplicate'
      ? `Already here as “${answer.name}”.`
      : warnings
          .filter(({ code }) => code !== 'before_visit')
          .map((warning) => warning.message)
          .join(' ');
  const early = warnings.some(({ code }) => code === 'before_visit');
  return {
    fileName,
    outcome: answer.kind!,
    id: answer.id!,
    words,
    early,
    ...(answer.pages !== undefined && { pages: answer.pages }),
  };
}

/** Sends one file. @returns null when it was cancelled */
export async function sendFile(
  visitId: string,
  file: File,
  place: ImportPlace,
  signal: AbortSignal,
): Promise<ImportedFile | null> {
  if (file.size > MAX_FILE_BYTES) {
    return refused(
      file.name,
      `The file has ${megabytes(file.size)} MB; the limit for a frame or photo is ${megabytes(MAX_FILE_BYTES)} MB.`,
    );
  }
  try {
    const response = await patientFetch(`/api/visits/${visitId}/files?${queryOf(file, place)}`, {
      method: 'POST',
      body: file,
      signal,
    });
    return told(file.name, (await response.json()) as Answer);
  } catch {
    return signal.aborted ? null : refused(file.name, LOST);
  }
}

/** Sends a ZIP and tells of its files as they come: a line of JSON each, the first with their number. */
export async function sendZip(
  visitId: string,
  file: File,
  place: ImportPlace,
  signal: AbortSignal,
  onTotal: (count: number) => void,
  onFile: (result: ImportedFile) => void,
): Promise<void> {
  const refuse = (words: string) => {
    onTotal(1);
    onFile(refused(file.name, words));
  };
  if (file.size > MAX_ZIP_BYTES) {
    refuse(`The ZIP has ${megabytes(file.size)} MB; the limit is ${megabytes(MAX_ZIP_BYTES)} MB.`);
    return;
  }
  try {
    const response = await patientFetch(`/api/visits/${visitId}/zips?${queryOf(file, place)}`, {
      method: 'POST',
      body: file,
      signal,
    });
    if (!response.ok || !response.body) {
      const { error } = (await response.json()) as { error: CoreErrorData };
      refuse(`${error.message} ${error.hint}`);
      return;
    }
    for await (const line of linesOf(response.body)) {
      const answer = JSON.parse(line) as { total: number } | ({ fileName: string } & Answer);
      if ('total' in answer) onTotal(answer.total);
      else onFile(told(answer.fileName, answer));
    }
  } catch {
    if (!signal.aborted) refuse('The connection was lost; the rest of the ZIP was not stored. Add it again.');
  }
}

async function* linesOf(body: ReadableStream<Uint8Array<ArrayBuffer>>): AsyncGenerator<string> {
  const reader = body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    const parts = (rest + value).split('\n');
    rest = parts.pop()!;
    yield* parts.filter((line) => line !== '');
  }
  if (rest !== '') yield rest;
}
