import type { CameraValue } from '../../model/cameraRow';
import type { RoomValue } from '../../model/roomRow';
import type { Opening, SurfaceValue } from '../../model/surfaceRow';
import type { Behind } from '../../model/houseKinds';
import { drawHidden, STUD_FIRST, STUD_SPACING } from './hiddenFaults';
import { normalFrom, seededRandom } from '../../ground/random';
import type { EmitterFeature } from '../../method/simulate/features/emitter';
import type { Feature, Scene } from '../../method/simulate/scene';
import { loftSide, outerSide, type SimulatedWeather } from '../../method/simulate/sceneWeather';
import type { OwnErrors, Pose, SceneCamera } from '../../method/simulate/surface';

/** One surface of a house as the simulator knows it. */
export interface SimulatedSurface {
  id: string;
  surface: SurfaceValue;
  /** null outdoors. */
  room: RoomValue | null;
  /** Everything on it as somebody described it; null follows the house model and what chance has hidden in it. */
  described: readonly Feature[] | null;
  /** What chance has hidden, drawn once. */
  hidden: readonly Feature[];
  /** Radiators on it of a heating system that is practised on; null where a house has none. */
  emitters: readonly EmitterFeature[] | null;
  /** Somebody closed gaps of it within the visit. */
  sealed: boolean;
  /** Lowest storey of the house, and how many it has. */
  storeys: { lowest: number; count: number };
  weather: SimulatedWeather;
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

/** A roof over a loft that was insulated. */
const ROOF_FACTOR = 0.98;
/** From floor to floor, m. */
const STOREY_M = 2.6;

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
    case 'wheel-arch':
      return { kind: 'panel', look: 'boards', ...box, change: -0.08, rim: 0.04 };
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
function knownFeatures({ surface, room, weather, emitters }: SimulatedSurface): Feature[] {
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
  if (emitters) features.push(...emitters);
  else if (weather.insideC > weather.outsideC) features.push(...radiatorUnder(surface, room));
  return features;
}

/**
 * What is wrong with one camera for good: offset and slope as its data sheet allows, always the same for the same camera.
 *
 * @param key - names the camera
 */
export function ownErrors(key: string, { calibrationK, gain }: Pick<CameraValue, 'calibrationK' | 'gain'>): OwnErrors {
  const seed = seedFrom(key);
  const random = seededRandom(seed);
  const normal = normalFrom(random);
  const within = () => Math.max(-MOST, Math.min(MOST, normal()));
  return { seed, offset: calibrationK * within(), gain: gain * within(), dead: DEAD_SHARE };
}

/** Cameras that are further off are sent back. */
const MOST = 1.8;
/** Some pixels of ten thousand answer wrongly. */
const DEAD_SHARE = 1.5e-4;

/** The simulator's camera from one on the shelf. */
export function sceneCamera(
  camera: Pick<CameraValue, 'columns' | 'rows' | 'fieldDeg' | 'noiseK' | 'uniformityK' | 'minDistanceM' | 'blurPx'>,
  own: OwnErrors,
): SceneCamera {
  return {
    width: camera.columns,
    height: camera.rows,
    noise: camera.noiseK,
    uniformity: camera.uniformityK,
    own,
    blur: camera.blurPx,
    fieldDeg: camera.fieldDeg,
    minDistance: camera.minDistanceM,
  };
}

/** What chance hides in a surface, the first time that somebody looks: the same surface gets the same. */
export function hiddenIn({
  id,
  surface,
  room,
  weather,
}: Pick<SimulatedSurface, 'id' | 'surface' | 'room' | 'weather'>): Feature[] {
  return drawHidden({
    surface,
    room,
    random: seededRandom(seedFrom(id)),
    cooled: weather.insideC < weather.outsideC,
  });
}

/**
 * The scene of one surface of a house before the camera: it follows the house model, with what is hidden in it.
 *
 * @param shot - counts pictures, so that no two have the same noise
 */
export function houseScene(simulated: SimulatedSurface, camera: SceneCamera, pose: Pose, shot: number): Scene {
  const { id, surface, room, described, hidden, sealed, weather, storeys } = simulated;
  const { insideC, humidityPct } = weather;
  const inLoft = room?.kind === 'loft' && surface.kind === 'floor';
  const outdoors = room === null || inLoft;
  const outsideC = inLoft ? weather.outsideC + 2 : weather.outsideC;
  const { windPa, ...outer } = inLoft ? loftSide(outsideC) : outerSide(surface, weather);
  const light = 0.92 + 0.08 * seededRandom(seedFrom(`${id} light`))();
  const cooled = insideC < weather.outsideC;
  return {
    seed: (seedFrom(id) + shot * 7919) >>> 0,
    camera,
    pose,
    width: surface.widthM,
    height: surface.heightM,
    side: outdoors ? 'outside' : 'inside',
    insideC,
    outsideC,
    humidityPct,
    ...outer,
    draught: {
      bottomM: bottomOf(simulated) - (STOREY_M * storeys.count) / 2,
      upright: surface.kind === 'wall' || surface.kind === 'facade',
      windPa,
    },
    factor: factorOf(surface, room === null),
    emissivity: room === null ? 0.93 : 0.95,
    reflectedC: outdoors ? outer.reflectedC : insideC - 0.5,
    stratification: outdoors ? 0 : surface.kind === 'wall' ? 0.45 * surface.heightM : 0.2,
    paint:
      room === null
        ? [168 * light, 120 * light, 98 * light]
        : surface.kind === 'floor'
          ? [160, 130, 100]
          : [222 * light, 214 * light, 198 * light],
    features: (
      described ??
      layered(
        knownFeatures(simulated),
        hidden.filter((feature) => isThere(feature, surface, cooled)),
      )
    ).map((feature) => (sealed ? tightened(feature) : feature)),
  };
}

/** What a strip or sealant leaves of a gap. */
const LEFT_OPEN = 0.12;

/** A gap that was closed; what is no gap stays as it is. */
function tightened(feature: Feature): Feature {
  if (feature.kind === 'door') return { ...feature, threshold: LEFT_OPEN * feature.threshold };
  if (feature.kind !== 'leak' && feature.kind !== 'ring' && feature.kind !== 'joints') return feature;
  return { ...feature, strength: LEFT_OPEN * feature.strength };
}

/** Lower edge of a surface above the ground, m. */
function bottomOf({ surface, room, storeys }: SimulatedSurface): number {
  if (room === null) return surface.kind === 'roof' ? STOREY_M * storeys.count : 0;
  const floor = STOREY_M * (room.storey - storeys.lowest);
  return surface.kind === 'ceiling' ? floor + room.heightM : floor;
}

function factorOf(surface: SurfaceValue, outdoors: boolean): number {
  if (surface.kind === 'roof') return ROOF_FACTOR;
  const behind = outdoors ? 'outside' : surface.behind;
  return FACTORS[behind] - (behind === 'outside' ? MASS_DROP[surface.mass] : 0);
}

/** Whether a hidden thing shows now: heating pipes are cold while a house is cooled, and what was in an opening went with it. */
function isThere(feature: Feature, { openings }: SurfaceValue, cooled: boolean): boolean {
  if (feature.kind === 'line' && feature.what === 'hot-pipe') return !cooled;
  if (feature.kind === 'window')
    return openings.some(({ kind, x, y }) => kind === 'window' && x === feature.x && y === feature.y);
  if (feature.kind !== 'ring' || feature.look === 'socket' || feature.look === 'fan') return true;
  return openings.some(({ kind, x, width }) => kind === feature.look && x + width / 2 === feature.x);
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
