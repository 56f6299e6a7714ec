import type { CameraValue } from '../camera/cameraRow';
import type { RoomValue } from '../house/roomRow';
import type { Opening, SurfaceValue } from '../house/surfaceRow';
import type { Behind } from '../house/kinds';
import { drawHidden, STUD_FIRST, STUD_SPACING } from './hiddenFaults';
import { seededRandom } from './random';
import type { Feature, Scene } from './scene';
import type { Pose, SceneCamera } from './surface';

/** One surface of a house as the simulator knows it. */
export interface SimulatedSurface {
  id: string;
  surface: SurfaceValue;
  /** null outdoors. */
  room: RoomValue | null;
  /** Everything on it as somebody described it; null follows the house model and lets chance hide faults in it. */
  described: readonly Feature[] | null;
  weather: { insideC: number; outsideC: number; humidityPct: number };
}

/** Temperature factor of the inner side of sound surfaces, by what lies behind. */
const FACTORS: Record<Behind, number> = {
  outside: 0.9,
  unheated: 0.95,
  loft: 0.93,
  passage: 0.9,
  ground: 0.92,
  neighbour: 0.985,
  room: 0.995,
};

/** A heavy old wall loses more. */
const MASS_DROP = { light: 0, brick: 0.02, stone: 0.06 } as const;

/** A number from a text, so that the same surface is always the same (FNV-1a). */
export function seedFrom(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}

function openingFeature(opening: Opening, outdoors: boolean): Feature {
  const { kind, x, y, width, height } = opening;
  const box = { x, y, width, height };
  switch (kind) {
    case 'window':
      return { kind: 'window', ...box, paneFactor: 0.64 };
    case 'door':
      return { kind: 'door', ...box, factor: 0.74, threshold: outdoors ? 0.1 : 0.12 };
    case 'hatch':
      return { kind: 'panel', look: 'hatch', ...box, change: -0.05, rim: 0.12 };
    case 'cupboard':
      return { kind: 'panel', look: 'boards', ...box, change: -0.03, rim: 0 };
    case 'vent':
      return {
        kind: 'ring',
        look: 'fan',
        x: x + width / 2,
        y: y + height / 2,
        radius: Math.min(width, height) / 2,
        strength: 0.1,
      };
    case 'light':
      return { kind: 'ring', look: 'light', x: x + width / 2, y: y + height / 2, radius: width / 2, strength: 0 };
    case 'letter-plate':
      return { kind: 'ring', look: 'letter-plate', x: x + width / 2, y: y + height / 2, radius: width / 2, strength: 0 };
  }
}

/** Rooms that are warmed by a radiator under the window. */
const WITH_RADIATOR: readonly string[] = ['living', 'bedroom', 'kitchen'];

function radiatorUnder(surface: SurfaceValue, room: RoomValue | null): Feature[] {
  const window = surface.openings.find(({ kind }) => kind === 'window');
  if (!room || !WITH_RADIATOR.includes(room.kind) || !window || surface.behind !== 'outside') return [];
  const height = 0.5;
  const y = surface.heightM - height - 0.15;
  if (y < window.y + window.height) return [];
  return [{ kind: 'radiator', x: window.x + 0.1, y, width: Math.max(0.4, window.width - 0.2), height, flowC: 46, returnC: 38 }];
}

/** What everybody sees or expects on a surface: edges, studs, openings, a radiator. */
function knownFeatures({ surface, room, weather }: SimulatedSurface): Feature[] {
  const { kind, mass } = surface;
  const outdoors = room === null;
  const features: Feature[] = [];
  const bridge = outdoors ? 0.05 : surface.behind === 'room' || surface.behind === 'neighbour' ? 0.015 : 0.1;
  for (const at of ['ceiling', 'floor', 'left', 'right'] as const)
    features.push({ kind: 'edge', at, inset: 0, strength: bridge * (at === 'floor' ? 0.8 : 1), reach: 0.35 });
  if ((mass === 'light' || kind === 'ceiling') && !outdoors)
    features.push({ kind: 'studs', first: STUD_FIRST, spacing: STUD_SPACING, width: 0.05, strength: 0.024 });
  if (outdoors && mass === 'brick') features.push({ kind: 'net', what: 'mortar', spacing: 0.23, strength: 0.02 });
  features.push(...surface.openings.map((opening) => openingFeature(opening, outdoors)));
  if (weather.insideC > weather.outsideC) features.push(...radiatorUnder(surface, room));
  return features;
}

/** The simulator's camera from one on the shelf. Its optics blur over most of a pixel, as small lenses do. */
export function sceneCamera(
  camera: Pick<CameraValue, 'columns' | 'rows' | 'fieldDeg' | 'noiseK' | 'uniformityK' | 'minDistanceM'>,
): SceneCamera {
  return {
    width: camera.columns,
    height: camera.rows,
    noise: camera.noiseK,
    uniformity: camera.uniformityK,
    blur: 0.7,
    fieldDeg: camera.fieldDeg,
    minDistance: camera.minDistanceM,
  };
}

/**
 * The scene of one surface of a house before the camera: it follows the house model, with what is hidden in it.
 *
 * @param shot - counts pictures, so that no two have the same noise
 */
export function houseScene(simulated: SimulatedSurface, camera: SceneCamera, pose: Pose, shot: number): Scene {
  const { id, surface, room, described, weather } = simulated;
  const { insideC, outsideC, humidityPct } = weather;
  const inLoft = room?.kind === 'loft' && surface.kind === 'floor';
  const outdoors = room === null || inLoft;
  const random = seededRandom(seedFrom(id));
  const features =
    described ?? layered(knownFeatures(simulated), drawHidden({ surface, room, random, cooled: insideC < outsideC }));
  const light = 0.92 + 0.08 * random();
  return {
    seed: (seedFrom(id) + shot * 7919) >>> 0,
    camera,
    pose,
    width: surface.widthM,
    height: surface.heightM,
    side: outdoors ? 'outside' : 'inside',
    insideC,
    outsideC: inLoft ? outsideC + 2 : outsideC,
    humidityPct,
    factor:
      FACTORS[room === null ? 'outside' : surface.behind] -
      (surface.behind === 'outside' || room === null ? MASS_DROP[surface.mass] : 0),
    emissivity: room === null ? 0.93 : 0.95,
    // Outdoors half of what is mirrored is ground, half is sky.
    reflectedC: room === null ? outsideC - 6 : inLoft ? outsideC + 2 : insideC - 0.5,
    stratification: outdoors ? 0 : surface.kind === 'wall' ? 0.45 * surface.heightM : 0.2,
    paint:
      room === null
        ? [168 * light, 120 * light, 98 * light]
        : surface.kind === 'floor'
          ? [160, 130, 100]
          : [222 * light, 214 * light, 198 * light],
    features,
  };
}

/** What lies behind the lining: openings and what stands before the wall cover it. */
const BEHIND_LINING: ReadonlySet<Feature['kind']> = new Set([
  'bare',
  'bay',
  'damp',
  'duct',
  'edge',
  'joints',
  'line',
  'nest',
  'net',
  'patch',
  'slump',
  'stripe',
  'studs',
]);

/** Known and hidden features in the order in which they cover each other; a hidden window stands for the one that is seen. */
function layered(known: Feature[], found: Feature[]): Feature[] {
  const kept = known.filter((feature) => !replaced(feature, found));
  const behind = (feature: Feature) => BEHIND_LINING.has(feature.kind);
  return [
    ...kept.filter(behind),
    ...found.filter(behind),
    ...kept.filter((feature) => !behind(feature)),
    ...found.filter((feature) => !behind(feature)),
  ];
}

function replaced(feature: Feature, by: readonly Feature[]): boolean {
  if (feature.kind !== 'window' && feature.kind !== 'ring') return false;
  return by.some((other) => other.kind === feature.kind && other.x === feature.x && other.y === feature.y);
}
