import sharp from 'sharp';
import { writeTiff } from '@core/method/formats/tiff/write';
import { sceneAt } from '@core/work/practice/lookAt';
import { renderPhoto } from '@core/method/simulate/renderPhoto';
import { renderScene } from '@core/method/simulate/renderScene';
import type { CapturedFiles, CaptureJob } from '../capture';
import { nodeCodecs } from '../codecs';
import { serveJobs } from './serve';

const PHOTO_WIDTH = 640;

serveJobs<CaptureJob, CapturedFiles>(
  async ({ simulated, camera, look }) => {
    const { scene, drift } = sceneAt(simulated, camera, look);
    const { width, height, rgb } = renderPhoto(scene, PHOTO_WIDTH);
    const photo = await sharp(rgb, { raw: { width, height, channels: 3 } })
      .jpeg({ quality: 86 })
      .toBuffer();
    return { scene, drift, frame: writeTiff(renderScene(scene, drift), nodeCodecs), photo: new Uint8Array(photo) };
  },
  () => [],
);
