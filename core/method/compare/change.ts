import { LEAST_DRIVE_K } from '../../ground/drive';
import { INSTRUMENT_U } from '../../ground/instruments';
import { robustSpread, medianOf } from '../../ground/median';
import { slowSurface } from '../../ground/surfaceFit';
import type { Grid } from '../../ground/grid';
import type { Span } from '../frame/region';
import type { Homography } from '../../ground/homography';
import { hasReading } from '../../ground/hasReading';
import { boxMeans } from './boxMeans';
import { sampled } from './resized';
import { contrastKept } from './contrastKept';
import { lossChanges, type Loss, type LossChange, type WorkSaid } from './lossChange';
import { wallAt, type Standing } from './wallModel';
import type { Side } from '../../ground/side';
import type { WallClass } from '../weather/wallFamilies';
import type { WallHistory } from '../weather/wallHistory';

/** Standard uncertainties from visit to visit, K: the camera's level, a typed air temperature, a typed reflected temperature. */
const { levelK: LEVEL_K, thermometerK: AIR_K, reflectedK: REFLECTED_K } = INSTRUMENT_U;
/** A change is called none where it stays below this share of what is lost, with all that is uncertain of it. */
const NONE_SHARE = 0.2;
/** What is less probable does not keep a verdict from being said. */
const HARDLY_POSSIBLE = 0.05;
/** Heat in the wall is said to be the reason where it makes a change so many times as uncertain as it would be in balance. */
const STORED = 2;
/** Places around a region that belong to its rim, pixels. */
const RIM = 5;
/** Blur of a camera, standard deviation in its own pixels; how well what it takes is known, as a share of that. */
const BLUR_PX = 0.8;
const BLUR_U = 0.4;
/** No change is known better than this. */
const LEAST_U = 0.001;
/** How well a lens keeps the contrast of a region against its wall: stray light and what the rim does, as a share of the change. */
const CONTRAST_KEPT_U = 0.04;
/** How well the contrast of a wall's texture can be compared between two visits. */
const CONTRAST_U = 0.15;
/** A wall of which less can be seen around the regions tells nothing of level and layers. */
const LEAST_WALL = 0.1;
/** A place may lack this share of its readings. */
const MAY_LACK = 0.02;
const LEAST_BOXES = 12;

/** A frame of surface temperatures, °C (NaN: no reading), where it was taken from, and what the wall stood in. */
export interface Look {
  surface: Grid;
  side: Side;
  insideC: number;
  outsideC: number;
  /** Air of the space looked from, where it has one of its own: a loft, a garage, a cellar. */
  spaceC: number | null;
  emissivity: number;
  /** The last two days, as far as somebody knows. */
  history: WallHistory | null;
}

/** What is known of the wall and of the work, for both looks. */
export interface Known {
  wall: WallClass;
  work: WorkSaid;
}

/** The air beyond the wall from the house's inside: outdoors, or in the space looked from, °C. */
export function outerAirC({ side, outsideC, spaceC }: Pick<Look, 'side' | 'outsideC' | 'spaceC'>): number {
  return side === 'loft' && spaceC !== null ? spaceC : outsideC;
}

export interface Place {
  name: string;
  /** Its pixels in the earlier frame; all that were drawn, as far as they lie in it. */
  spans: readonly Span[];
  /** Whether some of what was drawn lies beyond the earlier frame. */
  cut: boolean;
  /** Whether the surface itself was changed (painted, foiled, taped, blind down), as far as somebody said. */
  surface: 'changed' | 'unchanged' | 'not-said';
}

export type Verdict = 'better' | 'same' | 'worse' | 'cannot-say';
export type Why =
  | 'more-than-uncertain'
  | 'less-than-uncertain'
  | 'too-uncertain'
  | 'stored-heat'
  | 'whole-wall'
  | 'same-or-better'
  | 'space-unknown'
  | 'no-such-wall'
  | 'surface-changed'
  | 'looks-different'
  | 'not-in-view'
  | 'too-little-drive'
  | 'opposite-drive';

export interface Change {
  name: string;
  /** Mean surface temperatures, °C; null where not in view. */
  beforeC: number | null;
  afterC: number | null;
  /** Temperature factors (T − outer air) / (inside − outer air); seen from outside or from the loft they fall as a place gets better. */
  factorBefore: number | null;
  factorAfter: number | null;
  /** How much less is lost than before, as a share of the difference of the air, with its standard uncertainty; positive is better on every side. */
  change: number | null;
  uncertainty: number | null;
  verdict: Verdict;
  why: Why;
}

/**
 * How much less each region loses than before, as a share of the difference of the air, in balance: what it differs from the
 * wall around it on both visits, with what heat in the wall, the camera's level and work on the whole wall may have done.
 *
 * @param h - takes pixels of the earlier frame to the later one
 * @param different - names of places that look different in the photos (`differentLooking`): until somebody says whether their
 * surface was changed, nothing is said of them
 * @throws CoreError `malformed` for a history that cannot be used
 */
export function changesOf(
  before: Look,
  after: Look,
  h: Homography,
  places: readonly Place[],
  known: Known,
  different: ReadonlySet<string> = new Set(),
): Change[] {
  const drives = [driveOf(before), driveOf(after)] as const;
  const forbidden = forbiddenBy(before, after);
  const later = warped(after.surface, before.surface, h);
  const plain = places.map((place) => {
    const beforeC = meanOf(before.surface, place.spans);
    const afterC = meanOf({ ...before.surface, values: later }, place.spans);
    const factor = (look: Look, value: number) => (value - outerAirC(look)) / driveOf(look);
    return {
      name: place.name,
      beforeC,
      afterC,
      factorBefore: drives[0] === 0 || beforeC === null ? null : factor(before, beforeC),
      factorAfter: drives[1] === 0 || afterC === null ? null : factor(after, afterC),
    };
  });
  const mute = places.map((place, i): Why | null => {
    if (plain[i]!.beforeC === null || plain[i]!.afterC === null || place.cut) return 'not-in-view';
    if (place.surface === 'changed') return 'surface-changed';
    if (place.surface === 'not-said' && different.has(place.name)) return 'looks-different';
    return forbidden;
  });
  const asked = places.filter((_, i) => mute[i] === null);
  const told = asked.length === 0 ? [] : losses([before, after], later, h, places, asked, known);
  return places.map((place, i): Change => {
    const one = mute[i] ?? (typeof told === 'string' ? told : told[asked.indexOf(place)]!);
    return typeof one === 'string'
      ? { ...plain[i]!, change: null, uncertainty: null, verdict: 'cannot-say', why: one }
      : { ...plain[i]!, ...verdictOf(one) };
  });
}

/** Air inside less the air beyond the wall, K. */
function driveOf(look: Look): number {
  return look.insideC - outerAirC(look);
}

function forbiddenBy(before: Look, after: Look): Why | null {
  if ([before, after].some(({ side, spaceC }) => side === 'loft' && spaceC === null)) return 'space-unknown';
  const drives = [driveOf(before), driveOf(after)] as const;
  if (drives.some((drive) => Math.abs(drive) < LEAST_DRIVE_K)) return 'too-little-drive';
  return drives[0] * drives[1] < 0 ? 'opposite-drive' : null;
}

type Said = Pick<Change, 'change' | 'uncertainty' | 'verdict' | 'why'>;

/**
 * A verdict holds whether or not the whole wall was changed, unless one of both is hardly possible; where they differ, only what
 * this place does against the wall beside it is known.
 */
function verdictOf({ likely, otherwise, all, balancedU }: Told): Said {
  const { verdict, why } = ofLoss(likely, balancedU);
  const said: Said = { change: likely.less, uncertainty: likely.u, verdict, why };
  if (otherwise.probability < HARDLY_POSSIBLE || verdict === 'cannot-say') return said;
  const other = ofLoss(otherwise, balancedU).verdict;
  if (other === verdict) return said;
  const open = verdict === 'same' && other === 'better' ? 'same-or-better' : 'whole-wall';
  return { change: all.less, uncertainty: all.u, verdict: 'cannot-say', why: open };
}

function ofLoss({ less, lost, u }: Loss, balancedU: number): { verdict: Verdict; why: Why } {
  if (Math.abs(less) > 2 * u) return { verdict: less > 0 ? 'better' : 'worse', why: 'more-than-uncertain' };
  if (Math.abs(less) + 2 * u < NONE_SHARE * lost) return { verdict: 'same', why: 'less-than-uncertain' };
  return { verdict: 'cannot-say', why: u > STORED * balancedU ? 'stored-heat' : 'too-uncertain' };
}

/** The later frame brought onto the pixels of the earlier one; NaN where it does not show them. */
export function warped(after: Grid, { width, height }: Pick<Grid, 'width' | 'height'>, h: Homography): Float32Array {
  const values = new Float32Array(width * height);
  for (let y = 0, o = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, o += 1) {
      const w = h[6]! * x + h[7]! * y + h[8]!;
      const u = (h[0]! * x + h[1]! * y + h[2]!) / w;
      const v = (h[3]! * x + h[4]! * y + h[5]!) / w;
      values[o] = u >= 0 && v >= 0 && u < after.width - 1 && v < after.height - 1 ? sampled(after, u, v) : NaN;
    }
  return values;
}

/** Mean over spans of what has a value; null where more than so small a share has none. */
function meanOf({ width, values }: Grid, spans: readonly Span[], without = MAY_LACK): number | null {
  let [sum, n, missing] = [0, 0, 0];
  for (const { y, from, to } of spans)
    for (let x = from; x <= to; x += 1) {
      const value = values[y * width + x]!;
      if (hasReading(value)) {
        sum += value;
        n += 1;
      } else missing += 1;
    }
  return n === 0 || missing > without * (n + missing) ? null : sum / n;
}

interface Told extends LossChange {
  /** How uncertain it would be with the wall in balance and unchanged as a whole. */
  balancedU: number;
}

/** @param later - the later frame on the earlier one's pixels; @param places - all that the wall around is without; @param asked - those that are asked about; @returns why nothing, where nothing can be told */
function losses(
  [before, after]: readonly [Look, Look],
  later: Float32Array,
  h: Homography,
  places: readonly Place[],
  asked: readonly Place[],
  { wall, work }: Known,
): Told[] | Why {
  const { width, height } = before.surface;
  const size = { width, height };
  const [driveBefore, driveAfter] = [driveOf(before), driveOf(after)];
  const first: Grid = { ...size, values: before.surface.values.map((value) => (value - outerAirC(before)) / driveBefore) };
  const second: Grid = { ...size, values: later.map((value) => (value - outerAirC(after)) / driveAfter) };
  const moved: Grid = { ...size, values: second.values.map((value, i) => value - first.values[i]!) };
  const counts = new Uint8Array(moved.values.length);
  for (let i = 0; i < counts.length; i += 1) counts[i] = hasReading(moved.values[i]!) ? 1 : 0;
  for (const { spans } of places) for (const span of spans) clear(counts, width, height, span);
  const known = counts.reduce((sum, count) => sum + count, 0);
  if (known < LEAST_WALL * counts.length) return 'too-uncertain';
  const [restBefore, slowBefore] = aboveSlow(first, counts);
  const [restAfter, slowAfter] = aboveSlow(second, counts);
  const [rest] = aboveSlow(moved, counts);
  const usual = (grid: Grid) => medianOf(grid.values.filter((_, i) => i % 3 === 0 && counts[i] === 1));
  const levels = [usual(slowBefore), usual(slowAfter)] as const;
  const driveU = Math.SQRT2 * AIR_K;
  const finer = Math.sqrt(Math.abs(h[0]! * h[4]! - h[1]! * h[3]!)) / (h[8]! || 1);
  const [blurBefore, blurAfter] = [BLUR_PX, BLUR_PX / Math.max(0.1, finer)];
  const seen = asked.map(({ spans }) => {
    const [own, standsBefore, standsAfter] = [rest, restBefore, restAfter].map((grid) => meanOf(grid, spans, 1)!) as [
      number,
      number,
      number,
    ];
    const lost = lostToBlur(standsAfter, spans, blurAfter) - lostToBlur(standsBefore, spans, blurBefore);
    const scale = Math.hypot((standsBefore * driveU) / driveBefore, (standsAfter * driveU) / driveAfter);
    const around = scatter(rest, counts, spans);
    const u = Math.hypot(LEAST_U, around, scale, BLUR_U * lost, CONTRAST_KEPT_U * own);
    return { stands: standsBefore + lostToBlur(standsBefore, spans, blurBefore), own: own + lost, u };
  });
  const standing = (look: Look): Standing => ({
    side: look.side,
    insideC: look.insideC,
    outerC: outerAirC(look),
    outsideC: look.outsideC,
  });
  const visit = (look: Look, factor: number) => ({
    wall: wallAt(wall, standing(look), look.history),
    levelC: outerAirC(look) + factor * driveOf(look),
    levelU: levelU(factor, look.emissivity),
    hereC: look.side === 'inside' ? look.insideC : outerAirC(look),
    driveK: (look.side === 'inside' ? 1 : -1) * driveOf(look),
  });
  const told = lossChanges(
    [visit(before, levels[0]), visit(after, levels[1])],
    { kept: contrastKept(restBefore, restAfter, counts), u: CONTRAST_U },
    work,
    seen.map(({ stands, own, u }) => ({
      beforeK: stands * driveBefore,
      afterK: (stands + own) * driveAfter,
      u: u * Math.abs(driveAfter),
    })),
  );
  return told?.map((one, i) => ({ ...one, balancedU: seen[i]!.u })) ?? 'no-such-wall';
}

/** A grid without what changes slowly over the unchanged wall, and that. */
function aboveSlow(grid: Grid, counts: Uint8Array): [Grid, Grid] {
  const slow = slowSurface(grid, counts);
  const values = new Float32Array(grid.values.length);
  for (let i = 0; i < values.length; i += 1) values[i] = grid.values[i]! - slow.values[i]!;
  return [{ ...grid, values }, slow];
}

/** Standard uncertainty of a wall's level from a camera and thermometers, K. */
function levelU(factor: number, emissivity: number): number {
  return Math.hypot(LEVEL_K, AIR_K * factor, AIR_K * (1 - factor), (REFLECTED_K * (1 - emissivity)) / emissivity);
}

/** What blur takes from how a region stands out: an edge loses two fifths of the blur's width to what is beside it. */
function lostToBlur(stands: number, spans: readonly Span[], blur: number): number {
  const { columns, rows } = extentOf(spans);
  const kept = Math.max(0.5, (1 - (0.8 * blur) / columns) * (1 - (0.8 * blur) / rows));
  return stands * (1 / kept - 1);
}

function extentOf(spans: readonly Span[]): { columns: number; rows: number } {
  const columns = Math.max(...spans.map(({ to }) => to)) - Math.min(...spans.map(({ from }) => from)) + 1;
  const rows = Math.max(...spans.map(({ y }) => y)) - Math.min(...spans.map(({ y }) => y)) + 1;
  return { columns, rows };
}

/** Takes a span and its rim out of what counts as the unchanged wall. */
function clear(counts: Uint8Array, width: number, height: number, { y, from, to }: Span): void {
  for (let v = Math.max(0, y - RIM); v <= Math.min(height - 1, y + RIM); v += 1)
    counts.fill(0, v * width + Math.max(0, from - RIM), v * width + Math.min(width - 1, to + RIM) + 1);
}

/** How much the mean over a box of a region's size scatters over the unchanged wall: noise, pattern, texture that does not quite fit. */
function scatter(grid: Grid, counts: Uint8Array, spans: readonly Span[]): number {
  const means = boxMeans(grid, counts, extentOf(spans));
  if (means.length >= LEAST_BOXES) return robustSpread(means);
  const all: number[] = [];
  for (let i = 0; i < grid.values.length; i += 3) if (counts[i]) all.push(grid.values[i]!);
  // Too little wall for boxes of this size: a fifth of what single pixels scatter is more than noise leaves of a mean.
  return robustSpread(Float32Array.from(all)) / 5;
}
