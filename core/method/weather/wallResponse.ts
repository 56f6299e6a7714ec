import { BUILD_UPS, cellsOf, type Cells, STEPS } from './wallLayers';
import { type Wall, WALLS } from './wallMemory';

/** What walls stand in, hour by hour. */
export interface WallWeather {
  /** Air and what upright walls see, weighed by their films, °C. */
  outerC: Float64Array;
  /** Film outside, W/m²K. */
  film: Float64Array;
  insideC: number;
  /** What each façade takes up of the sun, W/m²; an array for each. */
  sun: Float64Array[];
}

/** How one kind of wall follows its weather, hour by hour. */
export interface WallResponse {
  /** Of its outer face in the shade, °C. */
  faceC: Float64Array;
  /** By façade: what the sun adds to the outer face, at its most from the hour before on, K. */
  sunExcessK: Float64Array[];
  /** By façade: how far the contrast of a usual fault is from what it would be in balance with this hour's air, as |ln|, inside and outside. */
  offInside: Float64Array[];
  offOutside: Float64Array[];
  /** By façade: contrast of a usual fault on the inner face over that in balance; the mean of the build-ups. */
  shareInside: Float64Array[];
}

/** Film inside, W/m²K: the 0.13 m²K/W of ISO 6946. */
const INNER_FILM = 1 / 0.13;
/** A contrast that is smaller than this share of what it should be, or has the wrong sign, is taken as so much, so that its logarithm has an end. */
const LEAST_SHARE = 0.05;
/** In balance with so small a difference nothing can be compared, K. */
const LEAST_CONTRAST_K = 1e-3;

/** A wall with its temperatures: in the shade, and what the sun adds on each façade. */
class WallState {
  private readonly cells: Float64Array[];
  private readonly upper: Float64Array;
  private readonly pivot: Float64Array;
  private outer = 0;
  private film = 0;
  private readonly inner: number;
  /** Of the last step: faces in the shade (0) and what the sun adds (façade + 1). */
  readonly outside: Float64Array;
  readonly inside: Float64Array;

  constructor(
    private readonly wall: Cells,
    facades: number,
  ) {
    this.cells = Array.from({ length: facades + 1 }, () => new Float64Array(wall.count));
    this.upper = new Float64Array(wall.count);
    this.pivot = new Float64Array(wall.count);
    this.inner = 1 / (1 / INNER_FILM + 1 / wall.last);
    this.outside = new Float64Array(facades + 1);
    this.inside = new Float64Array(facades + 1);
  }

  /** Heat that flows in balance, W/m². */
  flow(outerC: number, insideC: number, film: number): number {
    return (insideC - outerC) / (1 / film + this.wall.resistance + 1 / INNER_FILM);
  }

  /** Begins in balance. */
  settle(k: number, outerC: number, insideC: number, film: number): void {
    const flow = this.flow(outerC, insideC, film);
    const { count, between, first } = this.wall;
    let at = outerC + flow / film + flow / first;
    for (let i = 0; i < count; i += 1) {
      this.cells[k]![i] = at;
      if (i < count - 1) at += flow / between[i]!;
    }
  }

  /** Makes the hour's matrix ready: it is the same in the sun and in the shade. */
  private prepare(film: number): void {
    if (film === this.film) return;
    this.film = film;
    const { count, between, keeps, first } = this.wall;
    const { pivot, upper, inner } = this;
    this.outer = 1 / (1 / film + 1 / first);
    let left = this.outer;
    let above = 0;
    for (let i = 0; i < count; i += 1) {
      const right = i === count - 1 ? inner : between[i]!;
      const reciprocal = 1 / (keeps[i]! + left + right - left * above);
      pivot[i] = reciprocal;
      above = right * reciprocal;
      upper[i] = above;
      left = right;
    }
  }

  /** A step further, implicit in time. @param drives - outside in the shade, and what the sun adds to it, °C and K */
  step(drives: Float64Array, insideC: number, film: number): void {
    this.prepare(film);
    const { count, between, keeps } = this.wall;
    const { pivot, upper, outer, inner } = this;
    const last = count - 1;
    for (let k = 0; k < this.cells.length; k += 1) {
      const cells = this.cells[k]!;
      const drive = drives[k]!;
      const room = k === 0 ? insideC : 0;
      let at = (keeps[0]! * cells[0]! + outer * drive + (last === 0 ? inner * room : 0)) * pivot[0]!;
      cells[0] = at;
      for (let i = 1; i < last; i += 1) {
        at = (keeps[i]! * cells[i]! + between[i - 1]! * at) * pivot[i]!;
        cells[i] = at;
      }
      if (last > 0) {
        at = (keeps[last]! * cells[last]! + between[last - 1]! * at + inner * room) * pivot[last]!;
        cells[last] = at;
      }
      for (let i = last - 1; i >= 0; i -= 1) {
        at = cells[i]! + upper[i]! * at;
        cells[i] = at;
      }
      this.outside[k] = drive + (outer / film) * (cells[0]! - drive);
      this.inside[k] = room + (inner / INNER_FILM) * (cells[last]! - room);
    }
  }
}

const HOURS_A_DAY = 24;
const meanOf = (values: Float64Array) => {
  const day = values.subarray(0, HOURS_A_DAY);
  return day.reduce((sum, value) => sum + value, 0) / day.length;
};

/**
 * How walls of one kind follow their weather: one-dimensional conduction through two usual build-ups, each where it is sound
 * and where it has a fault, by finite volumes, implicit in time. It begins in balance with the first day.
 *
 * @param slower - times as slow as usual: heat capacities are multiplied by it, above 0
 *
 * Source: Incropera, Fundamentals of Heat and Mass Transfer, ch. 5; sol-air temperature, ASHRAE Fundamentals. Linear in
 * hours and façades.
 */
export function wallResponse(kind: Wall, weather: WallWeather, slower: number): WallResponse {
  const { outerC, film, insideC, sun } = weather;
  const hours = outerC.length;
  const arrays = () => sun.map(() => new Float64Array(hours));
  const response: WallResponse = {
    faceC: new Float64Array(hours),
    sunExcessK: arrays(),
    offInside: arrays(),
    offOutside: arrays(),
    shareInside: arrays(),
  };
  const builds = BUILD_UPS[kind];
  const steps = STEPS[kind];
  const part = 1 / (builds.length * steps);
  const drives = new Float64Array(sun.length + 1);
  for (const build of builds) {
    const [sound, fault] = [build.sound, build.fault].map((layers) => {
      const state = new WallState(cellsOf(layers, slower, steps), sun.length);
      const usual = meanOf(film);
      state.settle(0, meanOf(outerC), insideC, usual);
      sun.forEach((taken, k) => state.settle(k + 1, meanOf(taken) / usual, 0, usual));
      return state;
    }) as [WallState, WallState];
    const [peak, shareIn, shareOut] = [0, 0, 0].map(() => new Float64Array(sun.length)) as [
      Float64Array,
      Float64Array,
      Float64Array,
    ];
    for (let i = 0; i < hours; i += 1) {
      drives[0] = outerC[i]!;
      const flow = fault.flow(outerC[i]!, insideC, film[i]!) - sound.flow(outerC[i]!, insideC, film[i]!);
      for (let k = 0; k < sun.length; k += 1) peak[k] = sound.outside[k + 1]!;
      shareIn.fill(0);
      shareOut.fill(0);
      for (let step = 0; step < steps; step += 1) {
        const after = (step + 0.5) / steps - 0.5;
        for (let k = 0; k < sun.length; k += 1) drives[k + 1] = between(sun[k]!, i, after) / film[i]!;
        sound.step(drives, insideC, film[i]!);
        fault.step(drives, insideC, film[i]!);
        const shade = sound.inside[0]! - fault.inside[0]!;
        const shadeOut = fault.outside[0]! - sound.outside[0]!;
        response.faceC[i]! += part * sound.outside[0]!;
        for (let k = 0; k < sun.length; k += 1) {
          const inside = shareOf(shade + sound.inside[k + 1]! - fault.inside[k + 1]!, flow / INNER_FILM);
          const outside = shareOf(shadeOut + fault.outside[k + 1]! - sound.outside[k + 1]!, flow / film[i]!);
          peak[k] = Math.max(peak[k]!, sound.outside[k + 1]!);
          shareIn[k]! += inside / steps;
          shareOut[k]! += outside / steps;
        }
      }
      for (let k = 0; k < sun.length; k += 1) {
        response.sunExcessK[k]![i]! += peak[k]! / builds.length;
        response.shareInside[k]![i]! += shareIn[k]! / builds.length;
        response.offInside[k]![i]! += Math.abs(Math.log(shareIn[k]!)) / builds.length;
        response.offOutside[k]![i]! += Math.abs(Math.log(shareOut[k]!)) / builds.length;
      }
    }
  }
  return response;
}

/** Between the middles of hours, straight: the sun does not set at a full hour. What is dark in the middle is dark. @param after - of the middle of hour `i`, −0.5 … 0.5 h */
function between(values: Float64Array, i: number, after: number): number {
  const here = values[i]!;
  if (here === 0) return 0;
  const other = values[Math.min(values.length - 1, Math.max(0, after < 0 ? i - 1 : i + 1))]!;
  return here + Math.abs(after) * (other - here);
}

/** A contrast over that in balance. */
function shareOf(contrast: number, balanced: number): number {
  if (Math.abs(balanced) < LEAST_CONTRAST_K) return LEAST_SHARE;
  return Math.max(LEAST_SHARE, contrast / balanced);
}

/** Kinds of walls that a house has. */
export function kindsOf(walls: readonly Wall[]): Wall[] {
  return WALLS.filter((kind) => walls.includes(kind));
}

/** A sunny day on a wall: so much is taken up for so many hours, W/m²; then comes a still evening. */
const FULL_SUN = 360;
const SUNNY_H = 6;
/** Of such a day, Wh/m². */
export const FULL_SUN_WH = FULL_SUN * SUNNY_H;
const STILL_FILM = 10;
const LONGEST_H = 72;

/**
 * What a sunny day leaves on a wall, hour by hour through a still evening and on, K.
 *
 * @param slower - times as slow as usual, above 0
 * @returns from the hour in which the sun leaves; 72 of them
 */
export function excessAfterSun(kind: Wall, slower: number): Float64Array {
  // The first day begins in balance with its own mean, so that a day without sun comes before.
  const set = HOURS_A_DAY + SUNNY_H;
  const sun = Float64Array.from({ length: set + LONGEST_H }, (_, i) => (i >= HOURS_A_DAY && i < set ? FULL_SUN : 0));
  const level = new Float64Array(sun.length);
  const { sunExcessK } = wallResponse(kind, { outerC: level, film: level.map(() => STILL_FILM), insideC: 0, sun: [sun] }, slower);
  return sunExcessK[0]!.slice(set);
}

/**
 * How long after a sunny day a still evening shows it on a wall: until less than 1 K is left.
 *
 * @param slower - times as slow as usual, above 0
 * @returns hours, whole; at most 72
 */
export function hoursOfMemory(kind: Wall, slower: number): number {
  const over = excessAfterSun(kind, slower).findIndex((excess) => excess < 1);
  return over < 0 ? LONGEST_H : over;
}
