'use client';

import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { VisitDocument } from '@core/model/document';
import { knownOf, placeOf } from '@core/work/proof/looks';
import { courseOf, seenAgain, type CoursePoint } from '@core/work/proof/overVisits';
import type { PairValue } from '@core/model/pairRow';
import { pairInputs } from '@core/work/proof/pairInputs';
import type { Answer } from '@core/work/proof/proven';
import { photosOfPair, type PairPhoto } from '@core/work/proof/photosOfPair';
import { sidesOf, type Sides } from '@core/work/proof/sides';
import { useVisit } from '@ui/visit/VisitProvider';
import { once } from '../../../work/kept';
import { askedPhotos } from '../computed/askedPhotos';
import { pageThreads } from '../../../work/pageThreads';

const LIMIT_MS = 60_000;

interface Known {
  sides: Sides;
  photos: readonly [PairPhoto, PairPhoto] | null;
  regions: PairValue['regions'];
  points: PairValue['points'];
  wall: PairValue['wall'];
  work: PairValue['work'];
  answer: Answer;
}

/**
 * The first region of a pair over all visits of the site, one after the other beside the page.
 *
 * @param others - the site's other visits, as far as they have come
 * @returns waiting: visits that are still to be compared
 */
export function useOverVisits(
  earlier: VisitDocument,
  others: readonly VisitDocument[],
  pair: PairValue,
): { course: CoursePoint[]; waiting: number } {
  const { document, pixels } = useVisit();
  const generation = useSyncExternalStore(pixels.subscribe, pixels.snapshot, () => 0);
  const [answers, setAnswers] = useState<ReadonlyMap<string, Known>>(new Map());
  const again = useMemo(() => seenAgain(earlier, [...others, document], pair), [earlier, others, document, pair]);
  useEffect(() => {
    for (const { frameId } of again) pixels.want(frameId);
  }, [pixels, again]);
  const seen = useMemo(
    () =>
      again.map(({ visit, frameId }) => {
        const values = [pixels.get(pair.beforeFrameId), pixels.get(frameId)] as const;
        const frames = { beforeFrameId: pair.beforeFrameId, afterFrameId: frameId };
        const sides = values[0] && values[1] ? sidesOf(earlier, visit, frames, [values[0], values[1]]) : null;
        return { visit, frameId, sides, photos: photosOfPair(earlier, visit, frames) };
      }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the store's generation says that more pixels are here
    [again, earlier, pair.beforeFrameId, pixels, generation],
  );
  const { beforeFrameId, regions, points, wall, work } = pair;
  const isKnown = ({ frameId, sides, photos }: (typeof seen)[number]) => {
    const known = answers.get(frameId);
    if (!known) return false;
    return (
      known.sides === sides &&
      known.photos === photos &&
      known.regions === regions &&
      known.points === points &&
      known.wall === wall &&
      known.work === work
    );
  };
  const next = seen.find((one) => one.sides !== null && !isKnown(one)) ?? null;
  const [nextId, nextVisit, nextSides, nextPhotos] = [next?.frameId, next?.visit, next?.sides, next?.photos ?? null];
  useEffect(() => {
    if (!nextId || !nextVisit || !nextSides) return;
    const stop = new AbortController();
    const size = earlier.frameFacts[beforeFrameId]!;
    const byHand = nextId === pair.afterFrameId ? points : [];
    const say = (answer: Answer) => {
      const known = { sides: nextSides, photos: nextPhotos, regions, points, wall, work, answer };
      if (!stop.signal.aborted) setAnswers((all) => new Map(all).set(nextId, known));
    };
    pageThreads
      .run('compare', {
        call: (api) =>
          once<'answer'>(
            'answer',
            pairInputs(nextVisit, earlier, { beforeFrameId, afterFrameId: nextId, points: byHand, regions, wall, work }),
            () =>
              api.answer(
                nextSides,
                byHand,
                regions.map((region) => placeOf(region, size)),
                knownOf(earlier, { beforeFrameId, wall, work }),
                askedPhotos(nextPhotos),
              ),
          ),
        limitMs: LIMIT_MS,
        signal: stop.signal,
      })
      // One visit that cannot be compared holds up none of the others.
      .then(say, (error: unknown) => say({ problem: (error as Error).message }));
    return () => stop.abort();
  }, [nextId, nextVisit, nextSides, nextPhotos, regions, points, wall, work, earlier, beforeFrameId, pair.afterFrameId]);
  const looks = seen.find(({ sides }) => sides?.looks)?.sides?.looks ?? null;
  const first = regions[0]?.id;
  const course = useMemo(
    () =>
      looks && first
        ? courseOf(
            first,
            earlier,
            looks[0],
            seen.flatMap(({ visit, frameId }) => {
              const known = answers.get(frameId);
              return known ? [{ visit, answer: known.answer }] : [];
            }),
          )
        : [],
    [looks, first, earlier, seen, answers],
  );
  return { course, waiting: seen.filter((one) => !isKnown(one)).length };
}
