import { lookThrough } from '../../method/detect/candidate';
import type { EarlierStop, VisitDocument } from '../../model/document';
import { boxAt, INSIDE, testWall } from '../../testing/testWall';
import { ID, visitDocument } from '../../testing/visit';
import { emptyFinding } from '../../model/findingRow';
import { argueFrame } from './argue';
import { lastTimeSays, otherSideFrameOf, otherSideSays, repeatsInHouse } from './related';
import { frameLookOf, type FrameLook } from './seen';

const WIDTH = 160;
const HEIGHT = 120;
const BEHIND = '0192f0a0-0000-7000-8000-0000000000b1';
const look = (at: (x: number, y: number) => number, side: 'inside' | 'outside' = 'inside') =>
  frameLookOf(lookThrough(testWall(WIDTH, HEIGHT, at), { ...INSIDE, side }));
const bay = boxAt(60, 40, 30, 50);
const COLD_BAY = look((x, y) => -2 * bay(x, y));
const WARM_BAY = look((x, y) => 1.5 * bay(x, y), 'outside');
const CLEAN = look(() => 0, 'outside');

/** One frame of a wall inside, one of its other side, in a house with the air noted. */
function visit(): VisitDocument {
  const document = structuredClone(visitDocument());
  const { rows, frameFacts } = document;
  for (const id of [ID.frame, ID.other]) Object.assign(frameFacts[id]!, { width: WIDTH, height: HEIGHT });
  rows.surface[BEHIND] = structuredClone(rows.surface[ID.surface]!);
  Object.assign(rows.surface[BEHIND], { id: BEHIND });
  Object.assign(rows.surface[BEHIND]!.value, { roomId: null, otherSideId: ID.surface });
  rows.surface[ID.surface]!.value.otherSideId = BEHIND;
  Object.assign(rows.frame[ID.frame]!.value, { surfaceId: ID.surface, stopKey: 'wall', referenceId: null });
  Object.assign(rows.frame[ID.other]!.value, { surfaceId: BEHIND, side: 'outside' });
  rows.region = {};
  rows.finding = {};
  Object.assign(Object.values(rows.conditions)[0]!.value, { insideC: 20, outsideC: 2, humidityPct: 50 });
  return document;
}

describe('the other side', () => {
  test('is the frame of the surface behind, not a discarded one', () => {
    const document = visit();
    expect(otherSideFrameOf(document, ID.frame)).toBe(ID.other);
    expect(otherSideFrameOf(document, ID.other)).toBe(ID.frame);
    document.rows.frame[ID.other]!.value.discarded = true;
    expect(otherSideFrameOf(document, ID.frame)).toBeNull();
    const alone = visit();
    alone.rows.surface[ID.surface]!.value.otherSideId = null;
    expect(otherSideFrameOf(alone, ID.frame)).toBeNull();
  });

  const says = (other: FrameLook, seen = COLD_BAY.candidates[0]!) =>
    otherSideSays(visit(), ID.frame, seen, { frameId: ID.other, look: other });

  test('agrees where the same thing stands out the other way round', () => {
    expect(says(WARM_BAY)).toBe('other-side-agrees');
  });

  test('differs where nothing stands out that would have', () => {
    expect(says(CLEAN)).toBe('other-side-differs');
  });

  test('says nothing of what outdoors is too weak to be seen', () => {
    const weak = { ...COLD_BAY.candidates[0]!, peak: -1.2 };
    expect(says(CLEAN, weak)).toBeNull();
  });

  test('says nothing where it shows another form', () => {
    const line = look((x) => (Math.abs(x - 40) < 2 ? 2 : 0), 'outside');
    expect(line.candidates).toHaveLength(1);
    expect(says(line)).toBeNull();
  });

  test('moves the ranking of missing insulation up and down', () => {
    const score = (other: FrameLook) =>
      argueFrame(visit(), ID.frame, COLD_BAY, {
        partner: null,
        otherSide: { frameId: ID.other, look: other },
        lastTime: null,
      })[0]!.ranked.find(({ cause }) => cause.code === 'missing-insulation')!.score;
    expect(score(WARM_BAY)).toBeGreaterThan(score(CLEAN));
  });
});

describe('the last visit', () => {
  const seen = COLD_BAY.candidates[0]!;
  const earlier = (answer: EarlierStop['answer']): VisitDocument => {
    const document = visit();
    document.earlier = { wall: { visitId: 'v', startedAt: 0, answer, note: '', open: [], frame: null } };
    return document;
  };

  test('saw it: the same place in the frame that was aimed alike', () => {
    expect(lastTimeSays(visit(), ID.frame, seen, COLD_BAY)).toBe('same-last-time');
    const shifted = look((x, y) => -2 * boxAt(72, 44, 30, 50)(x, y));
    expect(lastTimeSays(visit(), ID.frame, seen, shifted)).toBe('same-last-time');
  });

  test('did not see it: nothing like it was near', () => {
    expect(
      lastTimeSays(
        visit(),
        ID.frame,
        seen,
        look(() => 0),
      ),
    ).toBe('new-since-last-time');
    expect(
      lastTimeSays(
        visit(),
        ID.frame,
        seen,
        look((x, y) => 2 * bay(x, y)),
      ),
    ).toBe('new-since-last-time');
  });

  test('cannot say: something like it lies half a picture away, or is of another size', () => {
    const tiny = look((x, y) => -2 * boxAt(68, 60, 8, 8)(x, y));
    expect(lastTimeSays(visit(), ID.frame, seen, tiny)).toBeNull();
  });

  test('without a frame its answer counts: nothing to see then is new now, an answer that something was seen says too little', () => {
    expect(lastTimeSays(earlier('nothing'), ID.frame, seen, null)).toBe('new-since-last-time');
    expect(lastTimeSays(earlier('seen'), ID.frame, seen, null)).toBeNull();
    expect(lastTimeSays(visit(), ID.frame, seen, null)).toBeNull();
    expect(argueFrame(earlier('nothing'), ID.frame, COLD_BAY)[0]!.argued.circumstances).toContain('new-since-last-time');
  });
});

describe('other rooms of the house', () => {
  const evidence = argueFrame(visit(), ID.frame, COLD_BAY)[0]!.argued.measured.evidence;

  /** Findings like the candidate in so many other rooms. */
  function house(rooms: number, tone: 'colder' | 'warmer' = 'colder'): VisitDocument {
    const document = visit();
    const { argued } = argueFrame(document, ID.frame, COLD_BAY)[0]!;
    for (let k = 0; k < rooms; k += 1) {
      const roomId = `0192f0a0-0000-7000-8000-0000000001${String(k).padStart(2, '0')}`;
      const surface = structuredClone(document.rows.surface[ID.surface]!);
      document.rows.surface[`s${k}`] = { ...surface, id: `s${k}`, value: { ...surface.value, roomId } };
      const frame = structuredClone(document.rows.frame[ID.frame]!);
      document.rows.frame[`f${k}`] = { ...frame, id: `f${k}`, value: { ...frame.value, surfaceId: `s${k}`, roomId } };
      const value = { ...emptyFinding(ID.visit), frameId: `f${k}`, argued: structuredClone(argued) };
      value.argued.measured.evidence = { ...value.argued.measured.evidence, tone };
      document.rows.finding[`n${k}`] = { id: `n${k}`, version: 1, value } as VisitDocument['rows']['finding'][string];
    }
    return document;
  }

  test('repeat it when two of them have findings of the same form and tone on the same kind of surface', () => {
    expect(repeatsInHouse(house(1), ID.frame, evidence)).toBe(false);
    expect(repeatsInHouse(house(2), ID.frame, evidence)).toBe(true);
    expect(repeatsInHouse(house(2, 'warmer'), ID.frame, evidence)).toBe(false);
    const ceilings = house(2);
    for (const k of [0, 1]) ceilings.rows.surface[`s${k}`]!.value.kind = 'ceiling';
    expect(repeatsInHouse(ceilings, ID.frame, evidence)).toBe(false);
  });

  test('speak for what is built alike', () => {
    const known = (rooms: number) => argueFrame(house(rooms), ID.frame, COLD_BAY)[0]!.argued.circumstances;
    expect(known(2)).toContain('repeats-in-house');
    expect(known(0)).not.toContain('repeats-in-house');
  });
});
