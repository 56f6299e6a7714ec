'use client';

import { useMemo } from 'react';
import { layCard } from '@core/work/round/layCard';
import { roundOf } from '@core/work/round/round';
import { sideOfSurface, type Stop } from '@core/work/round/stops';
import { framesOf, photosOf } from '@core/work/visit/frames';
import type { Row } from '@core/model/entities';
import type { Edit } from '@ui/store/rowStore';
import { useVisit } from '@ui/visit/VisitProvider';

/** Frames of the visit and the stops that they lie on. Each change is one step of undo. */
export function useCard() {
  const { document, edit } = useVisit();
  const round = useMemo(() => roundOf(document), [document]);
  const frames = useMemo(
    () =>
      framesOf(document).toSorted((a, b) => document.frameFacts[a.id]!.takenAt.localeCompare(document.frameFacts[b.id]!.takenAt)),
    [document],
  );
  const loose = frames.filter(({ value }) => !round.outcomes.has(value.stopKey ?? ''));

  /** A frame on a stop takes over its room, surface and side; without a stop it keeps them. Its photos come along. */
  const placed = (row: Row<'frame'>, stop: Stop | null): Edit[] => {
    const surface = stop?.surfaceId ? document.rows.surface[stop.surfaceId]?.value : undefined;
    const frame: Edit = {
      entity: 'frame',
      rowId: row.id,
      value: {
        ...row.value,
        stopKey: stop?.key ?? null,
        ...(stop && surface ? { surfaceId: stop.surfaceId, roomId: surface.roomId, side: sideOfSurface(surface) } : {}),
      },
    };
    // Photos go where their frame goes.
    const photos = photosOf(document).filter(({ value }) => value.frameId === row.id);
    return [
      frame,
      ...photos.map(({ id, value }): Edit => ({ entity: 'photo', rowId: id, value: { ...value, stopKey: stop?.key ?? null } })),
    ];
  };

  const sideAt = (surfaceId: string | null) => {
    const surface = document.rows.surface[surfaceId ?? '']?.value;
    return surface ? sideOfSurface(surface) : null;
  };

  return {
    round,
    loose,
    /** Whether any stop was opened or answered, so that time tells where a frame belongs. */
    timed: Object.values(document.rows.stop).some(({ value }) => value.openedAt !== null || value.answeredAt !== null),
    framesOn: (key: string) => frames.filter(({ value }) => value.stopKey === key),

    move(row: Row<'frame'>, stop: Stop | null) {
      edit(stop ? `To ${stop.title}: ${row.value.name}` : `To no stop: ${row.value.name}`, placed(row, stop));
    },

    /** To the stop before or after the one it lies on, in the order of the walk. */
    nudge(row: Row<'frame'>, by: -1 | 1) {
      const place = round.stops.findIndex(({ key }) => key === row.value.stopKey);
      const next = round.stops[place < 0 && by < 0 ? round.stops.length - 1 : place + by];
      if (next) this.move(row, next);
    },

    /** Lays all frames without a stop by time. @returns how many found one */
    layAll(clockAheadS: number): number {
      const laid = layCard(
        loose.map(({ id, value: { side } }) => ({
          id,
          takenAt: Date.parse(document.frameFacts[id]!.takenAt),
          // A card’s frames are taken for inside ones until somebody says better.
          side: side === 'inside' ? null : side,
        })),
        clockAheadS,
        new Map(round.stops.map(({ key, surfaceId }) => [key, sideAt(surfaceId)])),
        Object.values(document.rows.stop),
      ).filter(({ stopKey }) => stopKey !== null);
      if (laid.length === 0) return 0;
      const stops = new Map(round.stops.map((stop) => [stop.key, stop]));
      edit(
        `${laid.length} frames laid on stops`,
        laid.flatMap(({ id, stopKey }) => placed(document.rows.frame[id]!, stops.get(stopKey!)!)),
      );
      return laid.length;
    },
  };
}
