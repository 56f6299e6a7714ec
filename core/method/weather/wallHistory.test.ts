import fc from 'fast-check';
import { history, steady } from '../../testing/histories';
import { drivesOf, historyProblem } from './wallHistory';
import { offBalance } from './offBalance';
import { WALLS } from './wallMemory';

const NOW = { insideC: 20, outsideC: 2 };

describe('a history', () => {
  test('is laid on steps of ten minutes, straight between its rows, to the frame', () => {
    const { outerC, innerC } = drivesOf(
      history((ago) => ({ insideC: 20, outsideC: ago, sunWm2: 0 })),
      20,
    );
    expect(outerC).toHaveLength(48 * 6 + 1);
    expect(outerC[0]).toBeCloseTo(48, 9);
    expect(outerC.at(-4)).toBeCloseTo(0.5, 9);
    expect(outerC.at(-1)).toBeCloseTo(0, 9);
    expect(innerC.every((celsius) => celsius === 20)).toBe(true);
  });

  test('sun warms as sol-air temperature does, and can be left out', () => {
    const sunny = history(() => ({ ...NOW, sunWm2: 400 }));
    // 0.6 · 400 / 20
    expect(drivesOf(sunny, 20).outerC[7]).toBeCloseTo(2 + 12, 9);
    expect(drivesOf(sunny, 20, true).outerC[7]).toBe(2);
  });

  test.each([
    ['fewer than two rows', []],
    ['less than 12 h', steady(NOW).slice(-10)],
    ['more than 60 minutes', steady(NOW).slice(0, -4)],
    ['hole', steady(NOW).filter(({ minutes }) => minutes < -900 || minutes > -300)],
    ['order of time', steady(NOW).toReversed().map((row, i) => ({ ...row, minutes: i === 96 ? 0 : row.minutes - 1440 }))], // prettier-ignore
  ])('is refused with words: %s', (words, rows) => {
    expect(historyProblem(rows)).toContain(words);
    expect(() => drivesOf(rows, 20)).toThrow(expect.objectContaining({ code: 'malformed' }));
  });

  test('however its rows lie, all steps lie between its coldest and warmest', () => {
    const air = fc.array(fc.double({ min: -20, max: 30, noNaN: true }), { minLength: 30, maxLength: 60 });
    fc.assert(
      fc.property(air, (values) => {
        const rows = values.map((outsideC, i) => ({ minutes: 60 * (i - values.length + 1), insideC: 20, outsideC, sunWm2: 0 }));
        const { outerC } = drivesOf(rows, 20);
        return Math.min(...outerC) >= Math.min(...values) - 1e-9 && Math.max(...outerC) <= Math.max(...values) + 1e-9;
      }),
    );
  });
});

describe.each(WALLS)('a wall of %s', (kind) => {
  test('is in balance after steady days', () => {
    for (const face of ['inner', 'outer'] as const) {
      const { off, share } = offBalance(kind, steady(NOW), face);
      expect(off).toBeCloseTo(0, 6);
      expect(share).toBeCloseTo(1, 6);
    }
  });
});

test('three hours after a front light walls show nearly all, brick and stone do not', () => {
  const front = history((ago) => ({ insideC: 20, outsideC: ago > 3 ? 14 : 2, sunWm2: 0 }));
  const [light, brick, stone] = WALLS.map((kind) => offBalance(kind, front, 'inner'));
  expect(light!.share).toBeGreaterThan(0.9);
  expect(brick!.share).toBeLessThan(0.7);
  expect(stone!.off).toBeGreaterThan(0.4);
});
