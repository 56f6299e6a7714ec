import sharp from 'sharp';
import { writeTiff } from '@core/method/formats/tiff/write';
import type { SurfaceValue } from '@core/model/surfaceRow';
import type { StopValue } from '@core/model/stopRow';
import { sideOfSurface } from '@core/work/round/stops';
import { renderPhoto } from '@core/method/simulate/renderPhoto';
import { renderScene } from '@core/method/simulate/renderScene';
import type { Scene } from '@core/method/simulate/scene';
import { SIMULATOR } from '@core/work/practice/lookAt';
import type { Asking } from '@data/asking';
import * as t from '@data/schema';
import { nodeCodecs } from '../codecs';
import { decodePages } from '../decode';
import { importFile, type Decode } from '../importFile';

const PHOTO_WIDTH = 480;
/** A photo is taken some seconds after its frame. */
const PHOTO_AFTER_MS = 4000;

export interface DemoPicture {
  scene: Scene;
  stem: string;
  name: string;
  takenAt: Date;
  surfaceId: string;
  surface: SurfaceValue;
  stopKey: StopValue['key'] | null;
  cameraId: string;
}

/** Takes frame and photo of a scene into a visit through the same import as everybody's files. */
export async function takePicture(
  asking: Asking,
  visitId: string,
  { scene, stem, name, takenAt, surfaceId, surface, stopKey, cameraId }: DemoPicture,
): Promise<{ frameId: string; photoId: string }> {
  const common = { name, surfaceId, stopKey, cameraId, roomId: surface.roomId, side: sideOfSurface(surface) };
  const file = { ...common, fileName: `${stem}.tif`, takenAt, bytes: writeTiff(renderScene(scene), nodeCodecs) };
  const decode: Decode = async (wanted, onPage) => {
    for (const page of decodePages(wanted)) await onPage(page);
  };
  const frame = await importFile(asking, visitId, file, undefined, decode);
  await asking.db.insert(t.truth).values({ frameId: frame.id, simulator: SIMULATOR, drift: 0, scene });
  const { width, height, rgb } = renderPhoto(scene, PHOTO_WIDTH);
  const bytes = await sharp(rgb, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 86 })
    .toBuffer();
  const photo = await importFile(asking, visitId, {
    ...common,
    frameId: frame.id,
    fileName: `${stem}-photo.jpg`,
    takenAt: new Date(takenAt.getTime() + PHOTO_AFTER_MS),
    bytes,
  });
  return { frameId: frame.id, photoId: photo.id };
}
