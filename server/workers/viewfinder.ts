import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import type { Look } from '@core/method/simulate/capture';
import type { SimulatedSurface } from '@core/work/practice/houseScene';
import { sceneAt } from '@core/work/practice/lookAt';
import { frameOf, opticalField } from '@core/method/simulate/renderScene';
import type { Scene } from '@core/method/simulate/scene';
import { serveJobs } from './serve';

/** What reached the sensor last: while nobody moves, only noise and drift are new. */
let last: { key: string; field: Float32Array } | null = null;

function fieldOf(scene: Scene): Float32Array {
  const key = JSON.stringify({ ...scene, seed: 0 });
  if (last?.key !== key) last = { key, field: opticalField(scene) };
  return last.field;
}

serveJobs<{ simulated: SimulatedSurface; look: Look }, Float32Array<ArrayBuffer>>(
  ({ simulated, look }) => {
    const { scene, drift } = sceneAt(simulated, STAND_IN_CAMERA.value, look);
    return frameOf(scene, fieldOf(scene), drift).values as Float32Array<ArrayBuffer>;
  },
  ({ buffer }) => [buffer],
);
