'use client';

import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { VisitDocument } from '@core/model/document';
import { photosOfPair } from '@core/work/proof/photosOfPair';
import type { PairValue } from '@core/model/pairRow';
import { pairInputs } from '@core/work/proof/pairInputs';
import { askedPairs, readyPair, type Answer, type Proven } from '@core/work/proof/proven';
import { useVisit } from '@ui/visit/VisitProvider';
import { once } from '../../../work/kept';
import { askedPhotos } from './askedPhotos';
import { pageThreads } from '../../../work/pageThreads';

const LIMIT_MS = 60_000;

/** Asked again only where something of it changed. */
interface Answered {
  of: unknown[];
  answer: Answer;
  /** It could not be computed, which says nothing of the pair. */
  failed: boolean;
}

/**
 * All pairs of the visit with what they say, one after the other beside the page; those whose pixels are on the way, or
 * that are not computed yet, have no answer.
 *
 * @param earlier - the visits that they are compared with
 */
export function useProven(earlier: readonly VisitDocument[]): { proven: Proven[]; failed: number; again(): void } {
  const { document, pixels } = useVisit();
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
    const stop = new AbortController();
    const { pair, ready, photos } = next;
    const say = (answer: Answer, failed: boolean) => {
      const answered = { of: askedOf(pair.value, ready.sides, photos), answer, failed };
      if (!stop.signal.aborted) setAnswers((known) => new Map(known).set(pair.id, answered));
    };
    pageThreads
      .run('compare', {
        call: (api) =>
          once<'answer'>('answer', pairInputs(document, next.earlier, pair.value), () =>
            api.answer(ready.sides, pair.value.points, ready.places, ready.known, askedPhotos(photos)),
          ),
        limitMs: LIMIT_MS,
        signal: stop.signal,
      })
      // One pair that cannot be computed holds up none of the others.
      .then(
        (answer) => say(answer, false),
        (error: unknown) => say({ problem: (error as Error).message }, true),
      );
    return () => stop.abort();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what is asked next follows from these
  }, [next?.pair.id, nextSides, next?.pair.value, next?.photos]);
  const proven = useMemo(
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
  const again = useCallback(() => setAnswers((known) => new Map([...known].filter(([, { failed }]) => !failed))), []);
  const failed = [...answers.values()].filter((one) => one.failed).length;
  return { proven, failed, again };
}

function isAnswered(known: Answered | undefined, pair: PairValue, sides: unknown, photos: unknown): boolean {
  return known !== undefined && askedOf(pair, sides, photos).every((part, i) => part === known.of[i]);
}

/** All that an answer follows from. */
function askedOf({ points, regions, wall, work }: PairValue, sides: unknown, photos: unknown): unknown[] {
  return [sides, points, regions, wall, work, photos];
}
