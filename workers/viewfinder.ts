import { expose, transfer } from 'comlink';
import type { CameraValue } from '@core/camera/cameraRow';
import { houseScene, sceneCamera, type SimulatedSurface } from '@core/simulate/houseScene';
import { renderScene } from '@core/simulate/renderScene';
import type { Pose } from '@core/simulate/surface';

const worker = {
  /** What the camera sees from there: apparent temperatures, °C, row by row. */
  look(simulated: SimulatedSurface, camera: CameraValue, pose: Pose, shot: number, offset: number): Float32Array {
    const { values } = renderScene(houseScene(simulated, sceneCamera(camera), pose, shot), offset);
    return transfer(values, [values.buffer]);
  },
};

export type ViewfinderWorker = typeof worker;

expose(worker);
