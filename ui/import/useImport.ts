'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { CoreError, type CoreErrorData } from '@core/errors';
import type { FrameWarning } from '@core/frame/frame';
import { MAX_FILE_BYTES } from '@core/visit/limits';
import type { Side } from '@core/visit/rows';

/** As many as the server decodes at once. */
const AT_ONCE = 2;

export interface ImportedFile {
  fileName: string;
  outcome: 'frame' | 'photo' | 'duplicate' | 'refused';
  id: string | null;
  /** Why it was refused, what it is a duplicate of, or what was taken for granted. */
  words: string;
  /** Taken on a day before the visit, as its file says. */
  early?: boolean;
}

export interface ImportState {
  running: boolean;
  total: number;
  files: ImportedFile[];
}

/** Where on the round the files come from. */
export interface ImportPlace {
  roomId: string | null;
  side: Side;
  surfaceId?: string | null;
  stopKey?: string | null;
  cameraId?: string | null;
}

const IDLE: ImportState = { running: false, total: 0, files: [] };

/** Takes dropped or chosen files into the visit, a few at a time; each is reported as it comes, and all can be cancelled. */
export function useImport(visitId: string, onStored: (files: ImportedFile[]) => Promise<void>) {
  const [state, setState] = useState<ImportState>(IDLE);
  const abort = useRef<AbortController | null>(null);
  useEffect(() => () => abort.current?.abort(), []);

  const start = useCallback(
    async (files: File[], place: ImportPlace): Promise<ImportedFile[]> => {
      if (files.length === 0 || abort.current) return [];
      const controller = new AbortController();
      abort.current = controller;
      setState({ running: true, total: files.length, files: [] });
      const results: ImportedFile[] = [];
      const waiting = [...files];
      const work = async () => {
        for (let file = waiting.shift(); file && !controller.signal.aborted; file = waiting.shift()) {
          const result = await importOne(visitId, file, place, controller.signal);
          if (!result) return;
          results.push(result);
          setState((current) => ({ ...current, files: [...current.files, result] }));
        }
      };
      await Promise.all(Array.from({ length: AT_ONCE }, work));
      abort.current = null;
      await onStored(results);
      setState((current) => ({ ...current, running: false }));
      return results;
    },
    [visitId, onStored],
  );
  const cancel = useCallback(() => abort.current?.abort(), []);
  const dismiss = useCallback(() => setState(IDLE), []);
  return { state, start, cancel, dismiss };
}

/** @returns null when it was cancelled */
async function importOne(visitId: string, file: File, place: ImportPlace, signal: AbortSignal): Promise<ImportedFile | null> {
  const refused = (words: string): ImportedFile => ({ fileName: file.name, outcome: 'refused', id: null, words });
  if (file.size > MAX_FILE_BYTES)
    return refused(
      `The file has ${(file.size / 1024 / 1024).toFixed(0)} MB; the limit for a frame or photo is ${MAX_FILE_BYTES / 1024 / 1024} MB.`,
    );
  const query = new URLSearchParams({ name: file.name, taken: String(file.lastModified), side: place.side });
  for (const [name, value] of [
    ['room', place.roomId],
    ['surface', place.surfaceId],
    ['stop', place.stopKey],
    ['camera', place.cameraId],
  ] as const)
    if (value) query.set(name, value);
  try {
    const response = await fetch(`/api/visits/${visitId}/files?${query.toString()}`, { method: 'POST', body: file, signal });
    const answer = (await response.json()) as {
      kind?: 'frame' | 'photo' | 'duplicate';
      id?: string;
      name?: string;
      warnings?: FrameWarning[];
      error?: CoreErrorData;
    };
    if (answer.error) {
      const error = CoreError.fromJSON(answer.error);
      return refused(`${error.message} ${error.hint}`);
    }
    const words =
      answer.kind === 'duplicate'
        ? `Already here as “${answer.name}”.`
        : answer
            .warnings!.filter(({ code }) => code !== 'before_visit')
            .map((warning) => warning.message)
            .join(' ');
    const early = answer.warnings!.some(({ code }) => code === 'before_visit');
    return { fileName: file.name, outcome: answer.kind!, id: answer.id!, words, early };
  } catch {
    return signal.aborted ? null : refused('The connection was lost; the file was not stored. Add it again.');
  }
}
