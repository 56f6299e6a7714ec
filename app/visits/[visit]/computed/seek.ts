import { proxy } from 'comlink';
import type { VisitDocument } from '@core/model/document';
import { framesFor } from '@core/work/water/seek';
import type { Told } from '@core/method/water/timelapse';
import type { PageApis } from '../../../work/pageThreads';
import type { Sought } from '../../../../workers/timelapse';

/** Of hundreds of frames the slowest step is far below this. */
export const SEEK_LIMIT_S = 120;

/**
 * Has a series looked through.
 *
 * @throws Error where a frame cannot be had: without it the series would look like one that was not long enough
 */
export async function seek(
  api: PageApis['timelapse'],
  document: VisitDocument,
  frameIds: readonly string[],
  told: Told,
  load: (frameId: string) => Promise<Float32Array | null>,
  report: (share: number) => void,
): Promise<Sought> {
  const loaded = frameIds.map(async (id) => {
    const values = await load(id);
    if (!values) throw new Error(`The pixels of ${id} cannot be had.`);
    report(0);
    return [id, values] as const;
  });
  const values = new Map(await Promise.all(loaded));
  const frames = framesFor(document, frameIds, (id) => values.get(id));
  return api.seek(frames, told, proxy(report));
}
