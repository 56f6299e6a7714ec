import { STAND_IN_CAMERA } from '../../../model/standInCamera';
import { findTails } from '../../heating/findTails';
import { facePattern, findFace } from '../../heating/pattern';
import { standOff } from '../../radiometry/optics';
import type { EmitterFeature } from '../features/emitter';
import { houseScene, ownErrors, sceneCamera, type SimulatedSurface } from '../../../work/practice/houseScene';
import { renderScene } from '../renderScene';
import { practiceAt, type PracticeEvents, type PracticeHouse } from './practice';
import { SIGNAL_HOUSE } from './signalHouse';

const MINUTE = 60_000;
const house: PracticeHouse = {
  ...SIGNAL_HOUSE,
  looks: Object.fromEntries(
    SIGNAL_HOUSE.radiators.map(({ id, ratedW }, i) => [
      id,
      { widthM: ratedW / 1400, heightM: 0.6, sludge: id === 'dining-room' ? 0.2 : 0, flowEnd: i % 2 ? 'right' : 'left' },
    ]),
  ),
};
const found = Object.fromEntries(SIGNAL_HOUSE.radiators.map(({ id, turnsOpen }, i) => [id, i % 3 === 0 ? turnsOpen : 1.25]));
const events = (change: Partial<PracticeEvents> = {}): PracticeEvents => ({
  onAt: 0,
  found,
  turned: [],
  bled: [],
  agitatedAt: null,
  flushedAt: null,
  ...change,
});

/** A frame of one radiator by the stand-in camera, apparent temperatures. */
function frameOf(id: string, at: number, change: Partial<PracticeEvents> = {}) {
  const state = practiceAt(house, events(change), at).get(id)!;
  const { widthM, heightM, ...rest } = state;
  const feature: EmitterFeature = { kind: 'emitter', ...rest, x: 1.6, y: 2.5 - 0.16 - heightM, width: widthM, height: heightM };
  const wall: SimulatedSurface = {
    id: 'wall',
    surface: {
      siteId: '',
      roomId: 'room',
      name: 'Wall',
      kind: 'wall',
      azimuth: 165,
      mass: 'stone',
      behind: 'outside',
      widthM: 4.5,
      heightM: 2.5,
      openings: [],
      otherSideId: null,
      ordinal: 0,
    },
    room: null,
    described: null,
    hidden: [],
    emitters: [feature],
    sealed: false,
    storeys: { lowest: 0, count: 2 },
    weather: {
      insideC: 19.5,
      outsideC: 3,
      humidityPct: 46,
      windMs: 2,
      windFromDeg: null,
      cloudPct: 90,
      sun: null,
      sunHours: 20,
    },
  };
  const camera = STAND_IN_CAMERA.value;
  const pose = { aim: { x: 1.6 + widthM / 2, y: 2.08 }, distance: standOff(camera, Math.max(1, 1.45 * widthM)), aside: 0 };
  const scene = houseScene(
    {
      ...wall,
      room: {
        siteId: '',
        name: 'Room',
        kind: 'living',
        storey: 0,
        plan: { x: 0, y: 0, width: 4, depth: 4 },
        heightM: 2.5,
        heated: null,
        ordinal: 0,
      },
    },
    sceneCamera(camera, ownErrors('a', camera)),
    pose,
    1,
  );
  return { state, frame: renderScene(scene) };
}

test('faces show what the system does: late, air until it is bled, sludge until it is flushed, even', () => {
  const patternOf = (id: string, minutes: number, change: Partial<PracticeEvents> = {}) => {
    const { frame, state } = frameOf(id, minutes * MINUTE, change);
    const face = findFace(frame, 19.5, state.widthM / state.heightM);
    expect(face).not.toBeNull();
    return facePattern(frame, face!, { airC: 19.5, flowC: state.flowC, returnC: null, minutesOn: minutes }).pattern;
  };
  expect(patternOf('back-bedroom', 90)).toBe('cold-top');
  expect(patternOf('back-bedroom', 90, { bled: [{ id: 'back-bedroom', at: 60 * MINUTE }] })).toBe('even');
  expect(patternOf('dining-room', 90)).toBe('cold-bottom');
  expect(patternOf('dining-room', 90, { flushedAt: 40 * MINUTE })).toBe('even');
  expect(patternOf('kitchen', 90)).toBe('even');
  expect(patternOf('front-room', 3)).toBe('still-warming');
});

test('tails are found at both ends, the flow by its warmth, and read what the water has', () => {
  for (const { id } of SIGNAL_HOUSE.radiators) {
    const { frame, state } = frameOf(id, 120 * MINUTE);
    const face = findFace(frame, 19.5)!;
    const tails = findTails(frame, face);
    expect(`${id} ${tails?.flowEnd}`).toBe(`${id} ${state.flowEnd}`);
    const mean = ({ x, y, width, height }: typeof face) => {
      let sum = 0;
      for (let j = y; j < y + height; j += 1) for (let i = x; i < x + width; i += 1) sum += frame.values[j * frame.width + i]!;
      return sum / width / height;
    };
    const drop = mean(tails!.flow) - mean(tails!.return);
    expect(Math.abs(drop - (state.flowC - state.returnC))).toBeLessThan(1.5);
  }
});

test('before the heat comes on, all is as cold as its room', () => {
  const cold = practiceAt(house, events({ onAt: null }), 5 * MINUTE).get('hall')!;
  expect([cold.flowC, cold.returnC, cold.reach]).toEqual([19, 19, 0]);
  const early = practiceAt(house, events({ onAt: 10 * MINUTE }), 5 * MINUTE).get('hall')!;
  expect(early.flowC).toBe(19);
});

test('a turn acts from its moment on, and a little less here is a little more elsewhere', () => {
  const at = 180 * MINUTE;
  const free = practiceAt(house, events(), at);
  const turned = practiceAt(house, events({ turned: [{ id: 'hall', at: 60 * MINUTE, to: 0.75 }] }), at);
  const drop = (state: typeof free, id: string) => state.get(id)!.flowC - state.get(id)!.returnC;
  expect(drop(turned, 'hall')).toBeGreaterThan(drop(free, 'hall') + 3);
  expect(drop(turned, 'bathroom')).toBeLessThan(drop(free, 'bathroom'));
  const later = practiceAt(house, events({ turned: [{ id: 'hall', at: 200 * MINUTE, to: 0.75 }] }), at);
  expect(drop(later, 'hall')).toBeCloseTo(drop(free, 'hall'), 9);
});

test('a bright valve shows the room, the painted pipe below it the water', () => {
  const { state, frame } = frameOf('hall', 120 * MINUTE);
  const face = findFace(frame, 19.5)!;
  const tails = findTails(frame, face)!;
  const { x, y, height } = tails.flow;
  const at = (row: number) => frame.values[row * frame.width + x]!;
  const pipe = at(y + Math.floor(height / 2));
  const valve = at(face.y + face.height + 4);
  expect(Math.abs(pipe - state.flowC)).toBeLessThan(4);
  // Nearly all that it shows is what it mirrors.
  expect(valve).toBeLessThan(35);
  expect(pipe - valve).toBeGreaterThan(15);
});

test('what was done later changes nothing before it', () => {
  const at = 60 * MINUTE;
  const plain = practiceAt(house, events(), at);
  const later = practiceAt(
    house,
    events({
      turned: [{ id: 'hall', at: at + 1, to: 0.5 }],
      bled: [{ id: 'back-bedroom', at: at + 1 }],
      agitatedAt: at + 1,
      flushedAt: at + 2,
    }),
    at,
  );
  for (const { id } of SIGNAL_HOUSE.radiators) {
    expect(later.get(id)!.returnC).toBeCloseTo(plain.get(id)!.returnC, 9);
    expect(later.get(id)!.air).toBe(plain.get(id)!.air);
    expect(later.get(id)!.sludge).toBe(plain.get(id)!.sludge);
  }
});
