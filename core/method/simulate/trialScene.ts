import { dewPointFromHumidity } from '../../ground/saturation';
import { pinhole, poseFor } from './pinhole';
import type { Feature, Scene } from './scene';
import type { SceneCamera } from './surface';

/** A scene for a trial of the detector, with the cause that was put into it; null for one that holds nothing. */
export interface Trial {
  scene: Scene;
  /** What is to be found, one of the scene's features; null for nothing. */
  made: Feature | null;
}

/** Cameras of trials: columns, rows, noise, field of view. */
const CAMERAS = [
  [80, 60, 0.1, 45],
  [160, 120, 0.07, 55],
  [256, 192, 0.06, 45],
  [320, 240, 0.06, 42],
  [384, 288, 0.05, 34],
  [640, 480, 0.05, 30],
] as const;

type Draw = (low: number, high: number) => number;

interface Wall {
  side: 'inside' | 'outside';
  width: number;
  height: number;
  studs: { first: number; spacing: number } | null;
  window: { x: number; y: number; width: number; height: number } | null;
  /** Height of the ceiling's edge in view, m from the top; null when it is not in view. */
  ceiling: number | null;
  insideC: number;
  outsideC: number;
  humidityPct: number;
}

/** What a trial puts on a wall for each cause; null where such a wall cannot have it. */
const MAKERS: Record<string, (wall: Wall, draw: Draw) => Feature | null> = {
  'air-leak'(wall, draw) {
    const { window, ceiling, side } = wall;
    const way = draw(0, 1);
    const reach = draw(0.2, 0.6);
    if (window && way < 0.4) {
      const below = draw(0, 1) < 0.7 && side === 'inside';
      return {
        kind: 'leak',
        x: window.x + draw(0.1, 0.9) * window.width,
        y: below ? window.y + window.height + 0.02 : window.y - 0.02,
        direction: below ? draw(75, 105) : draw(255, 285),
        reach,
        strength: draw(0.2, 0.5),
      };
    }
    if (ceiling !== null && way < 0.75)
      return {
        kind: 'leak',
        x: draw(0.15, 0.85) * wall.width,
        y: ceiling + 0.01,
        direction: draw(70, 110),
        reach,
        strength: draw(0.2, 0.5),
      };
    // Away from edges and openings air comes in seldom: such a wall is drawn anew three times of four.
    if (way < 0.88 && draw(0, 1) < 0.75) return null;
    if (way < 0.88) return { kind: 'leak', ...spot(wall, draw), direction: draw(60, 120), reach, strength: draw(0.2, 0.5) };
    return {
      kind: 'ring',
      look: draw(0, 1) < 0.5 ? 'light' : 'socket',
      ...spot(wall, draw),
      radius: draw(0.05, 0.11),
      strength: draw(0.18, 0.35),
    };
  },
  'missing-insulation'(wall, draw) {
    const width = wall.studs ? wall.studs.spacing - 0.05 : draw(0.35, 0.7);
    const height = draw(0.4, 1.3);
    return {
      kind: 'bay',
      x: bayAt(wall, draw, width),
      y: draw(0.15 + (wall.ceiling ?? 0), Math.max(0.3, wall.height - height - 0.1)),
      width,
      height,
      strength: draw(0.05, 0.16),
    };
  },
  'slumped-insulation'(wall, draw) {
    const width = wall.studs ? wall.studs.spacing - 0.05 : draw(0.35, 0.6);
    if (wall.side === 'outside') return null;
    const top = wall.ceiling ?? ABOVE_VIEW;
    return {
      kind: 'slump',
      x: bayAt(wall, draw, width),
      y: top,
      width,
      height: draw(0.35, 0.9),
      strength: draw(0.06, 0.17),
      rim: draw(0.04, 0.4),
    };
  },
  'insulation-contact': (wall, draw) => ({
    kind: 'patch',
    ...spot(wall, draw),
    radius: draw(0.2, 0.45),
    strength: draw(0.04, 0.09),
  }),
  'thermal-bridge'(wall, draw) {
    const way = draw(0, 1);
    if (way < 0.3 && wall.side === 'inside')
      return {
        kind: 'edge',
        at: draw(0, 1) < 0.5 ? 'left' : 'right',
        inset: draw(0.15, 0.5),
        strength: draw(0.16, 0.3),
        reach: draw(0.25, 0.55),
      };
    const thin = draw(0.06, 0.16);
    if (way < 0.65)
      return {
        kind: 'stripe',
        x: -1,
        y: draw(0.25, 0.8) * wall.height,
        width: wall.width + 2,
        height: thin,
        strength: draw(0.06, 0.14),
      };
    return {
      kind: 'stripe',
      x: draw(0.15, 0.85) * wall.width,
      y: -1,
      width: thin,
      height: wall.height + 2,
      strength: draw(0.06, 0.14),
    };
  },
  moisture: (wall, draw) => ({
    kind: 'damp',
    ...spot(wall, draw),
    radius: draw(0.12, 0.4),
    wetness: draw(0.35, 0.95),
    middle: draw(0, 0.9),
  }),
  condensation(wall, draw) {
    if (wall.side === 'outside' || wall.insideC < wall.outsideC) return null;
    const dew = dewPointFromHumidity(wall.insideC, wall.humidityPct / 100);
    return { kind: 'film', ...spot(wall, draw), width: draw(0.05, 0.15), height: draw(0.4, 0.9), metalC: dew - draw(0.5, 4) };
  },
  'hot-pipe': (wall, draw) => ({
    kind: 'line',
    what: 'hot-pipe',
    points: way(wall, draw),
    spread: draw(0.025, 0.06),
    strength: draw(1.2, 4),
  }),
  'cold-pipe': (wall, draw) =>
    wall.side === 'outside'
      ? null
      : { kind: 'line', what: 'cold-pipe', points: way(wall, draw), spread: draw(0.025, 0.06), strength: draw(0.9, 2.2) },
  cable: (wall, draw) =>
    wall.side === 'outside'
      ? null
      : { kind: 'line', what: 'cable', points: way(wall, draw), spread: draw(0.015, 0.03), strength: draw(0.6, 1.1) },
  'duct-or-flue'(wall, draw) {
    if (wall.side === 'outside') return null;
    const running = draw(0, 1) < 0.5;
    const airC = wall.insideC < wall.outsideC ? draw(12, 15) : draw(36, 46);
    if (draw(0, 1) < 0.35)
      return { kind: 'register', ...spot(wall, draw), width: 0.3, height: 0.15, airC, reach: draw(0.2, 0.4) };
    return { kind: 'duct', x: draw(0.15, 0.75) * wall.width, width: draw(0.2, 0.4), running, airC };
  },
  glazing: ({ window, side }) =>
    window && side === 'inside' ? { kind: 'window', ...window, paneFactor: 0.64, failed: 'left' } : null,
  reflection: (wall, draw) =>
    wall.side === 'outside'
      ? null
      : {
          kind: 'mirror',
          ...spot(wall, draw),
          width: draw(0.3, 0.6),
          height: draw(0.4, 0.7),
          emissivity: draw(0.2, 0.6),
          look: 'foil',
        },
  sun(wall, draw) {
    return {
      kind: 'sun-patch',
      ...spot(wall, draw),
      width: draw(0.6, 1.6),
      height: draw(0.5, 1.2),
      warmK: draw(1.5, 6),
      cut: draw(0.1, 0.7),
    };
  },
  appliance: (wall, draw) =>
    wall.side === 'outside' ? null : { kind: 'fitting', ...spot(wall, draw), radius: draw(0.03, 0.08), warmK: draw(3, 12) },
  convection: (wall, draw) =>
    wall.side === 'outside'
      ? null
      : { kind: 'streak', x: spot(wall, draw).x, y: wall.height - draw(0.3, 1), reach: draw(0.4, 0.9), warmK: draw(0.9, 2) },
  insects: (wall, draw) => ({ kind: 'nest', ...spot(wall, draw), warmK: draw(1.2, 2.5) }),
  framing(wall, draw) {
    const down = { x: draw(0.1, 0.4) * wall.width, y: wall.height };
    return {
      kind: 'line',
      what: 'brace',
      points: [down, { x: down.x + draw(0.8, 2), y: 0 }],
      spread: draw(0.03, 0.05),
      strength: draw(0.045, 0.07),
    };
  },
  'leftover-warmth': (wall, draw) =>
    wall.side === 'outside' ? null : { kind: 'print', ...spot(wall, draw), radius: draw(0.06, 0.25), warmK: draw(0.8, 3) },
  'intended-opening': (wall, draw) => {
    const size = { width: draw(0.15, 0.3), height: draw(0.1, 0.22) };
    return { kind: 'grille', ...spot(wall, draw), ...size, air: wall.side === 'outside' ? draw(0.5, 1) : draw(0.3, 0.8) };
  },
  furniture: (wall, draw) =>
    wall.side === 'outside'
      ? null
      : {
          kind: 'panel',
          look: 'picture',
          ...spot(wall, draw),
          width: draw(0.3, 0.8),
          height: draw(0.3, 0.9),
          change: draw(0.04, 0.09),
          rim: 0,
        },
};

/** Causes that trials can draw. */
export const TRIAL_CAUSES = Object.keys(MAKERS);

function spot(wall: Wall, draw: Draw) {
  const top = wall.ceiling ?? 0;
  return { x: draw(0.2, 0.8) * wall.width, y: top + draw(0.2, 0.75) * (wall.height - top) };
}

function bayAt({ studs, width }: Wall, draw: Draw, bay: number): number {
  if (!studs) return draw(0.1, 0.9) * Math.max(0.2, width - bay);
  const bays = Math.max(1, Math.floor((width - studs.first) / studs.spacing) - 1);
  return studs.first + 0.025 + Math.floor(draw(0, bays)) * studs.spacing;
}

/** Where no ceiling is seen, a bay goes on above the picture, m. */
const ABOVE_VIEW = -0.2;

/** Up, along and up again, as pipes and cables run. */
function way(wall: Wall, draw: Draw) {
  const x = draw(0.15, 0.85) * wall.width;
  const y = draw(0.3, 0.7) * wall.height;
  const to = draw(0.15, 0.85) * wall.width;
  const straight = draw(0, 1) < 0.25;
  if (straight)
    return [
      { x, y: wall.height + 0.3 },
      { x, y: -0.3 },
    ];
  const points = [
    { x, y: wall.height + 0.3 },
    { x, y },
    { x: to, y },
  ];
  return draw(0, 1) < 0.6 ? [...points, { x: to, y: -0.3 }] : points;
}

/**
 * Draws a scene for a trial: any camera, either season, either side, framed or massive, with windows, heaters and corners as they
 * come, and one thing to find (or none, or two).
 *
 * @param cause - what is to be found; null for nothing
 * @returns null where the wall that was drawn cannot have it: draw again
 */
export function trialScene(random: () => number, seed: number, cause: string | null): Trial | null {
  const draw: Draw = (low, high) => low + random() * (high - low);
  const chance = (share: number) => random() < share;
  const [columns, rows, noise, fieldDeg] = CAMERAS[Math.floor(random() * CAMERAS.length)]!;
  const side = chance(cause === 'sun' ? 0.7 : 0.22) ? 'outside' : 'inside';
  const cooled = chance(0.22);
  const insideC = cooled ? draw(22, 25) : draw(18.5, 22);
  const outsideC = cooled ? draw(31, 38) : draw(-6, 6);
  const humidityPct = draw(38, 62);
  const viewWidth = draw(1.8, 4);
  const [width, height] = [viewWidth, (viewWidth * rows) / columns];
  const ceiling = side === 'inside' && chance(0.35) ? draw(0.08, 0.2) * height : null;
  const framed = chance(0.8);
  const studs = framed ? { first: draw(0.05, 0.4), spacing: draw(0.4, 0.65) } : null;
  const window = chance(cause === 'glazing' ? 1 : 0.25)
    ? {
        x: draw(0.1, 0.6) * width,
        y: (ceiling ?? 0) + draw(0.1, 0.3) * height,
        width: draw(0.25, 0.4) * width,
        height: draw(0.25, 0.4) * height,
      }
    : null;
  const wall: Wall = { side, width, height, studs, window, ceiling, insideC, outsideC, humidityPct };
  const made = cause === null ? null : MAKERS[cause]!(wall, draw);
  if (cause !== null && !made) return null;
  const features: Feature[] = [];
  if (ceiling !== null)
    features.push({ kind: 'edge', at: 'ceiling', inset: ceiling, strength: draw(0.02, 0.04), reach: draw(0.15, 0.35) });
  if (studs)
    features.push({ kind: 'studs', ...studs, width: 0.045, strength: side === 'inside' ? draw(0.012, 0.028) : draw(0.02, 0.05) });
  if (!framed && side === 'outside' && chance(0.5))
    features.push({ kind: 'net', what: 'mortar', spacing: 0.23, strength: 0.015 });
  if (made) features.push(made);
  if (window && cause !== 'glazing') features.push({ kind: 'window', ...window, paneFactor: draw(0.6, 0.75) });
  if (!cooled && side === 'inside' && chance(0.15))
    features.push({
      kind: 'radiator',
      x: draw(0.1, 0.5) * width,
      y: 0.68 * height,
      width: 0.3 * width,
      height: 0.24 * height,
      flowC: draw(40, 60),
      returnC: draw(32, 40),
    });
  const camera: SceneCamera = {
    width: columns,
    height: rows,
    noise: noise * draw(0.8, 1.5),
    uniformity: draw(0.01, 0.04),
    own: { seed: Math.floor(draw(1, 1e6)), offset: draw(-1, 1), gain: draw(-0.01, 0.01), dead: draw(0, 3e-4) },
    blur: draw(0.6, 1),
    fieldDeg,
    minDistance: 0.1,
  };
  const aim = { x: width / 2, y: height / 2 };
  const aside = chance(0.25) ? draw(-0.6, 0.6) : 0;
  const square = poseFor(width, aim, camera);
  const scene: Scene = {
    seed,
    camera,
    pose: { ...square, aside },
    side,
    width,
    height,
    insideC,
    outsideC,
    humidityPct,
    outerHumidityPct: draw(55, 90),
    outerShare: draw(0.3, 0.55),
    skyK: side === 'outside' ? draw(0, 1.5) : 0,
    sunK: 0,
    draught: { bottomM: cooled ? draw(0, 2) : draw(-4, -1.5), upright: true, windPa: draw(-1, 1) },
    factor: draw(0.88, 0.97),
    emissivity: draw(0.932, 0.96),
    reflectedC: side === 'inside' ? insideC - draw(0, 0.8) : outsideC - draw(1, 12),
    stratification: side === 'inside' ? draw(0.2, 1.6) : draw(-0.3, 0.3),
    paint: [200, 200, 190],
    features,
  };
  // A pose from far aside sees past the wall: such a trial says nothing.
  const sight = pinhole(scene.pose, camera, columns, rows);
  const at = { x: 0, y: 0, wide: 0, high: 0, cos: 1 };
  return sight.look(0, 0, at) && sight.look(columns - 1, rows - 1, at) ? { scene, made } : null;
}
