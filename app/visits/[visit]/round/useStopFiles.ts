'use client';

import { useCallback, useRef } from 'react';
import type { Row } from '@core/model/entities';
import type { SurfaceValue } from '@core/model/surfaceRow';
import type { StopValue } from '@core/model/stopRow';
import { sideOfSurface, type Stop } from '@core/work/round/stops';
import { importedRows } from '@ui/import/importedRows';
import { type ImportPlace, useImport } from '@ui/import/useImport';
import { useVisit } from '@ui/visit/VisitProvider';
import { afterFix } from './afterFix';

/** What files are to become besides pictures of the stop. */
interface As {
  /** Pictures of a screen or a live picture: without data. */
  evidence?: boolean;
  /** The second look at a finding. */
  look?: Row<'finding'> | null;
}

/**
 * Takes files in at a stop, one lot after the other, each a step of undo.
 *
 * @param surface - null where the stop has none
 * @param seen - answers the stop, where nobody did
 */
export function useStopFiles(
  { key, title, surfaceId }: Stop,
  surface: SurfaceValue | null,
  cameraId: string | null,
  seen: () => { rowId: string; value: StopValue } | null,
) {
  const { document, edit, refresh } = useVisit();
  const { state, start, cancel, dismiss } = useImport(document.visitId, async () => void (await refresh()));
  // An import that runs is not given more files: the next lot waits for it.
  const roomId = surface?.roomId ?? null;
  const side = surface ? sideOfSurface(surface) : 'inside';
  const turn = useRef<Promise<void>>(Promise.resolve());
  const add = useCallback(
    (files: File[], { evidence = false, look = null }: As = {}): Promise<void> => {
      turn.current = turn.current.then(async () => {
        const place: ImportPlace = { roomId, side, surfaceId, stopKey: key, cameraId };
        const found = await start(files, place);
        const fresh = await refresh();
        const came = found.flatMap((file) => importedRows(fresh, file, evidence));
        if (came.length === 0) return;
        const answer = seen();
        const first = found.find(({ outcome }) => outcome === 'frame')?.id;
        edit(`Added: ${title}`, [
          ...came,
          ...(answer ? [{ entity: 'stop' as const, ...answer }] : []),
          ...(look && first ? afterFix(fresh, look, first) : []),
        ]);
      });
      return turn.current;
    },
    [start, roomId, side, surfaceId, key, cameraId, refresh, edit, title, seen],
  );
  return { importing: state, add, cancel, dismiss };
}
