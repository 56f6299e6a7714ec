import type { Grid } from '../../ground/grid';
import type { Frame } from '../frame/frame';
import { correctValues, radianceLine } from '../radiometry/measurement';
import type { Scene } from '../simulate/scene';
import { rendered, wallPair } from '../simulate/series/wallPair';
import { changesOf, type Look, type Place } from './change';
import { register } from './register';
import { steady } from '../../testing/histories';

/** Pairs of a Monte Carlo; weather, place, texture, camera and noise are drawn for each. */
const PAIRS = 16;

function lookOf(frame: Frame, { insideC, outsideC, emissivity, reflectedC }: Scene): Look {
  const values = new Float32Array(frame.values.length);
  const line = radianceLine(frame.basis, { emissivity, reflected: reflectedC, air: insideC, transmittance: 1 });
  correctValues(frame.values, line, values);
  const surface: Grid = { width: frame.width, height: frame.height, values };
  return { surface, side: 'inside', insideC, outsideC, spaceC: null, emissivity, history: steady({ insideC, outsideC }) };
}

/** How many standard uncertainties each change is off, with whether its verdict is right. */
function drawn(seed: number): { off: number; right: boolean }[] {
  const pair = wallPair(seed, { columns: [240, 240], outsideC: [(seed % 7) - 3, 8 - (seed % 5)] });
  const [first, second] = rendered(pair);
  const [before, after] = [lookOf(first, pair.before), lookOf(second, pair.after)];
  const places = pair.places.map(({ name, x, y, width, height }): Place => ({
    name,
    spans: Array.from({ length: height }, (_, row) => ({ y: y + row, from: x, to: x + width - 1 })),
    cut: false,
    surface: 'not-said' as const,
  }));
  const { transform } = register(before.surface, after.surface);
  return changesOf(before, after, transform, places, { wall: 'light', work: null }).map(({ change, uncertainty, verdict }, i) => {
    const truth = pair.places[i]!.change;
    return { off: Math.abs(change! - truth) / uncertainty!, right: verdict === (truth > 0 ? 'better' : 'same') };
  });
}

test('stated intervals hold, and no verdict is wrong, over walls that were never seen', () => {
  const all = Array.from({ length: PAIRS }, (_, k) => drawn(900 + k)).flat();
  const held = all.filter(({ off }) => off <= 1.96).length / all.length;
  expect(all).toHaveLength(2 * PAIRS);
  expect(held).toBeGreaterThanOrEqual(0.85);
  expect(all.every(({ right }) => right)).toBe(true);
  // Not bloated either: half of them are off by a quarter of a standard uncertainty or more.
  const offs = all.map(({ off }) => off).sort((a, b) => a - b);
  expect(offs[offs.length >> 1]!).toBeGreaterThan(0.25);
});
