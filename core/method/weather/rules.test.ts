import fc from 'fast-check';
import { along, BEAM, DEW, GAIN, RULES, type Curve } from './rules';

const curves: [string, Curve][] = [
  ...(['usual', 'strict'] as const).flatMap((strictness) =>
    (['difference', 'wind', 'windInside', 'sunExcess', 'following', 'wetness'] as const).map((name): [string, Curve] => [
      `${strictness} ${name}`,
      RULES[strictness][name],
    ]),
  ),
  ['beam', BEAM],
  ['gain', GAIN],
  ['dew', DEW],
];

test.each(curves)('%s goes one way, stays between 0 and 1, and is level beyond its ends', (name, curve) => {
  const rising = name.includes('difference') || name === 'gain' || name === 'dew';
  const from = curve[0]![0] - 5;
  const to = curve.at(-1)![0] + 5;
  const values = Array.from({ length: 2000 }, (_, i) => along(curve, from + ((to - from) * i) / 1999));
  const steps = values.slice(1).map((value, i) => value - values[i]!);
  expect(values.every((value) => value >= 0 && value <= 1)).toBe(true);
  // Rounding may turn the last digit; no small change of the weather turns an hour over.
  expect(steps.every((step) => (rising ? step >= -1e-12 : step <= 1e-12))).toBe(true);
  expect(Math.max(...steps.map(Math.abs))).toBeLessThan(0.02);
  expect(along(curve, -1e9)).toBe(curve[0]![1]);
  expect(along(curve, 1e9)).toBe(curve.at(-1)![1]);
});

test('a curve goes through its points and straight between them', () => {
  const curve: Curve = [
    [0, 1],
    [4, 0.5],
    [6, 0],
  ];
  expect([0, 2, 4, 5, 6].map((x) => along(curve, x))).toEqual([1, 0.75, 0.5, 0.25, 0]);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 6, noNaN: true }), (x) => {
      expect(along(curve, x)).toBeCloseTo(x <= 4 ? 1 - x / 8 : (6 - x) / 4, 10);
    }),
  );
});

test('practice says yes from 10 K, up to 5 m/s and less than 2 K of sun; the strict school from 15 K, up to 3 m/s and 1 K', () => {
  const { usual, strict } = RULES;
  expect([along(usual.difference, 10), along(usual.wind, 5), along(usual.sunExcess, 1.8)]).toEqual([0.75, 0.75, 0.75]);
  expect([along(strict.difference, 15), along(strict.wind, 3), along(strict.sunExcess, 1)]).toEqual([0.75, 0.75, 0.75]);
});

test('the strict school never thinks better of an hour', () => {
  for (let x = 0; x <= 40; x += 0.5)
    for (const name of ['difference', 'wind', 'windInside', 'sunExcess', 'following', 'wetness'] as const)
      expect(along(RULES.strict[name], x)).toBeLessThanOrEqual(along(RULES.usual[name], x) + 1e-12);
});
