import { smoothed } from '../../ground/blur';
import type { Grid } from '../../ground/grid';
import { robustSpread } from '../../ground/median';
import { hasReading } from '../../ground/hasReading';

/** Texture is looked at between these scales, as shares of the width: below is noise, above layers of the air. */
const FINE = 1 / 200;
const BROAD = 1 / 40;
/** What stands out beyond so many spreads is a thing, not texture. */
const THING = 6;
const ROUNDS = 4;

/**
 * The contrast of a wall's studs and texture in a later look, as a share of what it was.
 *
 * The slope of one on the other, through most of their pixels; noise of the earlier look would make it too small, so that the
 * geometric mean with the slope the other way round is taken, weighed by how alike both are.
 *
 * @param counts - 1 for pixels of the unchanged wall
 * @returns 1 where there is too little texture to tell
 */
export function contrastKept(before: Grid, after: Grid, counts: Uint8Array): number {
  const [a, b] = [textureOf(before), textureOf(after)];
  const [one, other] = [everyOther(a, counts), everyOther(b, counts)];
  const limits = [THING * robustSpread(one.slice()), THING * robustSpread(other.slice())] as const;
  let slope = 1;
  let likeness = 0;
  let bound = Infinity;
  for (let round = 0; round < ROUNDS; round += 1) {
    let [n, sab, saa, sbb] = [0, 0, 0, 0];
    const left = new Float32Array(one.length);
    for (let i = 0; i < one.length; i += 1) {
      left[i] = other[i]! - slope * one[i]!;
      if (Math.abs(one[i]!) > limits[0] || Math.abs(other[i]!) > limits[1] || Math.abs(left[i]!) > bound) continue;
      n += 1;
      sab += one[i]! * other[i]!;
      saa += one[i]! ** 2;
      sbb += other[i]! ** 2;
    }
    if (n === 0 || saa === 0 || sbb === 0) return 1;
    likeness = sab / Math.sqrt(saa * sbb);
    slope = sab / saa;
    bound = 3 * robustSpread(left.slice());
  }
  // Where half of what is seen is noise, a slope says little.
  return likeness < 0.5 ? 1 : slope / Math.max(0.5, Math.sqrt(likeness));
}

/** Every second pixel, where it counts. */
function everyOther(values: Float32Array, counts: Uint8Array): Float32Array {
  const kept = new Float32Array(values.length);
  let n = 0;
  for (let i = 0; i < values.length; i += 2) if (counts[i] === 1) kept[n++] = values[i]!;
  return kept.slice(0, n);
}

function textureOf(grid: Grid): Float32Array {
  const filled = { ...grid, values: grid.values.map((value) => (hasReading(value) ? value : 0)) };
  const fine = smoothed(filled, Math.max(0.8, FINE * grid.width)).values;
  const broad = smoothed(filled, BROAD * grid.width).values;
  return fine.map((value, i) => value - broad[i]!);
}
