import { normalFrom, seededRandom } from '../../ground/random';
import { growthOf } from './patches';
import { rise } from './spread';
import type { Stack } from './stack';

const [width, height] = [80, 60];
const [D, ON, END] = [600, 100, 1800];
const NOISE = 0.04;

/** Rises over a leak at one place, a spot that warms at a steady rate, and noise. */
function stackOf(frames: number, leakK: number, seed = 1): Stack {
  const normal = normalFrom(seededRandom(seed));
  const times = Array.from({ length: frames }, (_, i) => (i * END) / (frames - 1));
  const last = rise(0, (END - ON) / D);
  const rises = times.map((t) =>
    Float32Array.from({ length: width * height }, (_, p) => {
      const [x, y] = [p % width, Math.floor(p / width)];
      const leak = (leakK * rise(Math.hypot(x - 25, y - 30) / 4, (t - ON) / D)) / last;
      const steady = Math.hypot(x - 60, y - 20) < 8 ? (0.9 * t) / END : 0;
      return leak + steady + NOISE * normal();
    }),
  );
  return { width, height, times, rises };
}

describe('growth', () => {
  test('stands out where the floor warms late and faster, not where it warms at a steady rate', () => {
    const { patches, map, spread } = growthOf(stackOf(20, 0.8), NOISE, [ON], D, 1);
    expect(patches[0]).toMatchObject({ on: ON });
    expect(Math.hypot(patches[0]!.x - 25, patches[0]!.y - 30)).toBeLessThan(2.5);
    expect(patches[0]!.z).toBeGreaterThan(10);
    const leak = map.values[30 * width + 25]!;
    expect(leak).toBeGreaterThan(10 * spread);
    expect(Math.abs(map.values[20 * width + 60]!)).toBeLessThan(0.4 * leak);
  });

  test('is the same from sixty frames as from twenty, and surer', () => {
    const [few, many] = [stackOf(20, 0.8), stackOf(60, 0.8)].map((stack) => growthOf(stack, NOISE, [ON], D, 1));
    expect(Math.hypot(few!.patches[0]!.x - many!.patches[0]!.x, few!.patches[0]!.y - many!.patches[0]!.y)).toBeLessThan(2);
    expect(many!.patches[0]!.z).toBeGreaterThan(few!.patches[0]!.z);
  });

  test('finds the moment at which the water came on, of those that are tried', () => {
    const { patches } = growthOf(stackOf(30, 1.2), NOISE, [900, ON, 1500], D, 1);
    expect(patches[0]!.on).toBe(ON);
  });

  test('has members around its top that lie together', () => {
    const [patch] = growthOf(stackOf(20, 0.8), NOISE, [ON], D, 1).patches;
    expect(patch!.members.length).toBeGreaterThan(20);
    for (const at of patch!.members) expect(Math.hypot((at % width) - 25, Math.floor(at / width) - 30)).toBeLessThan(16);
    expect(new Set(patch!.members).size).toBe(patch!.members.length);
  });

  test('is none where the floor does nothing, nor in the other direction', () => {
    const there = (leakK: number, sign: 1 | -1) =>
      growthOf(stackOf(20, leakK), NOISE, [ON], D, sign).patches.filter(({ x, y }) => Math.hypot(x - 25, y - 30) < 6);
    expect(there(0, 1)).toEqual([]);
    expect(there(0.8, -1)).toEqual([]);
    expect(there(0.8, 1)).toHaveLength(1);
  });

  test('before anything can have arrived there is nothing to look for', () => {
    const { patches, map } = growthOf(stackOf(10, 0.8), NOISE, [END], D, 1);
    expect(patches).toEqual([]);
    expect(map.values).toHaveLength(width * height);
  });
});
