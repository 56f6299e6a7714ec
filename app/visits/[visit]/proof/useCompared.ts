'use client';

import { useEffect, useMemo, useState } from 'react';
import type { Matched } from '@core/method/compare/byHand';
import type { Change, Known, Place } from '@core/method/compare/change';
import type { PairPhoto } from '@core/work/proof/photosOfPair';
import type { Sides } from '@core/work/proof/sides';
import type { Laying } from '@core/method/compare/lay';
import { askedPhotos } from '../computed/askedPhotos';
import { useCompareWorker } from '../computed/useCompareWorker';

/** What is known of a pair; null for what is being computed. */
export interface Compared {
  laying: Laying | null;
  changes: readonly Change[] | null;
  /** The later frame in the weather of the earlier visit, on its pixels. */
  alike: Float32Array | null;
}

/**
 * Lays a pair's frames onto each other and compares them, in a worker of the page.
 *
 * @param sides - null while pixels are on their way; the same as long as nothing of it changed
 * @param places - of what is compared; the same as long as none changed
 * @param known - of wall and work; the same as long as it did not change
 * @param photos - of both frames; the same as long as none changed
 */
export function useCompared(
  sides: Sides | null,
  points: readonly Matched[],
  places: readonly Place[],
  known: Known | null,
  photos: readonly [PairPhoto, PairPhoto] | null,
): Compared {
  const worker = useCompareWorker();
  const [laid, setLaid] = useState<{ of: unknown; laying: Laying } | null>(null);
  const [changed, setChanged] = useState<{ of: unknown; changes: Change[]; alike: Float32Array } | null>(null);
  const asked = useMemo(() => ({ sides, points }), [sides, points]);
  useEffect(() => {
    if (!asked.sides) return;
    let gone = false;
    void worker()
      .lay(asked.sides.before, asked.sides.after, asked.points)
      .then((laying) => {
        if (!gone) setLaid({ of: asked, laying });
      });
    return () => {
      gone = true;
    };
  }, [worker, asked]);
  const laying = laid?.of === asked ? laid.laying : null;
  const toCompare = useMemo(
    () =>
      laying && 'laid' in laying && sides?.looks && known
        ? { h: laying.laid.h, looks: sides.looks, places, known, photos }
        : null,
    [laying, sides, places, known, photos],
  );
  useEffect(() => {
    if (!toCompare) return;
    let gone = false;
    const { looks, h, places: all, known: told, photos: seen } = toCompare;
    void worker()
      .compare(looks[0], looks[1], h, all, told, askedPhotos(seen))
      .then((answer) => {
        if (!gone) setChanged({ of: toCompare, ...answer });
      });
    return () => {
      gone = true;
    };
  }, [worker, toCompare]);
  const current = changed?.of === toCompare && toCompare !== null ? changed : null;
  return { laying, changes: current?.changes ?? null, alike: current?.alike ?? null };
}
