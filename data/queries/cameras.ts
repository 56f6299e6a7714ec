import type { CameraValue } from '@core/camera/rows';
import type { Connection } from '../connection';
import { camera } from '../schema';

/** Puts a camera on the shelf unless it is there. */
export async function ensureCamera(connection: Connection, id: string, value: CameraValue): Promise<void> {
  await connection
    .insert(camera)
    .ignore()
    .values({ id, ...value });
}
