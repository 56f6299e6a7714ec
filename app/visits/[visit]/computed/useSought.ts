'use client';

import { proxy, releaseProxy, wrap } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import type { VisitDocument } from '@core/model/document';
import type { CoreErrorData } from '@core/ground/errors';
import type { HuntValue } from '@core/model/huntRow';
import { framesFor, toldFor, type LookedSeries } from '@core/work/water/seek';
import type { Timelapse, Told } from '@core/method/water/timelapse';
import { useVisitStore } from '@ui/visit/VisitProvider';
import type { TimelapseWorker } from '../../../../workers/timelapse';

export type Sought =
  | { state: 'none' }
  | { state: 'busy'; share: number }
  | { state: 'stopped' }
  | { state: 'refused'; error: CoreErrorData }
  | { state: 'found'; found: Timelapse };

/** What is known of the search; last: what was found in this series before a frame came in or something else was told. */
export type Seeking = Sought & { last: Timelapse | null; stop(): void };

/**
 * Looks for the leak in a series, in a worker of the page; again when a frame comes in or something else is told.
 *
 * @param series - null: nothing is looked for
 */
export function useSought(document: VisitDocument, hunt: HuntValue, series: LookedSeries | null): Seeking {
  const { pixels } = useVisitStore();
  const [sought, setSought] = useState<{ key: string; is: Sought }>({ key: '', is: { state: 'none' } });
  const [last, setLast] = useState<{ series: string; found: Timelapse } | null>(null);
  const [stopped, setStopped] = useState('');
  const told = useMemo(() => series && toldFor(document, hunt, series), [document, hunt, series]);
  const frameIds = series?.frameIds ?? [];
  const seriesKey = series?.key ?? '';
  const key = JSON.stringify([frameIds, told]);
  useEffect(() => {
    const [ids, asked] = JSON.parse(key) as [string[], Told];
    if (ids.length === 0 || stopped === key) return;
    let gone = false;
    let answered = false;
    const say = (is: Sought) => {
      if (!gone) setSought({ key, is });
    };
    const thread = new Worker(new URL('../../../../workers/timelapse.ts', import.meta.url), { type: 'module' });
    const worker = wrap<TimelapseWorker>(thread);
    void (async () => {
      const values = new Map(await Promise.all(ids.map(async (id) => [id, await pixels.load(id)] as const)));
      const frames = framesFor(document, ids, (id) => values.get(id));
      if (gone) return;
      const answer = await worker.seek(
        frames,
        asked,
        // Told by a channel of its own: the last of it may come after the answer.
        proxy((share: number) => {
          if (!answered) say({ state: 'busy', share });
        }),
      );
      answered = true;
      if (gone) return;
      if ('found' in answer) setLast({ series: seriesKey, found: answer.found });
      say('found' in answer ? { state: 'found', found: answer.found } : { state: 'refused', error: answer.error });
    })();
    return () => {
      gone = true;
      worker[releaseProxy]();
      thread.terminate();
    };
    // The key holds what is looked for; the visit is asked for nothing else.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, stopped, pixels]);
  const is: Sought =
    frameIds.length === 0
      ? { state: 'none' }
      : stopped === key
        ? { state: 'stopped' }
        : sought.key === key
          ? sought.is
          : { state: 'busy', share: 0 };
  return { ...is, last: last?.series === seriesKey ? last.found : null, stop: () => setStopped(key) };
}
