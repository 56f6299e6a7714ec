import { rendered, wallPair } from '../simulate/series/wallPair';
import { projected } from '../../ground/homography';
import { laidOn } from './lay';

const pair = wallPair(6);
const [before, after] = rendered(pair);
const laid = (points: Parameters<typeof laidOn>[2] = []) => {
  const laying = laidOn(before, after, points);
  if ('error' in laying) throw new Error(laying.error.message);
  return laying.laid;
};
const shown = (values: Float32Array) => values.reduce((n, value) => n + (Number.isNaN(value) ? 0 : 1), 0) / values.length;

describe('a later frame on an earlier one', () => {
  test('is found by what they show', () => {
    const { h, byHand, overlap, residualPx, laid: values } = laid();
    expect(byHand).toBe(false);
    expect(residualPx).toBeLessThan(1.5);
    expect(overlap).toBeGreaterThan(0.6);
    // The map's overlap is of what can be compared; the rim that has no four neighbours is not in it.
    expect(Math.abs(shown(values) - overlap)).toBeLessThan(0.05);
    const [x, y] = projected(h, [160, 120]);
    const [u, v] = projected(pair.transform, [160, 120]);
    expect(Math.hypot(x - u, y - v)).toBeLessThan(1.5);
  });

  test('or by places that somebody marked', () => {
    const at = (x: number, y: number) => ({ before: [x, y] as const, after: projected(pair.transform, [x, y]) });
    const points = [at(40, 40), at(280, 40), at(280, 200), at(40, 200)].map(({ before: one, after: other }) => ({
      before: [one[0], one[1]] as [number, number],
      after: [other[0], other[1]] as [number, number],
    }));
    const { h, byHand, residualPx, overlap } = laid(points);
    expect(byHand).toBe(true);
    expect(residualPx).toBeLessThan(1e-6);
    const [x, y] = projected(h, [100, 150]);
    const [u, v] = projected(pair.transform, [100, 150]);
    expect(Math.hypot(x - u, y - v)).toBeLessThan(1e-3);
    expect(overlap).toBeGreaterThan(0.6);
  });

  test('one place alone leaves it to the pictures', () => {
    expect(laid([{ before: [1, 1], after: [300, 200] }]).byHand).toBe(false);
  });

  test('what cannot be laid is said, and what to do', () => {
    const flat = { width: 64, height: 48, values: new Float32Array(64 * 48).fill(18) };
    const laying = laidOn(flat, flat, []);
    expect(laying).toMatchObject({ error: { code: 'cannot-register' } });
    expect('error' in laying && laying.error.hint).toContain('by hand');
  });
});
