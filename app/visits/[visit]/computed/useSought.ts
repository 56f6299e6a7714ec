'use client';

import { useMemo, useState } from 'react';
import type { VisitDocument } from '@core/model/document';
import type { CoreErrorData } from '@core/ground/errors';
import type { HuntValue } from '@core/model/huntRow';
import { seekInputs, toldFor, withoutPictures, type LookedSeries } from '@core/work/water/seek';
import type { Timelapse } from '@core/method/water/timelapse';
import { useVisitStore } from '@ui/visit/VisitProvider';
import type { Sought as SoughtAnswer } from '../../../../workers/timelapse';
import { keepFound } from '../../../work/kept';
import { useWork, type Work } from '../../../work/useWork';
import { seek, SEEK_LIMIT_S } from './seek';

const NO_FRAMES: readonly string[] = [];

export type Sought =
  | { state: 'none' }
  | { state: 'busy'; share: number }
  | { state: 'stopped' }
  | { state: 'refused'; error: CoreErrorData }
  | { state: 'failed'; error: CoreErrorData; again(): void }
  | { state: 'found'; found: Timelapse };

/** What is known of the search; last: what was found in this series before a frame came in or something else was told. */
export type Seeking = Sought & { last: Timelapse | null; stop(): void };

/**
 * Looks for the leak in a series, beside the page; again when a frame comes in or something else is told.
 *
 * @param series - null: nothing is looked for
 */
export function useSought(document: VisitDocument, hunt: HuntValue, series: LookedSeries | null): Seeking {
  const { pixels } = useVisitStore();
  const [last, setLast] = useState<{ series: string; found: Timelapse } | null>(null);
  const [stopped, setStopped] = useState('');
  const seriesKey = series?.key ?? '';
  const frameIds = series?.frameIds ?? NO_FRAMES;
  const told = useMemo(() => series && toldFor(document, hunt, series), [document, hunt, series]);
  const key = useMemo(() => (told ? seekInputs(document, told, frameIds) : ''), [document, told, frameIds]);
  const work = useWork<'timelapse', SoughtAnswer>(
    'timelapse',
    frameIds.length > 0 && told && stopped !== key
      ? {
          key,
          limitS: SEEK_LIMIT_S,
          call: async (api, report) => {
            const answer = await seek(api, document, frameIds, told, (id) => pixels.load(id), report);
            if ('found' in answer) {
              setLast({ series: seriesKey, found: answer.found });
              void keepFound('leak', key, withoutPictures(answer.found));
            }
            return answer;
          },
        }
      : null,
  );
  const is: Sought = frameIds.length === 0 ? { state: 'none' } : stopped === key ? { state: 'stopped' } : soughtOf(work);
  return { ...is, last: last?.series === seriesKey ? last.found : null, stop: () => setStopped(key) };
}

function soughtOf(work: Work<SoughtAnswer>): Sought {
  if (work.state !== 'done') return work;
  return 'found' in work.result ? { state: 'found', found: work.result.found } : { state: 'refused', error: work.result.error };
}
