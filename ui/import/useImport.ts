'use client';

import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import { sendFile, sendZip, type ImportedFile, type ImportPlace } from './send';

export type { ImportedFile, ImportPlace } from './send';

/** As many as the server decodes at once. */
const AT_ONCE = 2;
/** What has come is shown at most so often, ms: hundreds of files would redraw the page for each of them. */
const SHOWN_EVERY_MS = 250;
/** While many files come in, the visit is read anew after so many, so that results appear as they come. */
const RELOAD_AFTER = 80;

export interface ImportState {
  running: boolean;
  total: number;
  files: ImportedFile[];
  /** Files a second, over the whole import. */
  rate: number;
}

const IDLE: ImportState = { running: false, total: 0, files: [], rate: 0 };

/**
 * Takes dropped or chosen files into the visit, a few at a time, ZIPs file by file; each is reported as it comes, and all
 * can be cancelled.
 *
 * @param onStored - after every few dozen files, and at the end with all of them
 */
export function useImport(visitId: string, onStored: (files: ImportedFile[], done: boolean) => Promise<void>) {
  const [state, setState] = useState<ImportState>(IDLE);
  const abort = useRef<AbortController | null>(null);
  useEffect(() => () => abort.current?.abort(), []);

  const start = useCallback(
    async (files: File[], place: ImportPlace): Promise<ImportedFile[]> => {
      if (files.length === 0 || abort.current) return [];
      const controller = new AbortController();
      abort.current = controller;
      const results: ImportedFile[] = [];
      const begun = performance.now();
      let total = files.length;
      let shownAt = 0;
      let reloaded = 0;
      let reloading: Promise<void> | null = null;
      const show = (running: boolean) => {
        const now = performance.now();
        if (running && now - shownAt < SHOWN_EVERY_MS) return;
        shownAt = now;
        const files = [...results];
        startTransition(() => setState({ running, total, files, rate: results.length / Math.max(0.001, (now - begun) / 1000) }));
      };
      const take = (result: ImportedFile) => {
        results.push(result);
        show(true);
        if (results.length - reloaded < RELOAD_AFTER || reloading) return;
        reloaded = results.length;
        reloading = onStored(results, false).finally(() => (reloading = null));
      };
      show(true);
      const waiting = [...files];
      const work = async () => {
        for (let file = waiting.shift(); file && !controller.signal.aborted; file = waiting.shift()) {
          if (await isZip(file)) {
            // A ZIP counts as the files in it.
            total -= 1;
            await sendZip(visitId, file, place, controller.signal, (count) => (total += count), take);
          } else {
            const result = await sendFile(visitId, file, place, controller.signal);
            if (!result) return;
            take(result);
          }
        }
      };
      await Promise.all(Array.from({ length: AT_ONCE }, work));
      await reloading;
      await onStored(results, true);
      abort.current = null;
      show(false);
      return results;
    },
    [visitId, onStored],
  );
  const cancel = useCallback(() => abort.current?.abort(), []);
  const dismiss = useCallback(() => setState(IDLE), []);
  return { state, start, cancel, dismiss };
}

async function isZip(file: File): Promise<boolean> {
  const head = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  return head[0] === 0x50 && head[1] === 0x4b && (head[2] === 3 || head[2] === 5);
}
