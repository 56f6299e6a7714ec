import sharp from 'sharp';
import { writeTiff } from '@core/formats/tiff/write';
import { houseScene, sceneCamera } from '@core/simulate/houseScene';
import { renderPhoto } from '@core/simulate/renderPhoto';
import { renderScene } from '@core/simulate/renderScene';
import type { CapturedFiles, CaptureJob } from '../capture';
import { nodeCodecs } from '../codecs';
import { serveJobs } from './serve';

const PHOTO_WIDTH = 640;

serveJobs<CaptureJob, CapturedFiles>(
  async ({ simulated, camera, capture: { pose, shot, offset } }) => {
    const scene = houseScene(simulated, sceneCamera(camera), pose, shot);
    const { width, height, rgb } = renderPhoto(scene, PHOTO_WIDTH);
    const photo = await sharp(rgb, { raw: { width, height, channels: 3 } })
      .jpeg({ quality: 86 })
      .toBuffer();
    return { frame: writeTiff(renderScene(scene, offset), nodeCodecs), photo: new Uint8Array(photo) };
  },
  () => [],
);
