import { inverse, product } from '../../compare/maps';
import { normalFrom, seededRandom } from '../../../ground/random';
import { homographyThrough, type Homography } from '../../../ground/homography';
import type { Point } from '../../../ground/point';
import { pinhole, poseFor } from '../pinhole';
import { renderScene } from '../renderScene';
import type { Feature, Scene } from '../scene';
import type { Pose, SceneCamera } from '../surface';

/** One wall before and after work, from nearly the same place, with truth. */
export interface WallPair {
  before: Scene;
  after: Scene;
  /** Takes a pixel of the earlier frame to the later one. */
  transform: Homography;
  /** Places on the earlier frame: what was fixed and what was not, pixels, with what the work did to the factor. */
  places: { name: string; x: number; y: number; width: number; height: number; change: number }[];
}

export interface WallPairOptions {
  /** Columns of the earlier and the later camera. */
  columns?: readonly [number, number];
  /** Air outside on both visits, °C. */
  outsideC?: readonly [number, number];
  /** How far the second look is from the first: shares of the view aside, up, in depth. */
  away?: number;
  /** Nothing but the wall's studs, which repeat. */
  bare?: boolean;
}

const WIDTH_M = 4;
const HEIGHT_M = 3;
const FIELD_DEG = 45;
const STRENGTH = 0.1;

function camera(columns: number, seed: number): SceneCamera {
  return {
    width: columns,
    height: (3 * columns) / 4,
    noise: 0.05,
    uniformity: 0.02,
    own: { seed, offset: 0.2 * Math.sin(seed), gain: 0, dead: 0 },
    blur: 0.7,
    fieldDeg: FIELD_DEG,
    minDistance: 0.1,
  };
}

/** @param seed - the same seed gives the same pair */
export function wallPair(
  seed: number,
  { columns = [320, 320], outsideC = [0, 4], away = 1, bare = false }: WallPairOptions = {},
): WallPair {
  const random = seededRandom(seed);
  const normal = normalFrom(random);
  const draw = (low: number, high: number) => low + (high - low) * random();
  const studs: Feature = { kind: 'studs', first: draw(0.1, 0.5), spacing: 0.6, width: 0.05, strength: 0.025 };
  // Insulation is nowhere quite even: that is what a wall is known by again.
  const texture = Array.from({ length: bare ? 0 : 60 }, (): Feature => ({
    kind: 'patch',
    x: draw(0, WIDTH_M),
    y: draw(0, HEIGHT_M),
    radius: draw(0.08, 0.3),
    strength: 0.006 * normal(),
  }));
  const sockets = Array.from({ length: bare ? 0 : 4 }, (): Feature => ({
    kind: 'ring',
    look: 'socket',
    x: draw(0.2, WIDTH_M - 0.2),
    y: draw(0.3, HEIGHT_M - 0.3),
    radius: 0.05,
    strength: draw(0.03, 0.08),
  }));
  const bays = [0, 1].map((k): Extract<Feature, { kind: 'bay' }> => ({
    kind: 'bay',
    x: 0.6 + 1.6 * k + draw(0, 0.3),
    y: draw(0.7, 1.1),
    width: 0.54,
    height: draw(0.7, 1.1),
    strength: STRENGTH,
  }));
  const fixed = [{ ...bays[0]!, strength: 0.02 }, bays[1]!];
  const rest = [studs, ...texture, ...sockets];
  const scene = (which: 0 | 1, features: Feature[], pose: Pose): Scene => ({
    seed: 2 * seed + which,
    camera: camera(columns[which], seed + which),
    pose,
    side: 'inside',
    width: WIDTH_M,
    height: HEIGHT_M,
    insideC: 20,
    outsideC: outsideC[which],
    humidityPct: 45,
    outerHumidityPct: 70,
    outerShare: 0.4,
    skyK: 0,
    sunK: 0,
    draught: { bottomM: 0, upright: true, windPa: 0 },
    factor: 0.9,
    emissivity: 0.95,
    reflectedC: 20,
    stratification: 0.3,
    paint: [200, 200, 190],
    features,
  });
  const first = poseFor(0.8 * WIDTH_M, { x: WIDTH_M / 2, y: HEIGHT_M / 2 }, camera(columns[0], 0));
  const second: Pose = {
    aim: { x: first.aim.x + away * draw(-0.25, 0.25), y: first.aim.y + away * draw(-0.15, 0.15) },
    distance: first.distance * (1 + away * draw(-0.06, 0.06)),
    aside: away * draw(-0.4, 0.4),
  };
  const [before, after] = [
    scene(0, bare ? rest : [...rest, ...bays], first),
    scene(1, bare ? rest : [...rest, ...fixed], second),
  ];
  const [toWall, toWallLater] = [onWall(before), onWall(after)];
  const seen = inverse(toWall)!;
  return {
    before,
    after,
    transform: product(inverse(toWallLater)!, toWall),
    places: bays.map((bay, k) => {
      const at = (x: number, y: number) => placeOf(seen, [x, y]);
      // Well inside, away from what blur does to a rim.
      const [x0, y0] = at(bay.x + 0.1, bay.y + 0.1);
      const [x1, y1] = at(bay.x + bay.width - 0.1, bay.y + bay.height - 0.1);
      return {
        name: k === 0 ? 'filled' : 'left',
        x: Math.ceil(x0),
        y: Math.ceil(y0),
        width: Math.floor(x1) - Math.ceil(x0),
        height: Math.floor(y1) - Math.ceil(y0),
        change: k === 0 ? STRENGTH - 0.02 : 0,
      };
    }),
  };
}

function placeOf(h: Homography, [x, y]: Point): [number, number] {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w];
}

/** Where pixels of a scene look at the wall, m. */
function onWall({ pose, camera: { fieldDeg, width, height } }: Scene): Homography {
  const { look } = pinhole(pose, { fieldDeg }, width, height);
  const corners: Point[] = [
    [0, 0],
    [width - 1, 0],
    [0, height - 1],
    [width - 1, height - 1],
  ];
  const points = corners.map(([x, y]): Point => {
    const at = { x: 0, y: 0, wide: 0, high: 0, cos: 1 };
    look(x, y, at);
    return [at.x, at.y];
  });
  return homographyThrough(corners, points)!;
}

/** Both frames of a pair. */
export function rendered({ before, after }: WallPair) {
  return [renderScene(before), renderScene(after)] as const;
}
