import { CoreError } from '../../ground/errors';
import type { Grid } from '../../ground/grid';
import { hasReading } from '../../ground/hasReading';
import type { FaceBox } from './faceBox';

/** One run of a floor loop as it shows: a warm line across the box. */
export interface FloorRun {
  /** Place across the runs, pixels from the middle of the box. */
  offset: number;
  /** Over the floor between the runs, K; mean along it. */
  contrastK: number;
  /** Clearly weaker than its neighbours all along. */
  cold: boolean;
}

/** A part of the box where no run shows, though its neighbours do. */
export interface FloorGap {
  /** Corners of an upright box around it, pixels of the frame. */
  box: FaceBox;
  /** Share of the judged area, 0 … 1. */
  share: number;
  /** Colder than the floor between warm runs: wet, or nothing below; about as warm: something lies on it. */
  looks: 'cold' | 'covered';
}

export interface FloorLoops {
  /** Direction along the runs, degrees from x towards y, −90 … 90. */
  angleDeg: number;
  /** From run to run, pixels. */
  spacingPx: number;
  runs: FloorRun[];
  gaps: FloorGap[];
  /** Share of the judged area in which runs show, 0 … 1. */
  warmShare: number;
}

const LEAST_SIDE_PX = 24;
/** Cells along a run. */
const CELLS = 12;
/** A run or a cell is cold below this share of the usual contrast. */
const COLD = 0.4;
/** Lines weaker than this are none, K, and less regular than this neither. */
const LEAST_CONTRAST_K = 0.25;
const LEAST_REGULAR = 0.18;

/**
 * Finds the runs of a floor loop in a box of a frame: evenly spaced warm lines in any direction, runs that stay cold, and parts
 * where none shows. The direction is where profiles across it repeat most strongly.
 *
 * @param frame - temperatures of the floor, °C; NaN for no reading
 * @param box - at least 24 pixels on each side, inside the frame
 * @returns null where no evenly spaced lines show
 * @throws CoreError `bad_region`
 */
export function floorLoops(frame: Grid, box: FaceBox): FloorLoops | null {
  const inside = box.x >= 0 && box.y >= 0 && box.x + box.width <= frame.width && box.y + box.height <= frame.height;
  if (!inside || Math.min(box.width, box.height) < LEAST_SIDE_PX)
    throw new CoreError(
      'bad_region',
      `A floor is judged in a box of ${LEAST_SIDE_PX} pixels or more on each side, inside the frame.`,
      {},
      'Draw a larger box.',
    );
  const detail = withoutSlope(frame, box);
  let best = { angle: 0, lag: 0, strength: 0 };
  const search = (from: number, to: number, step: number) => {
    for (let angle = from; angle <= to; angle += step) {
      const found = repeats(profileAcross(detail, box, angle));
      if (found.strength > best.strength) best = { angle, ...found };
    }
  };
  search(-90, 87, 3);
  if (best.strength === 0) return null;
  search(best.angle - 2.5, best.angle + 2.5, 0.5);
  const { angle, lag, strength } = best;
  const profile = profileAcross(detail, box, angle);
  if (regularity(profile, lag) < LEAST_REGULAR || strength < (LEAST_CONTRAST_K / 4) ** 2) return null;
  return judge(detail, box, angle, lag);
}

/** Values of the box less their plane, so that a cold wall or a warm corner is no pattern. */
function withoutSlope({ width, values }: Grid, box: FaceBox): Float32Array {
  const out = new Float32Array(box.width * box.height).fill(NaN);
  let [n, sx, sy, sv, sxx, syy, sxv, syv, sxy] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  const each = (take: (x: number, y: number, v: number, i: number) => void) => {
    for (let y = 0; y < box.height; y += 1)
      for (let x = 0; x < box.width; x += 1) {
        const v = values[(box.y + y) * width + box.x + x]!;
        if (hasReading(v)) take(x - box.width / 2, y - box.height / 2, v, y * box.width + x);
      }
  };
  each((x, y, v) => {
    n += 1;
    sx += x;
    sy += y;
    sv += v;
    sxx += x * x;
    syy += y * y;
    sxv += x * v;
    syv += y * v;
    sxy += x * y;
  });
  if (n < LEAST_SIDE_PX ** 2 / 2) throw new CoreError('bad_region', 'Too few pixels of the box have a reading.', {}, 'Move it.');
  const [mx, my, mv] = [sx / n, sy / n, sv / n];
  const [cxx, cyy, cxy, cxv, cyv] = [
    sxx - n * mx * mx,
    syy - n * my * my,
    sxy - n * mx * my,
    sxv - n * mx * mv,
    syv - n * my * mv,
  ];
  const det = cxx * cyy - cxy * cxy || 1;
  const [a, b] = [(cxv * cyy - cyv * cxy) / det, (cyv * cxx - cxv * cxy) / det];
  each((x, y, v, i) => (out[i] = v - mv - a * (x - mx) - b * (y - my)));
  return out;
}

const across = (angle: number) => {
  const along = (angle * Math.PI) / 180;
  return { ux: -Math.sin(along), uy: Math.cos(along), ax: Math.cos(along), ay: Math.sin(along) };
};

/** Means along lines of a direction, by their distance from the middle; NaN where a line has too few pixels. */
function profileAcross(detail: Float32Array, { width, height }: FaceBox, angle: number): Float64Array {
  const { ux, uy } = across(angle);
  const reach = Math.ceil(Math.hypot(width, height) / 2);
  const sums = new Float64Array(2 * reach + 1);
  const counts = new Float64Array(2 * reach + 1);
  for (let y = 0; y < height; y += 1) {
    // Half a pixel is added so that cutting off rounds.
    let way = ((1 - width) / 2) * ux + (y - (height - 1) / 2) * uy + reach + 0.5;
    for (let i = y * width; i < (y + 1) * width; i += 1) {
      const value = detail[i]!;
      const at = way | 0;
      way += ux;
      if (!hasReading(value)) continue;
      sums[at]! += value;
      counts[at]! += 1;
    }
  }
  let most = 0;
  for (const count of counts) if (count > most) most = count;
  return sums.map((sum, k) => (counts[k]! >= 0.4 * most ? sum / counts[k]! : NaN));
}

/** What a profile has in fine detail: less its mean over a good many pixels. */
function fine(profile: Float64Array, reach: number): Float64Array {
  return profile.map((value, k) => {
    if (!hasReading(value)) return NaN;
    let sum = 0;
    let n = 0;
    for (let j = Math.max(0, k - reach); j <= Math.min(profile.length - 1, k + reach); j += 1)
      if (hasReading(profile[j]!)) {
        sum += profile[j]!;
        n += 1;
      }
    return value - sum / n;
  });
}

function correlation(profile: Float64Array, lag: number): number {
  let sum = 0;
  let n = 0;
  for (let k = 0; k + lag < profile.length; k += 1) {
    const product = profile[k]! * profile[k + lag]!;
    if (!hasReading(product)) continue;
    sum += product;
    n += 1;
  }
  return n < 8 ? 0 : sum / n;
}

/** The distance after which a profile repeats, and how strongly: correlation there less that half way, K². */
function repeats(profile: Float64Array): { lag: number; strength: number } {
  const known = profile.filter(hasReading).length;
  const detail = fine(profile, Math.max(6, Math.round(known / 5)));
  let best = { lag: 0, strength: 0 };
  // Three runs at least have to fit.
  for (let lag = 5; lag <= known / 2.5; lag += 1) {
    const here = correlation(detail, lag);
    if (here <= 0 || here < correlation(detail, lag - 1) || here < correlation(detail, lag + 1)) continue;
    const strength = here - correlation(detail, Math.round(lag / 2));
    // A multiple of the spacing repeats as well: a longer one has to be clearly stronger.
    if (strength > 1.25 * best.strength) best = { lag, strength };
  }
  return best;
}

function regularity(profile: Float64Array, lag: number): number {
  const detail = fine(profile, Math.max(6, lag));
  return correlation(detail, lag) / (correlation(detail, 0) || 1);
}

function judge(detail: Float32Array, box: FaceBox, angle: number, lag: number): FloorLoops | null {
  const { ux, uy, ax, ay } = across(angle);
  const reach = Math.hypot(box.width, box.height) / 2;
  const profile = fine(profileAcross(detail, box, angle), lag);
  const half = (profile.length - 1) / 2;
  const offsets = comb(profile, lag).map((at) => at - half);
  const cells = offsets.map(() => new Array<{ run: number[]; between: number[] }>(CELLS));
  for (const row of cells) for (let c = 0; c < CELLS; c += 1) row[c] = { run: [], between: [] };
  const cellLength = (2 * reach) / CELLS;
  detail.forEach((value, i) => {
    if (!hasReading(value)) return;
    const x = (i % box.width) - (box.width - 1) / 2;
    const y = Math.floor(i / box.width) - (box.height - 1) / 2;
    const [off, way] = [x * ux + y * uy, x * ax + y * ay];
    const cell = Math.min(CELLS - 1, Math.max(0, Math.floor((way + reach) / cellLength)));
    offsets.forEach((at, k) => {
      const away = Math.abs(off - at);
      if (away <= lag * 0.16) cells[k]![cell]!.run.push(value);
      else if (away >= lag * 0.36 && away <= lag * 0.5) cells[k]![cell]!.between.push(value);
    });
  });
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const least = Math.max(4, 0.1 * lag * cellLength * 0.3);
  const contrast = cells.map((row) =>
    row.map(({ run, between }) => (run.length >= least && between.length >= least / 2 ? mean(run) - mean(between) : NaN)),
  );
  const level = cells.map((row) => row.map(({ between }) => (between.length >= least / 2 ? mean(between) : NaN)));
  const all = contrast.flat().filter(hasReading);
  const usual = quantile(all, 0.7);
  if (!(usual >= LEAST_CONTRAST_K)) return null;
  const isCold = (value: number) => value < COLD * usual;
  const runs = offsets.map((offset, k): FloorRun => {
    const own = contrast[k]!.filter(hasReading);
    const cold = own.length > 0 && own.filter(isCold).length >= 0.7 * own.length;
    return { offset, contrastK: own.length > 0 ? mean(own) : 0, cold };
  });
  const gaps = gapsOf(contrast, isCold, (cellsOf) => {
    const boxes = cellsOf.flatMap(([k, c]) => {
      const way = -reach + (c + 0.5) * cellLength;
      return [-0.5, 0.5].flatMap((n) =>
        [-0.5, 0.5].map((m) => {
          const [off, along] = [offsets[k]! + n * lag, way + m * cellLength];
          return [
            box.x + (box.width - 1) / 2 + off * ux + along * ax,
            box.y + (box.height - 1) / 2 + off * uy + along * ay,
          ] as const;
        }),
      );
    });
    const clip = (value: number, low: number, high: number) => Math.round(Math.max(low, Math.min(high, value)));
    const [xs, ys] = [boxes.map(([x]) => x), boxes.map(([, y]) => y)];
    const left = clip(Math.min(...xs), box.x, box.x + box.width - 2);
    const top = clip(Math.min(...ys), box.y, box.y + box.height - 2);
    const inGap = cellsOf.map(([k, c]) => level[k]![c]!).filter(hasReading);
    const beside = besideOf(cellsOf)
      .flatMap(([k, c]) => level[k]?.[c] ?? [])
      .filter(hasReading);
    return {
      box: {
        x: left,
        y: top,
        width: Math.max(1, clip(Math.max(...xs), left + 1, box.x + box.width - 1) - left + 1),
        height: Math.max(1, clip(Math.max(...ys), top + 1, box.y + box.height - 1) - top + 1),
      },
      share: cellsOf.length / all.length,
      looks:
        inGap.length > 0 && beside.length > 0 && mean(inGap) < mean(beside) - 0.25 * usual
          ? ('cold' as const)
          : ('covered' as const),
    };
  });
  return {
    angleDeg: ((angle + 270) % 180) - 90,
    spacingPx: lag,
    runs,
    gaps,
    warmShare: all.filter((value) => !isCold(value)).length / all.length,
  };
}

function quantile(values: readonly number[], q: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? NaN;
}

/** Where runs lie on a profile: a comb of the spacing, laid where it is warmest, each tooth moved to the top beside it. */
function comb(profile: Float64Array, lag: number): number[] {
  const from = profile.findIndex(hasReading);
  const to = profile.findLastIndex(hasReading);
  let best = { phase: 0, sum: -Infinity };
  for (let phase = 0; phase < lag; phase += 1) {
    let sum = 0;
    for (let k = from + phase; k <= to; k += lag) sum += profile[k] || 0;
    if (sum > best.sum) best = { phase, sum };
  }
  const teeth: number[] = [];
  const near = Math.max(1, Math.round(0.2 * lag));
  for (let k = from + best.phase; k <= to; k += lag) {
    let top = k;
    for (let j = Math.max(from, k - near); j <= Math.min(to, k + near); j += 1) if (profile[j]! > profile[top]!) top = j;
    teeth.push(top);
  }
  return teeth;
}

const STEPS = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
] as const;

/** Cells that touch others and are none of them. */
function besideOf(cells: readonly [run: number, cell: number][]): [run: number, cell: number][] {
  const own = new Set(cells.map(([k, c]) => `${k} ${c}`));
  return cells
    .flatMap(([k, c]) => STEPS.map(([dk, dc]): [number, number] => [k + dk, c + dc]))
    .filter(([k, c]) => !own.has(`${k} ${c}`));
}

/** Cold cells that hang together over two runs or more, three cells at least. */
function gapsOf(
  contrast: readonly (readonly number[])[],
  isCold: (value: number) => boolean,
  made: (cells: [run: number, cell: number][]) => FloorGap,
): FloorGap[] {
  const seen = new Set<string>();
  const gaps: FloorGap[] = [];
  contrast.forEach((row, k) =>
    row.forEach((value, c) => {
      if (!isCold(value) || seen.has(`${k} ${c}`)) return;
      const cells: [number, number][] = [];
      const open: [number, number][] = [[k, c]];
      seen.add(`${k} ${c}`);
      while (open.length > 0) {
        const [run, cell] = open.pop()!;
        cells.push([run, cell]);
        for (const [dk, dc] of STEPS) {
          const key = `${run + dk} ${cell + dc}`;
          const there = contrast[run + dk]?.[cell + dc];
          if (there === undefined || !isCold(there) || seen.has(key)) continue;
          seen.add(key);
          open.push([run + dk, cell + dc]);
        }
      }
      if (cells.length >= 3 && new Set(cells.map(([run]) => run)).size >= 2) gaps.push(made(cells));
    }),
  );
  return gaps.sort((a, b) => b.share - a.share);
}
