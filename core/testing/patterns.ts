import { poseFor } from '../method/simulate/pinhole';
import type { SimulatedWeather } from '../method/simulate/sceneWeather';
import type { Feature, Scene } from '../method/simulate/scene';
import type { OwnErrors, SceneCamera } from '../method/simulate/surface';

/** One row of the handbook's table of patterns, as a picture that can be rendered. */
export interface Pattern {
  /** As the handbook says it. */
  pattern: string;
  features: Feature[];
  /** The last feature's cause, or null when it is normal and no fault. */
  cause: string | null;
  /** Sign of the change that it makes in a heated house; null where it has both. */
  sign: -1 | 1 | null;
  change?: Partial<Scene>;
}

/** A camera that is off by nothing for good. */
export const FAULTLESS: OwnErrors = { seed: 1, offset: 0, gain: 0, dead: 0 };

/** The outer side of a ground floor in calm, covered, sunless weather. */
export const SHELTERED = {
  outerHumidityPct: 80,
  outerShare: 0.35,
  skyK: 0,
  sunK: 0,
  draught: { bottomM: -3.5, upright: true, windPa: 0 },
} satisfies Partial<Scene>;

/** A calm evening in winter of which nobody noted sky, sun and wind. */
export const CALM: SimulatedWeather = {
  insideC: 20,
  outsideC: 0,
  humidityPct: 50,
  windMs: 1,
  windFromDeg: null,
  cloudPct: null,
  sun: null,
  sunHours: null,
};

export const PATTERN_CAMERA: SceneCamera = {
  width: 80,
  height: 60,
  noise: 0.05,
  uniformity: 0.08,
  own: FAULTLESS,
  blur: 0.7,
  fieldDeg: 50,
  minDistance: 0.3,
};

/** A wall of 3.2 × 2.4 m that fills the picture, on a cold evening. */
export function patternScene({ features, change }: Pick<Pattern, 'features' | 'change'>): Scene {
  return {
    seed: 7,
    camera: PATTERN_CAMERA,
    pose: poseFor(3.2, { x: 1.6, y: 1.2 }, PATTERN_CAMERA),
    width: 3.2,
    height: 2.4,
    side: 'inside',
    insideC: 20,
    outsideC: 0,
    humidityPct: 50,
    ...SHELTERED,
    factor: 0.9,
    emissivity: 0.95,
    reflectedC: 19.5,
    stratification: 0.8,
    paint: [222, 214, 198],
    features,
    ...change,
  };
}

const window: Feature = { kind: 'window', x: 1, y: 0.5, width: 1.2, height: 1.2, paneFactor: 0.64 };
const box = { x: 0.93, y: 0.5, width: 0.54, height: 1.2 };
const at = { x: 1.4, y: 1.1 };
const way = [
  { x: 0.6, y: 2.4 },
  { x: 0.6, y: 1 },
  { x: 2.6, y: 1 },
];

export const PATTERNS: Pattern[] = [
  {
    pattern: 'Feathered plume from an edge or joint',
    features: [window, { kind: 'leak', x: 1.05, y: 1.72, direction: 80, reach: 0.5, strength: 0.4 }],
    cause: 'air-leak',
    sign: -1,
  },
  {
    pattern: 'Lines between floorboards, at skirting',
    features: [{ kind: 'joints', spacing: 0.14, reach: 0.8, strength: 0.2 }],
    cause: 'air-leak',
    sign: -1,
  },
  {
    pattern: 'Straight-sided rectangle between framing lines',
    features: [
      { kind: 'studs', first: 0.3, spacing: 0.6, width: 0.05, strength: 0.03 },
      { kind: 'bay', ...box, strength: 0.14 },
    ],
    cause: 'missing-insulation',
    sign: -1,
  },
  {
    pattern: 'Upper part of a bay, or along the eaves',
    features: [{ kind: 'slump', ...box, y: 0.05, strength: 0.15 }],
    cause: 'slumped-insulation',
    sign: -1,
  },
  {
    pattern: 'Patch with insulation known to be there',
    features: [{ kind: 'patch', ...at, radius: 0.35, strength: 0.08 }],
    cause: 'insulation-contact',
    sign: -1,
  },
  { pattern: 'Even but poor wall', features: [{ kind: 'bare', strength: 0.12 }], cause: 'missing-insulation', sign: -1 },
  {
    pattern: 'Evenly spaced thin lines',
    features: [{ kind: 'studs', first: 0.3, spacing: 0.6, width: 0.05, strength: 0.03 }],
    cause: null,
    sign: -1,
  },
  {
    pattern: 'Single slanting or cross line',
    features: [
      {
        kind: 'line',
        what: 'brace',
        points: [
          { x: 0.2, y: 2.4 },
          { x: 2.4, y: 0 },
        ],
        spread: 0.05,
        strength: 0.04,
      },
    ],
    cause: null,
    sign: -1,
  },
  { pattern: 'Dots on lines', features: [{ kind: 'net', what: 'fixings', spacing: 0.6, strength: 0.16 }], cause: null, sign: -1 },
  { pattern: 'Net of joints', features: [{ kind: 'net', what: 'mortar', spacing: 0.23, strength: 0.05 }], cause: null, sign: -1 },
  {
    pattern: 'Smooth gradient into a corner or floor edge',
    features: [{ kind: 'edge', at: 'left', inset: 0, strength: 0.2, reach: 0.5 }],
    cause: 'thermal-bridge',
    sign: -1,
  },
  {
    pattern: 'Straight stripe at ceiling edge, lintel, slab edge',
    features: [{ kind: 'stripe', x: 0, y: 0, width: 3.2, height: 0.18, strength: 0.1 }],
    cause: 'thermal-bridge',
    sign: -1,
  },
  {
    pattern: 'Blotchy patch, soft irregular rim, colder than the air',
    features: [{ kind: 'damp', ...at, radius: 0.4, wetness: 0.9 }],
    cause: 'moisture',
    sign: -1,
  },
  {
    pattern: 'Film or drops on a cold pipe',
    features: [{ kind: 'film', x: 1.4, y: 0.4, width: 0.1, height: 1.6, metalC: 7 }],
    cause: 'condensation',
    sign: -1,
  },
  {
    pattern: 'Thin warm line with soft sides',
    features: [{ kind: 'line', what: 'hot-pipe', points: way, spread: 0.05, strength: 3 }],
    cause: 'hot-pipe',
    sign: 1,
  },
  {
    pattern: 'Thin cool line with soft sides',
    features: [{ kind: 'line', what: 'cold-pipe', points: way, spread: 0.05, strength: 1.2 }],
    cause: 'cold-pipe',
    sign: -1,
  },
  {
    pattern: 'Thin warm line of a cable under load',
    features: [{ kind: 'line', what: 'cable', points: way, spread: 0.03, strength: 1.2 }],
    cause: 'cable',
    sign: 1,
  },
  {
    pattern: 'Wide straight stripe, full height, running',
    features: [{ kind: 'duct', x: 1.2, width: 0.35, running: true, airC: 45 }],
    cause: 'duct-or-flue',
    sign: 1,
  },
  {
    pattern: 'Wide straight stripe, full height, idle',
    features: [{ kind: 'duct', x: 1.2, width: 0.35, running: false, airC: 45 }],
    cause: 'duct-or-flue',
    sign: -1,
  },
  {
    pattern: 'Patch beside a register',
    features: [{ kind: 'register', x: 1, y: 0.3, width: 0.35, height: 0.2, airC: 45, reach: 0.4 }],
    cause: 'duct-or-flue',
    sign: 1,
  },
  {
    pattern: 'Warm spot in a fan or fitting',
    features: [{ kind: 'fitting', ...at, radius: 0.06, warmK: 8 }],
    cause: 'appliance',
    sign: 1,
  },
  {
    pattern: 'Pane or shiny patch with odd shapes',
    features: [{ kind: 'mirror', x: 1.2, y: 0.7, width: 0.8, height: 1, emissivity: 0.2, look: 'foil' }],
    cause: 'reflection',
    sign: 1,
  },
  {
    pattern: 'Whole façade warm on one side',
    features: [{ kind: 'sun', until: 1.6, share: 1 }],
    cause: 'sun',
    sign: 1,
    change: { side: 'outside', emissivity: 0.93, reflectedC: -8, stratification: 0, sunK: 3 },
  },
  { pattern: 'A failed pane beside a sound one', features: [{ ...window, failed: 'left' }], cause: 'glazing', sign: -1 },
  {
    pattern: 'Ring round a recessed light',
    features: [{ kind: 'ring', look: 'light', ...at, radius: 0.08, strength: 0.25 }],
    cause: 'air-leak',
    sign: -1,
  },
  {
    pattern: 'Ring round a letter plate',
    features: [{ kind: 'ring', look: 'letter-plate', ...at, radius: 0.13, strength: 0.25 }],
    cause: 'air-leak',
    sign: -1,
  },
  {
    pattern: 'Ring round a hatch',
    features: [{ kind: 'panel', look: 'hatch', x: 1.1, y: 0.8, width: 0.8, height: 0.6, change: -0.04, rim: 0.15 }],
    cause: 'air-leak',
    sign: -1,
  },
  { pattern: 'Small warm spots in timber or a cavity', features: [{ kind: 'nest', ...at, warmK: 2 }], cause: 'insects', sign: 1 },
  {
    pattern: 'Warm streak rising from something',
    features: [{ kind: 'streak', x: 1.5, y: 1.7, reach: 0.7, warmK: 1.5 }],
    cause: 'convection',
    sign: 1,
  },
  {
    pattern: 'Snow melted or thin on part of a roof',
    features: [{ kind: 'snow', x: 1, y: 0.7, width: 1, height: 0.8, strength: 0.2 }],
    cause: 'missing-insulation',
    sign: null,
    change: { side: 'outside', outsideC: -4, reflectedC: -20, factor: 0.98 },
  },
];
