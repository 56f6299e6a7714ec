import { normalFrom, seededRandom } from '../../ground/random';
import { drawn, spreadOf } from '../../testing/uncertain';
import { computed, exact, isSignificant, linear, sharesOf, uncertain, uncertaintyOf } from './quantity';

const noise = (name: string, u: number) => ({ name, part: 'noise' as const, u });

test('an exact number has no uncertainty', () => {
  expect(uncertaintyOf(exact(3))).toMatchObject({ total: 0, interval: [3, 3] });
});

test('errors of their own add as squares, one that both name cancels in a difference', () => {
  const a = uncertain(10, noise('a', 3));
  const b = uncertain(4, noise('b', 4));
  const minus = (x: { a: number; b: number }) => x.a - x.b;
  expect(uncertaintyOf(computed({ a, b }, minus))).toMatchObject({ total: 5, noise: 5, interval: [-4, 16] });
  expect(uncertaintyOf(computed({ a, b: uncertain(4, noise('a', 3)) }, minus))).toMatchObject({ total: 0, interval: [6, 6] });
});

test('of one error that is stated twice the wider statement holds', () => {
  const sum = computed({ a: uncertain(0, noise('a', 1)), b: uncertain(0, noise('a', 2)) }, (x) => x.a + x.b);
  expect(sum.inputs).toEqual([noise('a', 2)]);
  expect(uncertaintyOf(sum).total).toBe(4);
});

test('parts are kept apart by what they are', () => {
  const q = linear(1, [
    { name: 'x', part: 'calibration', u: 2, per: 3 },
    { name: 'y', part: 'gain', u: 0.5, per: -4 },
  ]);
  expect(uncertaintyOf(q)).toMatchObject({ calibration: 6, gain: 2, total: Math.hypot(6, 2), noise: 0 });
});

test('limits are lopsided where the quantity is', () => {
  const inverse = computed({ x: uncertain(1, noise('x', 0.2)) }, ({ x }) => 1 / x);
  const { total, interval } = uncertaintyOf(inverse);
  expect(total).toBeCloseTo((1 / 0.8 - 1 / 1.2) / 2, 12);
  expect(interval[0]).toBeCloseTo(1 / 1.4, 12);
  expect(interval[1]).toBeCloseTo(1 / 0.6, 12);
});

test('where one side has no solution the limit on that side is open', () => {
  const root = computed({ x: uncertain(0.1, noise('x', 0.2)) }, ({ x }) => Math.sqrt(x));
  expect(root.at({ x: -0.2 })).toBeNaN();
  const { total, interval } = uncertaintyOf(root);
  expect(interval[0]).toBe(-Infinity);
  expect(interval[1]).toBeCloseTo(Math.sqrt(0.5), 12);
  expect(total).toBeCloseTo(Math.sqrt(0.3) - Math.sqrt(0.1), 12);
});

test('a difference means something when its interval leaves out 0', () => {
  const of = (value: number) => isSignificant(uncertaintyOf(uncertain(value, noise('d', 0.3))));
  expect([of(-0.61), of(0.59), of(0.61), of(0)]).toEqual([true, false, true, false]);
});

test('what a quantity owes to some of its inputs can be stored and used again', () => {
  const common = uncertain(5, { name: 'level', part: 'calibration', u: 1 });
  const found = computed({ common, own: uncertain(2, noise('own', 0.5)) }, (x) => x.common * x.own);
  const shares = sharesOf(found, ({ part }) => part === 'calibration');
  expect(shares).toEqual([{ name: 'level', part: 'calibration', u: 1, per: 2 }]);
  // Together with what shares the level, its error cancels as it did before.
  const difference = computed({ stored: linear(10, shares), common }, (x) => x.stored - 2 * x.common);
  expect(uncertaintyOf(difference).total).toBeCloseTo(0, 12);
});

test('a Monte Carlo of 20 000 draws agrees to 5 %', () => {
  const normal = normalFrom(seededRandom(4));
  const q = computed(
    { a: uncertain(3, noise('a', 0.1)), b: uncertain(2, noise('b', 0.05)), c: uncertain(1, noise('a', 0.1)) },
    ({ a, b, c }) => a * b - c * c,
  );
  expect(spreadOf(() => drawn(q, normal)) / uncertaintyOf(q).total).toBeCloseTo(1, 1);
});
