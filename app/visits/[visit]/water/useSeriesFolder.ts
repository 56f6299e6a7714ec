'use client';

import { useCallback, useEffect, useRef } from 'react';
import { importedRows } from '@ui/import/importedRows';
import { useFolderWatch, type FolderWatch } from '@ui/import/useFolderWatch';
import { useImport, type ImportState } from '@ui/import/useImport';
import { useVisit } from '@ui/visit/VisitProvider';

/** Watches a folder while a series is taken: what appears in it goes where the series' last frame was taken, as steps of undo. */
export function useSeriesFolder(lastFrameId: string): { watch: FolderWatch; importing: ImportState; dismiss(): void } {
  const { document, edit, refresh } = useVisit();
  const { state, start, dismiss } = useImport(document.visitId, async () => void (await refresh()));
  const watch = useFolderWatch();
  const { roomId, side, surfaceId, stopKey } = document.rows.frame[lastFrameId]!.value;
  const { cameraId } = document.frameFacts[lastFrameId]!;
  // An import that runs is not given more files: the next lot waits for it.
  const turn = useRef<Promise<void>>(Promise.resolve());
  const add = useCallback(
    (files: File[]) => {
      turn.current = turn.current.then(async () => {
        const found = await start(files, { roomId, side, surfaceId, stopKey, cameraId });
        const fresh = await refresh();
        const came = found.flatMap((file) => importedRows(fresh, file, false));
        if (came.length > 0) edit(`Added to the series: ${came.length === 1 ? '1 frame' : `${came.length} frames`}`, came);
      });
    },
    [start, roomId, side, surfaceId, stopKey, cameraId, refresh, edit],
  );
  const { give } = watch;
  useEffect(() => {
    give(add);
    return () => give(null);
  }, [give, add]);
  return { watch, importing: state, dismiss };
}
