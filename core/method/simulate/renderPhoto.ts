import { kindOf } from './features/registry';
import { pinhole, unseenPoint } from './pinhole';
import { normalFrom, seededRandom } from '../../ground/random';
import type { Scene } from './scene';
import { shade, type PhotoPoint } from './surface';

/** A daylight picture: RGB, 8 bits each, row by row. */
export interface SimulatedPhoto {
  width: number;
  height: number;
  rgb: Uint8Array;
}

/**
 * Renders the photo that belongs to a scene's frame: the same geometry in daylight, faults hidden as they are.
 *
 * @param width - pixels; the height follows from the camera's
 */
export function renderPhoto(scene: Scene, width: number): SimulatedPhoto {
  const height = Math.round((width * scene.camera.height) / scene.camera.width);
  const painters = scene.features.flatMap((feature) => kindOf(feature).daylight?.(feature, scene) ?? []);
  const normal = normalFrom(seededRandom(scene.seed ^ 0x5f3759df));
  const rgb = new Uint8Array(width * height * 3);
  const sight = pinhole(scene.pose, scene.camera, width, height);
  const at = unseenPoint();
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const colour: PhotoPoint = [...scene.paint];
      if (sight.look(x, y, at)) for (const paint of painters) paint(at, colour);
      // Light from one side, a little vignette, and the grain of a small sensor.
      const across = x / width - 0.5;
      const down = y / height - 0.5;
      shade(colour, 1.02 + 0.07 * across - 0.05 * down - 0.22 * (across * across + down * down));
      const grain = 1.8 * normal();
      const to = (y * width + x) * 3;
      for (let c = 0; c < 3; c += 1) rgb[to + c] = Math.max(0, Math.min(255, Math.round(colour[c]! + grain)));
    }
  }
  return { width, height, rgb };
}
