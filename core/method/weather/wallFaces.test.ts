import type { Layer } from './wallLayers';
import { WALL_CLASSES, WALL_FAMILIES } from './wallFamilies';
import { balancedLoss, faceAfter, faceMemory, type Films } from './wallFaces';

const FILMS: Films = { outer: 20, inner: 7.7 };
const BRICK: readonly Layer[] = [
  [0.22, 0.77, 1.38e6],
  [0.0125, 0.5, 1.3e6],
];
const BOARDS: readonly Layer[] = [
  [0.02, 0.13, 0.85e6],
  [0.15, 0.036, 3e4],
  [0.0125, 0.22, 0.72e6],
];

/** @param at - hours before the end */
function drives(outer: (ago: number) => number, inner: (ago: number) => number, hours = 96) {
  const count = hours * 6 + 1;
  const of = (value: (ago: number) => number) => Float64Array.from({ length: count }, (_, i) => value((count - 1 - i) / 6));
  return { outerC: of(outer), innerC: of(inner) };
}
const both = (value: number) => () => value;

describe('the face of a wall', () => {
  test('in steady weather shows what is lost in balance, on either side', () => {
    const steady = drives(both(2), both(20));
    const loss = balancedLoss(BRICK, FILMS, 'inner');
    // 1 / (1/20 + 0.22/0.77 + 0.0125/0.5 + 1/7.7) = 2.0384 W/m²K
    expect(loss).toBeCloseTo(2.03839 / 7.7, 4);
    expect(faceAfter(faceMemory(BRICK, FILMS, 'inner'), steady).faceC).toBeCloseTo(20 - 18 * loss, 9);
    expect(faceAfter(faceMemory(BRICK, FILMS, 'outer'), steady).faceC).toBeCloseTo(2 + (18 * 2.03839) / 20, 3);
  });

  test('is linear in what it stood in', () => {
    const memory = faceMemory(BRICK, FILMS, 'inner');
    const one = drives((ago) => Math.sin(ago), both(0));
    const other = drives(both(0), (ago) => Math.cos(ago / 3));
    const sum = drives((ago) => 2 * Math.sin(ago), (ago) => -3 * Math.cos(ago / 3)); // prettier-ignore
    const at = (d: typeof one) => faceAfter(memory, d).faceC;
    expect(at(sum)).toBeCloseTo(2 * at(one) - 3 * at(other), 9);
  });

  test('of boards follows a front within hours, of brick it does not', () => {
    const front = drives((ago) => (ago > 3 ? 12 : 0), both(20));
    const off = (layers: readonly Layer[]) =>
      faceAfter(faceMemory(layers, FILMS, 'inner'), front).faceC - (20 - 20 * balancedLoss(layers, FILMS, 'inner'));
    expect(Math.abs(off(BOARDS))).toBeLessThan(0.1);
    expect(off(BRICK)).toBeGreaterThan(1);
  });

  test('after heating came on is colder than in balance, the longer before the less', () => {
    const memory = faceMemory(BRICK, FILMS, 'inner');
    const after = (hours: number) =>
      faceAfter(
        memory,
        drives(both(2), (ago) => (ago > hours ? 14 : 20)),
      ).faceC;
    const times = [1, 3, 8, 24, 48].map(after);
    expect(times).toEqual(times.toSorted((a, b) => a - b));
    expect(times.at(-1)).toBeCloseTo(20 - 18 * balancedLoss(BRICK, FILMS, 'inner'), 1);
  });

  test('against the sinusoid of a day: amplitude as the complex transfer of a slab gives it', () => {
    // Semi-analytic: transfer matrix of one layer between films, periodic in 24 h.
    const [d, k, c] = [0.22, 0.77, 1.38e6];
    const layers: readonly Layer[] = [[d, k, c]];
    const memory = faceMemory(layers, FILMS, 'inner');
    const peak = Math.max(
      ...Array.from(
        { length: 48 },
        (_, i) =>
          faceAfter(
            memory,
            drives((ago) => Math.cos((2 * Math.PI * (ago + i / 2)) / 24), both(0), 24 * 5),
          ).faceC,
      ),
    );
    const x = d * Math.sqrt((Math.PI * c) / (86_400 * k));
    const complex = (re: number, im: number) => ({ re, im });
    const times = (a: { re: number; im: number }, b: { re: number; im: number }) => complex(a.re * b.re - a.im * b.im, a.re * b.im + a.im * b.re); // prettier-ignore
    const cosh = complex(Math.cosh(x) * Math.cos(x), Math.sinh(x) * Math.sin(x));
    const sinh = complex(Math.sinh(x) * Math.cos(x), Math.cosh(x) * Math.sin(x));
    const z = complex(x, x);
    const norm = z.re ** 2 + z.im ** 2;
    const over = times(sinh, complex(z.re / norm, -z.im / norm));
    const by = times(sinh, z);
    const [ro, ri, r] = [1 / FILMS.outer, 1 / FILMS.inner, d / k];
    // Outer air to inner air at rest: q = 1 / (ri·cosh + r·sinh/z + ro·(ri·z·sinh/r + cosh))
    const sum = complex(
      ri * cosh.re + r * over.re + ro * ((ri / r) * by.re + cosh.re),
      ri * cosh.im + r * over.im + ro * ((ri / r) * by.im + cosh.im),
    );
    expect(peak).toBeCloseTo(ri / Math.hypot(sum.re, sum.im), 2);
  });

  test('what was before all that is told fades', () => {
    const memory = faceMemory(BRICK, FILMS, 'inner');
    const left = [6, 24, 48, 96].map((hours) => faceAfter(memory, drives(both(2), both(20), hours)).beforeK);
    expect(left).toEqual(left.toSorted((a, b) => b - a));
    expect(left[0]).toBeGreaterThan(0.05);
    expect(left[3]).toBeLessThan(0.01);
  });
});

test.each(WALL_CLASSES)('families of %s lose less the better they are insulated', (wall) => {
  for (const family of WALL_FAMILIES[wall])
    for (const face of ['inner', 'outer'] as const) {
      const losses = family.map((layers) => balancedLoss(layers, FILMS, face));
      expect(losses).toEqual(losses.toSorted((a, b) => b - a));
      expect(family.length).toBeLessThanOrEqual(8);
      expect(losses.at(-1)).toBeGreaterThan(0);
    }
});
