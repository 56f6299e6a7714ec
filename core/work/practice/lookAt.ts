import type { CameraValue } from '../../model/cameraRow';
import { STAND_IN_CAMERA } from '../../model/standInCamera';
import type { Look } from '../../method/simulate/capture';
import { houseScene, ownErrors, sceneCamera, seedFrom, type SimulatedSurface } from './houseScene';
import type { Scene } from '../../method/simulate/scene';
import { driftAfter } from './standInCamera';

/** Changes whenever the same scene would give another picture: truth that was stored says which one made it. */
export const SIMULATOR = 2;

/** What the stand-in camera has before it at a look, and how far it has wandered, K. */
export function sceneAt(simulated: SimulatedSurface, camera: CameraValue, look: Look): { scene: Scene; drift: number } {
  const own = ownErrors(STAND_IN_CAMERA.id, camera);
  const scene = houseScene(simulated, sceneCamera(camera, own), look.pose, look.shot);
  return { scene, drift: driftAfter(look.since, seedFrom(simulated.id), look.closing) };
}
