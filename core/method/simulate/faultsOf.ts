import type { Span } from '../frame/region';
import { kindOf } from './features/registry';
import { apparentField } from './renderScene';
import type { Scene } from './scene';

/** What is in a scene that a survey should find, as nobody but the simulator can know. */
export interface Fault {
  cause: string;
  /** Pixels where it changes the picture by at least a quarter of its greatest change. */
  mask: Span[];
  /** Mean change over the mask, K, signed. */
  contrast: number;
  area: number;
}

/** The scene's faults with their masks, before optics and noise. Renders the scene once more for each. */
export function faultsOf(scene: Scene): Fault[] {
  const clean = apparentField(scene, scene.features);
  return scene.features.flatMap((feature) => {
    const cause = kindOf(feature).fault?.(feature);
    if (!cause) return [];
    const others = scene.features.filter((other) => other !== feature);
    return [faultOf(cause, clean, apparentField(scene, others), scene.camera.width)];
  });
}

function faultOf(cause: string, present: Float32Array, absent: Float32Array, width: number): Fault {
  let peak = 0;
  for (let i = 0; i < present.length; i += 1) peak = Math.max(peak, Math.abs(present[i]! - absent[i]!));
  const mask: Span[] = [];
  let sum = 0;
  let area = 0;
  for (let i = 0; i < present.length; i += 1) {
    const change = present[i]! - absent[i]!;
    if (peak === 0 || Math.abs(change) < peak / 4) continue;
    sum += change;
    area += 1;
    const x = i % width;
    const y = Math.floor(i / width);
    const last = mask.at(-1);
    if (last && last.y === y && last.to === x - 1) last.to = x;
    else mask.push({ y, from: x, to: x });
  }
  return { cause, mask, contrast: area ? sum / area : 0, area };
}
