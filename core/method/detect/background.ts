import { weightedMean } from '../../ground/blur';
import { framingOf, type Framing } from './framing';
import { enlarged, gridLike, shrunk, type Grid } from '../../ground/grid';
import { robustSpread } from '../../ground/median';
import { leanOf, linesOf, medianProfile, narrowPart, profileAt, type Direction, type ProfileLine } from './profiles';
import { slowSurface } from '../../ground/surfaceFit';

/** What a surface would show without anything that deserves a look, and which regular things that includes. */
export interface Background {
  /** As the values of the frame. */
  grid: Grid;
  /** Studs or joists, with the way that they run. */
  framing: (Framing & { run: 'down' | 'across' }) | null;
  /** Where the surface meets the next one along a row: the ordinary cold of a corner. */
  junctions: ProfileLine[];
  /** Rows at which the level of whole rows changes at once: where a wall meets a ceiling of another warmth. */
  steps: number[];
}

/** Reach of the slow change that the last step follows, as a share of the width. */
const LOCAL = 0.11;
const LOCAL_ROUNDS = 3;
/** Width of the coarse grid on which it is followed. */
const COARSE = 80;
/** What stands out by more is not followed: this many spreads, at least so much, K. */
const FOLLOWED = 2.5;
const LEAST_FOLLOWED_K = 0.18;
/** An ordinary corner lowers the temperature factor by less than this. */
const JUNCTION_DROP = 0.06;
/** Height of an ordinary corner where the difference across the wall is not known, K. */
const JUNCTION_K = 0.9;
const LEAST_JUNCTION_K = 0.1;
/** A corner's profile is pointed: its width at a fifth of its height over that at seven tenths (a bell has 2.1, a stripe less). */
const POINTED = 2.2;

/**
 * The background of a frame: a slow surface, layers of air and level of what lies along rows, even framing, ordinary corners, and
 * slow changes over a tenth of the width.
 *
 * @param counts - 1 for pixels of the surface, 0 for those set aside
 * @param drive - difference between inside and outside, K; null when it is not known
 */
export function backgroundOf(grid: Grid, counts: Uint8Array, drive: number | null): Background {
  const { width, height } = grid;
  const slow = slowSurface(grid, counts);
  const rest = less(grid, slow);
  const acrossWay = leanOf(rest, counts, 'rows');
  const downWay = leanOf(rest, counts, 'columns');
  const columns = medianProfile(rest, counts, downWay);
  const rows = medianProfile(withoutProfile(rest, columns, downWay), counts, acrossWay);
  const steadyColumns = medianProfile(withoutProfile(rest, rows, acrossWay), counts, downWay);

  const narrowColumns = narrowPart(steadyColumns);
  const narrowRows = narrowPart(rows);
  const upright = framingOf(linesOf(narrowColumns), width);
  const level = upright ? null : framingOf(linesOf(narrowRows), height);

  const junctions = linesOf(narrowRows).filter(
    (line) => isJunction(line, narrowRows, drive) && alongRow(rest, counts, line, acrossWay),
  );
  // What whole rows do slowly (layers of air, ceiling above wall), with the ordinary cold where two surfaces meet.
  const whole = rows.map((value, y) => value - (junctions.some(({ from, to }) => y >= from && y <= to) ? 0 : narrowRows[y]!));
  const base = { width, height, values: slow.values.slice() };
  for (let y = 0, i = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, i += 1) base.values[i]! += profileAt(whole, acrossWay, x, y, width, height);
  if (upright) addFraming(base, grid, counts, upright, narrowColumns, downWay);
  else if (level) addFraming(base, grid, counts, level, narrowRows, acrossWay);
  followSlowly(base, grid, counts);
  const framing = upright ? { ...upright, run: 'down' as const } : level ? { ...level, run: 'across' as const } : null;
  return { grid: base, framing, junctions, steps: stepsOf(rows) };
}

function less(a: Grid, b: Grid): Grid {
  const out = gridLike(a);
  for (let i = 0; i < out.values.length; i += 1) out.values[i] = a.values[i]! - b.values[i]!;
  return out;
}

function withoutProfile(grid: Grid, profile: Float32Array, way: Direction): Grid {
  const { width, height, values } = grid;
  const out = gridLike(grid);
  for (let y = 0, i = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, i += 1) out.values[i] = values[i]! - profileAt(profile, way, x, y, width, height);
  return out;
}

/** How pointed the line of a profile is: its width at a fifth of its height over that at seven tenths. */
function pointedness(narrow: Float32Array, { at, height }: ProfileLine): number {
  const wide = (share: number) => {
    const least = share * Math.abs(height);
    const sign = Math.sign(height);
    let [from, to] = [at, at];
    while (from > 0 && sign * narrow[from - 1]! > least) from -= 1;
    while (to < narrow.length - 1 && sign * narrow[to + 1]! > least) to += 1;
    return to - from + 1;
  };
  return wide(0.2) / wide(0.7);
}

function isJunction(line: ProfileLine, narrow: Float32Array, drive: number | null): boolean {
  const most = drive === null ? JUNCTION_K : Math.max(0.25, JUNCTION_DROP * Math.abs(drive));
  const rightSign = drive === null || line.height * drive < 0;
  const height = Math.abs(line.height);
  const cut = line.from <= 1 || line.to >= narrow.length - 2;
  return rightSign && height > LEAST_JUNCTION_K && height < most && (cut || pointedness(narrow, line) > POINTED);
}

/** A step of a profile: its level differs by so much, K, from a little before to a little after. */
const STEP_K = 0.25;
const STEP_REACH = 0.025;

function stepsOf(rows: Float32Array): number[] {
  const reach = Math.max(3, Math.round(STEP_REACH * rows.length));
  const steps: number[] = [];
  for (let y = 2 * reach; y < rows.length - 2 * reach; y += 1) {
    const off = Math.abs(rows[y + reach]! - rows[y - reach]!);
    const before = Math.abs(rows[y - reach]! - rows[y - 2 * reach]!);
    const after = Math.abs(rows[y + 2 * reach]! - rows[y + reach]!);
    if (off < STEP_K || off < 3 * Math.max(before, after)) continue;
    if (steps.length > 0 && y - steps.at(-1)! <= 2 * reach) continue;
    steps.push(y);
  }
  return steps;
}

/** Whether the line of a profile shows over most of the width. */
function alongRow({ width, height, values }: Grid, counts: Uint8Array, line: ProfileLine, { lean }: Direction): boolean {
  let shown = 0;
  let asked = 0;
  for (let x = 0; x < width; x += 1) {
    const shift = Math.round(lean * (x - width / 2));
    const row = (y: number) => Math.max(0, Math.min(height - 1, y + shift)) * width + x;
    if (!counts[row(line.at)]) continue;
    asked += 1;
    const off = values[row(line.at)]! - (values[row(line.from - 1)]! + values[row(line.to + 1)]!) / 2;
    if (off / line.height > 0.3) shown += 1;
  }
  return shown >= 0.6 * asked;
}

/** Adds the framing as it shows: the shape of its lines, as high in each row as the middle one of them is there. */
function addFraming(base: Grid, grid: Grid, counts: Uint8Array, framing: Framing, narrow: Float32Array, way: Direction): void {
  const { width, height } = grid;
  const [length, depth, along, across] = way.of === 'columns' ? [width, height, 1, width] : [height, width, width, 1];
  const at = (k: number, d: number) => {
    const place = k + Math.round(way.lean * (d - depth / 2));
    return place < 0 || place >= length ? -1 : place * along + d * across;
  };
  const off = (i: number) => grid.values[i]! - base.values[i]!;
  const heights = new Float32Array(depth);
  const perLine: number[] = [];
  for (let d = 0; d < depth; d += 1) {
    perLine.length = 0;
    for (const { from, to } of framing.lines) {
      const [left, right] = [at(from - 2, d), at(to + 2, d)];
      if (left < 0 || right < 0) continue;
      // Against what lies just beside the line, so that a fault around it takes no part.
      const beside = (off(left) + off(right)) / 2;
      let product = 0;
      let power = 0;
      for (let k = from; k <= to; k += 1) {
        const i = at(k, d);
        if (i < 0 || !counts[i]) continue;
        product += narrow[k]! * (off(i) - beside);
        power += narrow[k]! ** 2;
      }
      if (power > 0) perLine.push(product / power);
    }
    perLine.sort((a, b) => a - b);
    heights[d] = perLine.length ? perLine[perLine.length >> 1]! : 1;
  }
  const even = evened(heights, Math.max(2, Math.round(0.06 * depth)));
  for (let d = 0; d < depth; d += 1) {
    const share = Math.max(0, Math.min(3, even[d]!));
    for (const { from, to } of framing.lines) {
      for (let k = from; k <= to; k += 1) {
        const i = at(k, d);
        if (i >= 0) base.values[i]! += share * narrow[k]!;
      }
    }
  }
}

/** Running mean of a profile. */
function evened(profile: Float32Array, reach: number): Float32Array {
  return profile.map((_, i) => {
    const [from, to] = [Math.max(0, i - reach), Math.min(profile.length - 1, i + reach)];
    let sum = 0;
    for (let k = from; k <= to; k += 1) sum += profile[k]!;
    return sum / (to - from + 1);
  });
}

/** Lets the background follow what changes slowly over the picture, without what stands out; on a coarse grid, as it is slow. */
function followSlowly(base: Grid, grid: Grid, counts: Uint8Array): void {
  const factor = Math.max(1, Math.round(grid.width / COARSE));
  const off = shrunk(less(grid, base), factor);
  const asked = shrunk({ ...grid, values: Float32Array.from(counts) }, factor).values;
  const limit = Math.max(LEAST_FOLLOWED_K, FOLLOWED * Math.min(0.3, robustSpread(off.values.filter((_, i) => asked[i]! > 0.9))));
  const follow = gridLike(off);
  const weights = new Float32Array(asked.length);
  for (let round = 0; round < LOCAL_ROUNDS; round += 1) {
    const rest = less(off, follow);
    for (let i = 0; i < weights.length; i += 1) {
      const t = rest.values[i]! / limit;
      weights[i] = asked[i]! > 0.9 && Math.abs(t) < 1 ? (1 - t * t) ** 2 : 0;
    }
    const near = weightedMean(rest, weights, LOCAL * off.width);
    for (let i = 0; i < weights.length; i += 1) follow.values[i]! += near.values[i]!;
  }
  const fine = enlarged(follow, factor, grid).values;
  for (let i = 0; i < fine.length; i += 1) base.values[i]! += fine[i]!;
}
