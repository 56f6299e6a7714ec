import { CoreError } from '../errors';

export const PIPE_MATERIALS = ['copper', 'steel', 'plastic'] as const;
export type PipeMaterial = (typeof PIPE_MATERIALS)[number];

/** Conductivity, W/(m·K), and what the bare surface emits when it is old and dull. */
const MATERIALS: Record<PipeMaterial, { words: string; conductivity: number; emissivity: number }> = {
  copper: { words: 'Copper', conductivity: 390, emissivity: 0.4 },
  steel: { words: 'Steel', conductivity: 50, emissivity: 0.8 },
  plastic: { words: 'Plastic', conductivity: 0.4, emissivity: 0.93 },
};
export const PIPE_WORDS = Object.fromEntries(PIPE_MATERIALS.map((one) => [one, MATERIALS[one].words])) as Record<
  PipeMaterial,
  string
>;

/** Still water, W/(m·K), and moving water, J/(kg·K). */
const WATER_WMK = 0.6;
const WATER_J_KGK = 4186;
/** Foam lagging, W/(m·K). */
const LAGGING_WMK = 0.037;
const STEFAN_BOLTZMANN = 5.67e-8;
/** Paint and plastic covers of lagging. */
const COVER_EMISSIVITY = 0.9;

/** A pipe as far as its heat goes. */
export interface PipeBuild {
  material: PipeMaterial;
  outerMm: number;
  wallMm: number;
  /** 0 is bare. */
  laggingMm: number;
}

/** Film of still air round a horizontal cylinder, convection (laminar) and radiation, W/(m²·K). */
function film(diameterM: number, excessK: number, airC: number, emissivity: number): number {
  const convection = 1.32 * (Math.max(1, excessK) / diameterM) ** 0.25;
  const radiation = 4 * emissivity * STEFAN_BOLTZMANN * (airC + 273.15 + excessK / 2) ** 3;
  return convection + radiation;
}

/**
 * Heat that a metre of pipe loses for each kelvin over the air, W/(m·K).
 *
 * @param excessK - of the water over the air
 */
export function lossPerMetre({ material, outerMm, laggingMm }: PipeBuild, excessK: number, airC: number): number {
  const outer = outerMm / 1000;
  if (laggingMm <= 0) return film(outer, excessK, airC, MATERIALS[material].emissivity) * Math.PI * outer;
  const cover = outer + (2 * laggingMm) / 1000;
  const lagging = Math.log(cover / outer) / (2 * Math.PI * LAGGING_WMK);
  // The cover is some kelvin above the air.
  return 1 / (lagging + 1 / (film(cover, 0.2 * excessK, airC, COVER_EMISSIVITY) * Math.PI * cover));
}

/** What conducts along a pipe with standing water in it: conductivity times area, W·m/K. */
function alongWmK({ material, outerMm, wallMm }: PipeBuild): number {
  const [outer, inner] = [outerMm / 1000, Math.max(0, outerMm - 2 * wallMm) / 1000];
  return (Math.PI / 4) * (MATERIALS[material].conductivity * (outer ** 2 - inner ** 2) + WATER_WMK * inner ** 2);
}

/**
 * Way after which a dead leg has lost 63 % of its excess by conduction alone, m: the square root of what conducts along over
 * what is lost. Right to about a quarter, because films are.
 */
export function deadLegLengthM(build: PipeBuild, excessK: number, airC: number): number {
  return Math.sqrt(alongWmK(build) / lossPerMetre(build, excessK, airC));
}

export interface PipePoint {
  /** Away from the closed valve, m. */
  m: number;
  celsius: number;
}

export type ValveVerdict = 'holds' | 'passes' | 'far-end' | 'cannot-say';

export interface ValveReading {
  verdict: ValveVerdict;
  /** Way after which the excess has fallen to 37 %, m, with its 95 % interval; Infinity is level. null where nothing was fitted. */
  lengthM: number | null;
  lengthLowM: number | null;
  lengthHighM: number | null;
  /** What conduction alone would show, m. */
  expectedM: number;
  /** Water that would explain it, l/h; 0 where it holds, null where it cannot be said. */
  litresHour: number | null;
}

/** Beyond so many lengths of conduction a fall is none of a dead leg. */
const TIMES_DEAD = 2;
/** Below this excess a point tells nothing, K. */
const LEAST_EXCESS_K = 1;
const FIRST_EXCESS_K = 6;
/** 97.5 % points of Student's t by degrees of freedom, 1 … 10. */
const T_95 = [12.7, 4.3, 3.18, 2.78, 2.57, 2.45, 2.36, 2.31, 2.26, 2.23];

/**
 * What pipe temperatures at steps away from a closed valve say of it: fading as conduction does, staying level because water
 * passes, or warm from the far end. The logarithm of the excess is fitted by a straight line, weighed by its uncertainty.
 *
 * @param points - three or more, at different places
 * @param uncertaintyK - of each reading (k = 1)
 * @throws CoreError `bad_input` for fewer places
 */
export function readValve(points: readonly PipePoint[], build: PipeBuild, airC: number, uncertaintyK: number): ValveReading {
  const sorted = points.toSorted((a, b) => a.m - b.m);
  if (new Set(sorted.map(({ m }) => m)).size < 3)
    throw new CoreError('bad_input', 'A valve is read at three places or more.', {}, 'Add a place farther along the pipe.');
  const first = sorted[0]!.celsius - airC;
  const most = Math.max(...sorted.map(({ celsius }) => celsius - airC));
  const expectedM = deadLegLengthM(build, Math.max(5, most), airC);
  const nothing = { lengthM: null, lengthLowM: null, lengthHighM: null, expectedM, litresHour: null };
  if (most < FIRST_EXCESS_K) return { verdict: 'cannot-say', ...nothing };
  // Warm from the far end: the last place is clearly warmer than the first.
  if (sorted.at(-1)!.celsius - sorted[0]!.celsius > 3 * uncertaintyK * Math.SQRT2) return { verdict: 'far-end', ...nothing };
  if (first < FIRST_EXCESS_K) return { verdict: 'cannot-say', ...nothing };
  const used = sorted.filter(({ celsius }) => celsius - airC >= LEAST_EXCESS_K);
  if (used.length < 3) {
    // Gone within two places: that is what conduction does, when the second lies far enough out.
    const next = sorted[1]!;
    const fell = Math.max(LEAST_EXCESS_K, next.celsius - airC);
    const lengthM = (next.m - sorted[0]!.m) / Math.log(first / fell);
    const dead = lengthM <= TIMES_DEAD * expectedM;
    return {
      verdict: dead ? 'holds' : 'cannot-say',
      lengthM,
      lengthLowM: null,
      lengthHighM: null,
      expectedM,
      litresHour: dead ? 0 : null,
    };
  }
  const fit = slopeOf(used.map(({ m, celsius }) => ({ x: m, y: Math.log(celsius - airC), u: uncertaintyK / (celsius - airC) })));
  const t = T_95[Math.min(T_95.length, used.length - 2) - 1]!;
  // Scatter tells the error where it is larger than the stated one.
  const half = Math.max(1.96 * fit.u, fit.scatter > 1 ? Math.min(t, 4.3) * fit.u * fit.scatter : 0);
  const lengthOf = (slope: number) => (slope < 0 ? -1 / slope : Infinity);
  const [lengthM, lengthLowM, lengthHighM] = [fit.slope, fit.slope - half, fit.slope + half].map(lengthOf) as [
    number,
    number,
    number,
  ];
  const limit = TIMES_DEAD * expectedM;
  const verdict = lengthHighM <= limit ? 'holds' : lengthLowM > limit ? 'passes' : 'cannot-say';
  const loss = lossPerMetre(build, first, airC);
  const flow = Number.isFinite(lengthM) ? (lengthM * loss - alongWmK(build) / lengthM) / WATER_J_KGK : Infinity;
  const litresHour = verdict === 'holds' ? 0 : verdict === 'passes' ? 3600 * Math.max(0, flow) : null;
  return { verdict, lengthM, lengthLowM, lengthHighM, expectedM, litresHour };
}

/** Weighted straight line: its slope, the slope's uncertainty, and how many times the scatter exceeds what was stated. */
function slopeOf(points: readonly { x: number; y: number; u: number }[]): { slope: number; u: number; scatter: number } {
  const weights = points.map(({ u }) => 1 / u ** 2);
  const sum = (of: (i: number) => number) => points.reduce((total, _, i) => total + weights[i]! * of(i), 0);
  const all = sum(() => 1);
  const [x, y] = [sum((i) => points[i]!.x) / all, sum((i) => points[i]!.y) / all];
  const spread = sum((i) => (points[i]!.x - x) ** 2);
  const slope = sum((i) => (points[i]!.x - x) * (points[i]!.y - y)) / spread;
  const left = sum((i) => (points[i]!.y - y - slope * (points[i]!.x - x)) ** 2);
  return { slope, u: 1 / Math.sqrt(spread), scatter: Math.sqrt(left / Math.max(1, points.length - 2)) };
}

/** Water of a zone that does not call is warmer than the air by this share of what it is when it calls: it lets by. */
const LETS_BY = 0.25;

/**
 * Whether a zone valve lets by, from the pipe beyond it with and without its call.
 *
 * @returns cannot-say where the pipe was hardly warm with the call
 */
export function readZone(onC: number | null, offC: number | null, airC: number): 'holds' | 'passes' | 'cannot-say' {
  if (onC === null || offC === null || onC - airC < FIRST_EXCESS_K) return 'cannot-say';
  return (offC - airC) / (onC - airC) > LETS_BY ? 'passes' : 'holds';
}

export interface HeatLoss {
  watts: number;
  /** With usual lagging, W: as thick as the pipe, at most 25 mm; of a cylinder 50 mm. */
  laggedW: number;
  kwhYear: number;
  saveKwhYear: number;
}

/** Heat that a run of pipe loses; ± about a fifth. */
export function pipeLoss(build: PipeBuild, lengthM: number, waterC: number, airC: number, hoursYear: number): HeatLoss {
  const excess = Math.max(0, waterC - airC);
  const watts = lossPerMetre(build, excess, airC) * excess * lengthM;
  const lagged = { ...build, laggingMm: Math.max(build.laggingMm, Math.min(25, build.outerMm)) };
  return losses(watts, lossPerMetre(lagged, excess, airC) * excess * lengthM, hoursYear);
}

/**
 * Heat that the jacket of a cylinder loses, from the temperature of its outside; ± about a quarter.
 *
 * @param areaM2 - of the outside
 * @param surfaceC - mean of the outside as the camera reads it
 */
export function cylinderLoss(areaM2: number, surfaceC: number, waterC: number, airC: number, hoursYear: number): HeatLoss {
  const excess = Math.max(0, surfaceC - airC);
  const watts = film(0.5, excess, airC, COVER_EMISSIVITY) * excess * areaM2;
  const further = 0.05 / LAGGING_WMK;
  const through = Math.max(1e-6, watts / areaM2);
  const inner = Math.max(0, waterC - surfaceC) / through;
  return losses(watts, ((waterC - airC) / (inner + further + 0.1)) * areaM2, hoursYear);
}

function losses(watts: number, laggedW: number, hoursYear: number): HeatLoss {
  const lagged = Math.min(watts, Math.max(0, laggedW));
  return {
    watts,
    laggedW: lagged,
    kwhYear: (watts * hoursYear) / 1000,
    saveKwhYear: ((watts - lagged) * hoursYear) / 1000,
  };
}
