'use client';

import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { VisitDocument } from '@core/model/document';
import { photosOfPair } from '@core/work/proof/photosOfPair';
import type { PairValue } from '@core/model/pairRow';
import { askedPairs, readyPair, type Answer, type Proven } from '@core/work/proof/proven';
import { useVisit } from '@ui/visit/VisitProvider';
import { askedPhotos } from './askedPhotos';
import { useCompareWorker } from './useCompareWorker';

/** Asked again only where something of it changed. */
interface Answered {
  of: unknown[];
  answer: Answer;
}

/**
 * All pairs of the visit with what they say, one after the other in a worker of the page; those whose pixels are on the way, or
 * that are not computed yet, have no answer.
 *
 * @param earlier - the visits that they are compared with
 */
export function useProven(earlier: readonly VisitDocument[]): Proven[] {
  const { document, pixels } = useVisit();
  const worker = useCompareWorker();
  const generation = useSyncExternalStore(pixels.subscribe, pixels.snapshot, () => 0);
  const [answers, setAnswers] = useState<ReadonlyMap<string, Answered>>(new Map());
  const pairs = useMemo(
    () =>
      askedPairs(document, earlier).map((asked) => ({
        ...asked,
        ready: readyPair(document, asked, (id) => pixels.get(id)),
        photos: photosOfPair(asked.earlier, document, asked.pair.value),
      })),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the store's generation says that more pixels are here
    [document, earlier, pixels, generation],
  );
  const next = pairs.find(
    (one) => one.ready && !isAnswered(answers.get(one.pair.id), one.pair.value, one.ready.sides, one.photos),
  );
  const nextSides = next?.ready?.sides;
  useEffect(() => {
    if (!next?.ready) return;
    let gone = false;
    const { pair, ready, photos } = next;
    void worker()
      .answer(ready.sides, pair.value.points, ready.places, ready.known, askedPhotos(photos))
      .then((answer) => {
        if (!gone) setAnswers((known) => new Map(known).set(pair.id, { of: askedOf(pair.value, ready.sides, photos), answer }));
      });
    return () => {
      gone = true;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what is asked next follows from these
  }, [worker, next?.pair.id, nextSides, next?.pair.value, next?.photos]);
  return useMemo(
    () =>
      pairs.map(({ pair, earlier: before, ready, photos }) => {
        const known = answers.get(pair.id);
        return {
          pair,
          earlier: before,
          sides: ready?.sides ?? null,
          answer: ready && isAnswered(known, pair.value, ready.sides, photos) ? known!.answer : null,
        };
      }),
    [pairs, answers],
  );
}

function isAnswered(known: Answered | undefined, pair: PairValue, sides: unknown, photos: unknown): boolean {
  return known !== undefined && askedOf(pair, sides, photos).every((part, i) => part === known.of[i]);
}

/** All that an answer follows from. */
function askedOf({ points, regions, wall, work }: PairValue, sides: unknown, photos: unknown): unknown[] {
  return [sides, points, regions, wall, work, photos];
}
