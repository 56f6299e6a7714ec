'use client';

import { useMemo } from 'react';
import type { Matched } from '@core/method/compare/byHand';
import type { Change, Known, Place } from '@core/method/compare/change';
import type { PairPhoto } from '@core/work/proof/photosOfPair';
import type { Sides } from '@core/work/proof/sides';
import type { Laying } from '@core/method/compare/lay';
import { keepFound } from '../../../work/kept';
import { askedPhotos } from '../computed/askedPhotos';
import { useWork, type Work } from '../../../work/useWork';

/** What is known of a pair; null for what is being computed. */
export interface Compared {
  laying: Laying | null;
  changes: readonly Change[] | null;
  /** The later frame in the weather of the earlier visit, on its pixels. */
  alike: Float32Array | null;
  /** The step that could not be computed, where there is one. */
  problem: Work<unknown>;
}

/**
 * Lays a pair's frames onto each other and compares them, beside the page.
 *
 * @param sides - null while pixels are on their way; the same as long as nothing of it changed
 * @param places - of what is compared; the same as long as none changed
 * @param known - of wall and work; the same as long as it did not change
 * @param photos - of both frames; the same as long as none changed
 * @param inputs - under which what is found is kept for the report
 */
export function useCompared(
  sides: Sides | null,
  points: readonly Matched[],
  places: readonly Place[],
  known: Known | null,
  photos: readonly [PairPhoto, PairPhoto] | null,
  inputs: () => string,
): Compared {
  const toLay = useMemo(() => sides && { before: sides.before, after: sides.after, points }, [sides, points]);
  const lying = useWork(
    'compare',
    toLay && { key: toLay, call: async (api): Promise<Laying> => api.lay(toLay.before, toLay.after, toLay.points) },
  );
  const laying = lying.state === 'done' ? lying.result : null;
  const toCompare = useMemo(
    () =>
      laying && 'laid' in laying && sides?.looks && known
        ? { h: laying.laid.h, looks: sides.looks, places, known, photos }
        : null,
    [laying, sides, places, known, photos],
  );
  const comparing = useWork(
    'compare',
    toCompare && {
      key: toCompare,
      call: async (api) => {
        const { looks, h, places: all, known: told, photos: seen } = toCompare;
        const found = await api.compare(looks[0], looks[1], h, all, told, askedPhotos(seen));
        if (found.whole) void keepFound('answer', inputs(), { h, changes: found.changes });
        return found;
      },
    },
  );
  const compared = comparing.state === 'done' ? comparing.result : null;
  return {
    laying,
    changes: compared?.changes ?? null,
    alike: compared?.alike ?? null,
    problem: lying.state === 'failed' ? lying : comparing,
  };
}
