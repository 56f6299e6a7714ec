import { history, steady } from '../../testing/histories';
import { balancedLoss } from '../weather/wallFaces';
import { WALL_FAMILIES, type WallClass } from '../weather/wallFamilies';
import type { WallHistory } from '../weather/wallHistory';
import { lossChanges, type WorkSaid } from './lossChange';
import { type Standing, wallAt } from './wallModel';

const INSIDE: Standing = { side: 'inside', insideC: 20, outerC: 2, outsideC: 2 };
const STEADY = steady({ insideC: 20, outsideC: 2 });
const FRONT = history((ago) => ({ insideC: 20, outsideC: ago > 3 ? 14 : 2, sunWm2: 0 }));

interface Case {
  wall: WallClass;
  /** Loss of the wall around on both visits, of the place on both; as shares. */
  around: [number, number];
  place: [number, number];
  standing?: Standing;
  histories?: [WallHistory | null, WallHistory | null];
  work?: WorkSaid;
}

/** What both visits show in balance. */
function asked({ wall, around, place, standing = INSIDE, histories = [STEADY, STEADY], work = null }: Case) {
  const inside = standing.side === 'inside';
  const drive = (inside ? 1 : -1) * (standing.insideC - standing.outerC);
  const here = inside ? standing.insideC : standing.outerC;
  const visit = (v: 0 | 1) => ({
    wall: wallAt(wall, standing, histories[v]),
    levelC: here - around[v] * drive,
    levelU: 0.36,
    hereC: here,
    driveK: drive,
  });
  const against = (v: 0 | 1) => (around[v] - place[v]) * drive;
  const [change] = lossChanges([visit(0), visit(1)], null, work, [{ beforeK: against(0), afterK: against(1), u: 0.05 }])!;
  return change!;
}

const CLASSES: WallClass[] = ['light', 'brick', 'cavity', 'stone', 'masonry', 'unknown'];

test.each(CLASSES)(
  'in steady weather a place of %s that was filled is better by what it is, and one that was left is not',
  (wall) => {
    const filled = asked({ wall, around: [0.06, 0.06], place: [0.18, 0.08] }).likely;
    expect(filled.less).toBeCloseTo(0.1, 1);
    expect(filled.less).toBeGreaterThan(2 * filled.u);
    const left = asked({ wall, around: [0.06, 0.06], place: [0.18, 0.18] }).likely;
    expect(Math.abs(left.less)).toBeLessThan(2 * left.u);
    expect(Math.abs(left.less) + 2 * left.u).toBeLessThan(0.2 * left.lost);
  },
);

test('from a façade and from a loft less warmth is better', () => {
  for (const [side, outerC] of [
    ['outside', 2],
    ['loft', 4],
  ] as const) {
    // prettier-ignore
    const standing: Standing = { side, insideC: 20, outerC, outsideC: 2 };
    const { likely } = asked({ wall: 'light', standing, around: [0.03, 0.03], place: [0.12, 0.05] });
    expect(likely.less).toBeGreaterThan(2 * likely.u);
    expect(likely.less).toBeCloseTo(0.07, 1);
  }
});

describe('heat in the wall', () => {
  /** What a solid wall and its thin place show: in balance, and three hours after a front, nothing done. */
  const FAMILY = WALL_FAMILIES.brick[2]!;
  const at = (h: WallHistory, k: number) => wallAt('brick', INSIDE, h).families[2]!.faces[k]!;
  const frontPair = (wall: WallClass, histories: [WallHistory | null, WallHistory | null]) => {
    const visit = (v: 0 | 1, h: WallHistory) => ({
      wall: wallAt(wall, INSIDE, histories[v]),
      levelC: at(h, 2),
      levelU: 0.36,
      hereC: 20,
      driveK: 18,
    });
    const [change] = lossChanges([visit(0, STEADY), visit(1, FRONT)], null, null, [
      { beforeK: at(STEADY, 0) - at(STEADY, 2), afterK: at(FRONT, 0) - at(FRONT, 2), u: 0.05 },
    ])!;
    return change!.likely;
  };
  const plain = (h: WallHistory) => (20 - at(h, 0)) / 18;

  test('moves a place without any work by many times what instruments leave', () => {
    expect(plain(STEADY) - plain(FRONT)).toBeGreaterThan(0.05);
    expect(balancedLoss(FAMILY[0]!, { outer: 20, inner: 7.7 }, 'inner')).toBeCloseTo(plain(STEADY), 6);
  });

  test('is taken out under a told history', () => {
    const { less, u } = frontPair('brick', [STEADY, FRONT]);
    expect(Math.abs(less)).toBeLessThan(2 * u);
    expect(Math.abs(less)).toBeLessThan(0.03);
  });

  test('makes a massive or unknown wall without a history nothing that can be said', () => {
    for (const wall of ['brick', 'stone', 'unknown'] as const) {
      const { less, u, lost } = frontPair(wall, [null, null]);
      expect(Math.abs(less)).toBeLessThan(2 * u);
      expect(Math.abs(less) + 2 * u).toBeGreaterThan(0.2 * lost);
    }
  });
});

describe('a wall that was insulated as a whole, and a place that was left', () => {
  const whole: Case = { wall: 'brick', around: [0.26, 0.13], place: [0.32, 0.32], work: null };

  test('is better as a whole, and the place is not worse', () => {
    const { likely, otherwise } = asked(whole);
    expect(otherwise.probability).toBeLessThan(0.05);
    expect(likely.less).toBeGreaterThan(-2 * likely.u);
  });

  test('what was done is taken at its word where levels leave it open', () => {
    const small: Case = { wall: 'brick', around: [0.1, 0.07], place: [0.2, 0.2] };
    const [open, said] = [asked(small), asked({ ...small, work: 'whole-wall' })];
    expect(open.otherwise.probability).toBeGreaterThan(0.05);
    expect(Math.abs(said.likely.less)).toBeLessThan(2 * said.likely.u);
    // Only places were worked on, so that the wall around is the same and this place against it lost.
    const places = asked({ ...small, around: [0.1, 0.1], place: [0.2, 0.24], work: 'places' }).likely;
    expect(places.less).toBeLessThan(-2 * places.u);
  });
});

test('the same question gets the same answer', () => {
  const one: Case = { wall: 'unknown', around: [0.08, 0.08], place: [0.2, 0.15], histories: [null, STEADY] };
  expect(asked(one)).toEqual(asked(one));
});
