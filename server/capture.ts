import { v5 } from 'uuid';
import { CoreError } from '@core/ground/errors';
import type { CameraValue } from '@core/model/cameraRow';
import type { Capture, Look } from '@core/method/simulate/capture';
import type { SimulatedSurface } from '@core/work/practice/houseScene';
import { SIMULATOR } from '@core/work/practice/lookAt';
import type { Scene } from '@core/method/simulate/scene';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { sideOfSurface } from '@core/work/round/stops';
import type { Asking } from '@data/asking';
import { isDuplicate } from '@data/databaseError';
import { putBlob, shaOf } from '@data/queries/blobs';
import { ensureCamera } from '@data/queries/cameras';
import { addPictures, findByFile, knownPictures } from '@data/queries/files';
import { loadSimulated } from '@data/queries/house';
import { decodeInThread, frameRows, photoRows } from './importFile';
import { WorkerPool } from './workerPool';

export interface CaptureJob {
  simulated: SimulatedSurface;
  camera: CameraValue;
  look: Look;
}

export interface CapturedFiles {
  scene: Scene;
  drift: number;
  /** A radiometric TIFF. */
  frame: Uint8Array;
  /** A JPEG of the same view in daylight. */
  photo: Uint8Array;
}

const shared = globalThis as { denCaptures?: WorkerPool<CaptureJob, CapturedFiles> };

/** Names a capture's photo after its frame, so that a capture that is sent again makes no second one. */
const PHOTO_OF = 'b2f4f0ce-6d0a-4c57-9a3e-0f5a3a5f8a11';

/**
 * Takes a picture with the stand-in camera: renders frame and photo in a worker thread and stores their files as those of
 * any other camera, both or neither. Sent again, it completes what is missing and stores nothing twice.
 *
 * @throws CoreError `not_found`, `conflict` when the very same picture is there already
 */
export async function captureFrame(
  asking: Asking,
  visitId: string,
  capture: Capture,
): Promise<{ frameId: string; photoId: string }> {
  const { frameId, stopKey, name, at, surfaceId, pose, shot, since, closing } = capture;
  const photoId = v5(frameId, PHOTO_OF);
  const known = await knownPictures(asking, frameId, photoId);
  if (known.frame !== null && known.frame !== visitId) {
    throw new CoreError('duplicate', 'A picture of this id is in another visit.', { value: frameId }, 'Take it again.');
  }
  if (known.frame !== null && known.photo) return { frameId, photoId };

  const simulated = await loadSimulated(asking, visitId, surfaceId);
  const camera = STAND_IN_CAMERA.value;
  await ensureCamera(asking, STAND_IN_CAMERA.id, camera);
  shared.denCaptures ??= new WorkerPool('capture', 1);
  const files = await shared.denCaptures.run({ simulated, camera, look: { pose, shot, since, closing } });
  const stem = `stand-in-${frameId.slice(-12)}`;
  const common = {
    takenAt: new Date(at),
    roomId: simulated.surface.roomId,
    surfaceId,
    stopKey,
    cameraId: STAND_IN_CAMERA.id,
    side: sideOfSurface(simulated.surface),
    name,
  };
  const frameSha = shaOf(files.frame);
  const same = known.frame === null ? await findByFile(asking, visitId, frameSha) : null;
  if (same) {
    throw new CoreError(
      'conflict',
      `This picture is here already, as “${same.name}”.`,
      {},
      'Move the camera, then take another.',
    );
  }
  const frameFile = { ...common, id: frameId, fileName: `${stem}.tif`, bytes: files.frame };
  const photoFile = { ...common, id: photoId, frameId, fileName: `${stem}-photo.jpg`, bytes: files.photo };
  const photoSha = await putBlob(asking.db, files.photo);
  await putBlob(asking.db, files.frame, frameSha);
  const { photos } = await photoRows(visitId, photoFile, photoSha);
  const { frames } =
    known.frame === null ? await frameRows(asking, visitId, frameFile, frameSha, decodeInThread()) : { frames: [] };
  try {
    const truths = frames.map(({ id }) => ({ frameId: id, simulator: SIMULATOR, drift: files.drift, scene: files.scene }));
    await addPictures(asking, visitId, { frames, photos, truths });
  } catch (error) {
    // Sent twice at one moment: the other one stored it.
    if (!isDuplicate(error) || !(await knownPictures(asking, frameId, photoId)).photo) throw error;
  }
  return { frameId, photoId };
}
