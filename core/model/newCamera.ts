import { type CameraValue, LEARNABLE } from './cameraRow';
import { STAND_IN_CAMERA } from './standInCamera';

/**
 * A camera of which only the name and the view are known: all else that its readings depend on is taken as usual, and named as
 * that until somebody says better.
 *
 * @param size - of its frames, pixels
 * @param fieldDeg - across, degrees
 */
export function newCamera(name: string, size: { width: number; height: number }, fieldDeg: number): CameraValue {
  return {
    ...STAND_IN_CAMERA.value,
    name,
    columns: size.width,
    rows: size.height,
    fieldDeg,
    parts: ['Camera', 'Charger', 'Memory card'],
    assumed: [...LEARNABLE],
  };
}
