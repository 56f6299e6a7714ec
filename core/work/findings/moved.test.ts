import { lookThrough } from '../../method/detect/candidate';
import { poseFor } from '../../method/simulate/pinhole';
import { renderScene } from '../../method/simulate/renderScene';
import type { Scene } from '../../method/simulate/scene';
import { boxAt, INSIDE, testWall } from '../../testing/testWall';
import { movedBetween } from './moved';
import { frameLookOf } from './seen';

const WIDTH = 320;
const HEIGHT = 240;
const look = (add: (x: number, y: number) => number) => frameLookOf(lookThrough(testWall(WIDTH, HEIGHT, add), INSIDE));
const bay = (dx: number) => boxAt(40 + dx, 60, 50, 90);
const body = (x: number) => boxAt(x, 90, 24, 60);
const indexOf = (found: ReturnType<typeof look>, sign: number) => found.candidates.findIndex((one) => one.sign === sign);

test('what goes with the surface stays, what goes another way moved', () => {
  const first = look((x, y) => -2 * bay(0)(x, y) + 3 * body(200)(x, y));
  const with_ = look((x, y) => -2 * bay(20)(x, y) + 3 * body(220)(x, y));
  const against = look((x, y) => -2 * bay(20)(x, y) + 3 * body(170)(x, y));
  expect(movedBetween(first, indexOf(first, 1), with_, WIDTH)).toBe('stayed');
  expect(movedBetween(first, indexOf(first, 1), against, WIDTH)).toBe('moved');
});

test('a camera that hardly moved tells of nothing that it stayed', () => {
  const first = look((x, y) => -2 * bay(0)(x, y) + 3 * body(200)(x, y));
  const again = look((x, y) => -2 * bay(4)(x, y) + 3 * body(204)(x, y));
  expect(movedBetween(first, indexOf(first, 1), again, WIDTH)).toBeNull();
});

test('where nothing shows how the surface moved, nothing is said', () => {
  const alone = look((x, y) => 3 * body(200)(x, y));
  expect(
    movedBetween(
      alone,
      0,
      look((x, y) => 3 * body(150)(x, y)),
      WIDTH,
    ),
  ).toBeNull();
  const both = look((x, y) => -2 * bay(0)(x, y) + 3 * body(200)(x, y));
  expect(
    movedBetween(
      both,
      indexOf(both, 1),
      look(() => 0),
      WIDTH,
    ),
  ).toBeNull();
});

test('who stands before foil is seen to move in it, from two stand-points of a simulated room', () => {
  const camera = {
    width: WIDTH,
    height: HEIGHT,
    noise: 0.05,
    uniformity: 0.02,
    own: { seed: 3, offset: 0, gain: 0, dead: 0 },
    blur: 0.7,
    fieldDeg: 42,
    minDistance: 0.1,
  };
  let right = 0;
  const scenes = 10;
  for (let seed = 1; seed <= scenes; seed += 1) {
    const scene: Scene = {
      seed,
      camera,
      pose: poseFor(2.6, { x: 1.5, y: 1.1 }, camera),
      side: 'inside',
      width: 3,
      height: 2.2,
      insideC: 20.5,
      outsideC: 1,
      humidityPct: 45,
      outerHumidityPct: 80,
      outerShare: 0.4,
      skyK: 0,
      sunK: 0,
      draught: { bottomM: -2, upright: true, windPa: 0 },
      factor: 0.93,
      emissivity: 0.95,
      reflectedC: 20.2,
      stratification: 0.8,
      paint: [200, 200, 190],
      features: [
        { kind: 'bay', x: 0.35, y: 0.5 + 0.02 * seed, width: 0.45, height: 0.9, strength: 0.1 },
        { kind: 'bay', x: 2.3, y: 0.3, width: 0.4, height: 0.6, strength: 0.08 },
        { kind: 'mirror', x: 1.1, y: 0.5, width: 0.9, height: 1.1, emissivity: 0.35 + 0.02 * seed, look: 'foil' },
      ],
    };
    const seenFrom = (aside: number) => {
      const frame = renderScene({ ...scene, pose: { ...scene.pose, aside } });
      return frameLookOf(lookThrough(frame, { ...INSIDE, drive: 19.5 }));
    };
    const [one, other] = [seenFrom(-0.25), seenFrom(0.35)];
    // The person in the mirror is the largest warm place.
    const warm = one.candidates.map((seen, i) => ({ seen, i })).filter(({ seen }) => seen.sign === 1);
    const person = warm.sort((a, b) => b.seen.area - a.seen.area)[0];
    if (person && movedBetween(one, person.i, other, WIDTH) === 'moved') right += 1;
    const cold = one.candidates.findIndex(({ sign }) => sign === -1);
    expect(movedBetween(one, cold, other, WIDTH)).not.toBe('moved');
  }
  expect(right).toBeGreaterThanOrEqual(0.95 * scenes);
});
