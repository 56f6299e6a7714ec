import type { Look } from '@core/method/simulate/capture';
import type { SimulatedSurface } from '@core/work/practice/houseScene';
import type { Asking } from '@data/asking';
import { loadSimulated } from '@data/queries/house';
import { WorkerPool } from './workerPool';

const shared = globalThis as {
  denViewfinder?: WorkerPool<{ simulated: SimulatedSurface; look: Look }, Float32Array<ArrayBuffer>>;
};

/**
 * What the stand-in camera shows at a surface: apparent temperatures, °C, row by row. It is drawn here and not in the browser,
 * so that what is hidden in a house stays hidden.
 *
 * @throws CoreError `not_found`
 */
export async function lookThrough(
  asking: Asking,
  visitId: string,
  surfaceId: string,
  look: Look,
): Promise<Float32Array<ArrayBuffer>> {
  const simulated = await loadSimulated(asking, visitId, surfaceId);
  shared.denViewfinder ??= new WorkerPool('viewfinder', 1);
  return shared.denViewfinder.run({ simulated, look });
}
