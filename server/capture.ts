import { CoreError } from '@core/errors';
import type { CameraValue } from '@core/camera/rows';
import type { Capture } from '@core/simulate/capture';
import type { SimulatedSurface } from '@core/simulate/houseScene';
import { STAND_IN_CAMERA } from '@core/simulate/standInCamera';
import { sideOf } from '@core/round/stops';
import type { Database } from '@data/connection';
import { loadSimulated } from '@data/queries/house';
import { ensureCamera } from '@data/queries/cameras';
import { importFile } from './importFile';
import { WorkerPool } from './workerPool';

export interface CaptureJob {
  simulated: SimulatedSurface;
  camera: CameraValue;
  capture: Pick<Capture, 'pose' | 'shot' | 'offset'>;
}

export interface CapturedFiles {
  /** A radiometric TIFF. */
  frame: Uint8Array;
  /** A JPEG of the same view in daylight. */
  photo: Uint8Array;
}

const shared = globalThis as { denCaptures?: WorkerPool<CaptureJob, CapturedFiles> };

/**
 * Takes a picture with the stand-in camera: renders frame and photo in a worker thread and stores their files as those of
 * any other camera.
 *
 * @throws CoreError `not_found`, `conflict` when the very same picture is there already
 */
export async function captureFrame(
  db: Database,
  visitId: string,
  capture: Capture,
): Promise<{ frameId: string; photoId: string }> {
  const simulated = await loadSimulated(db, visitId, capture.surfaceId);
  const camera = STAND_IN_CAMERA.value;
  await ensureCamera(db, STAND_IN_CAMERA.id, camera);
  shared.denCaptures ??= new WorkerPool('capture', 1);
  const files = await shared.denCaptures.run({ simulated, camera, capture });
  const { frameId, stopKey, name, at, surfaceId } = capture;
  const stem = `stand-in-${frameId.slice(-12)}`;
  const common = {
    takenAt: new Date(at),
    roomId: simulated.surface.roomId,
    surfaceId,
    stopKey,
    cameraId: STAND_IN_CAMERA.id,
    side: sideOf(simulated.surface),
    name,
  };
  const frame = await importFile(db, visitId, { ...common, id: frameId, fileName: `${stem}.tif`, bytes: files.frame });
  if (frame.kind !== 'frame')
    throw new CoreError(
      'conflict',
      `This picture is here already, as “${frame.name}”.`,
      {},
      'Move the camera, then take another.',
    );
  const photo = await importFile(db, visitId, { ...common, frameId, fileName: `${stem}-photo.jpg`, bytes: files.photo });
  return { frameId, photoId: photo.id };
}
