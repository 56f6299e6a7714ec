import { moved } from '../../ground/affine';
import fc from 'fast-check';
import { seededRandom } from '../../ground/random';
import { errorOf } from '../../testing/material';
import { alignmentAt, alignmentFrom, plainAlignment, withAlignment, type Alignment, type MatchedPoint } from './alignment';
import { checkLine, isOutOfLine } from './outOfLine';

const share = fc.double({ min: 0, max: 1, noNaN: true });

describe('matched points', () => {
  test('two give shift, size and turn, and lead to themselves', () => {
    const truth: Alignment = [1.1, -0.05, 0.02, 0.05, 1.1, -0.04];
    const pair = (x: number, y: number): MatchedPoint => ({ frame: [x, y], photo: moved(truth, [x, y]) });
    const found = alignmentFrom([pair(0.2, 0.1), pair(0.8, 0.6)]);
    found.forEach((value, i) => expect(value).toBeCloseTo(truth[i]!, 9));
  });

  test('three give any affine map', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 6, maxLength: 6 }), share, (numbers, at) => {
        const truth = numbers as Alignment;
        const points = (
          [
            [0.1, 0.1],
            [0.9, 0.2],
            [0.3, 0.7],
          ] as [number, number][]
        ).map((frame) => ({ frame, photo: moved(truth, frame) }));
        const [x, y] = moved(alignmentFrom(points), [at, 0.4]);
        const [wx, wy] = moved(truth, [at, 0.4]);
        expect(Math.hypot(x - wx, y - wy)).toBeLessThan(1e-9);
      }),
    );
  });

  test('points that lie together, on a line, or are too few are refused', () => {
    const p = (x: number, y: number): MatchedPoint => ({ frame: [x, y], photo: [x, y] });
    for (const points of [[p(0.5, 0.5), p(0.51, 0.5)], [p(0.1, 0.1), p(0.5, 0.5), p(0.9, 0.9)], [p(0.5, 0.5)]]) {
      expect(errorOf(() => alignmentFrom(points))).toMatchObject({ code: 'bad_input' });
    }
  });
});

describe('alignments of a camera', () => {
  const at = (distanceM: number, shift: number) => ({ distanceM, alignment: [1, 0, shift, 0, 1, 0] as Alignment });

  test('are interpolated in the inverse of the distance, as parallax goes', () => {
    // A shift of 0.1/d exactly.
    const stored = [at(1, 0.1), at(4, 0.025)];
    expect(alignmentAt(stored, 2)![2]).toBeCloseTo(0.05, 9);
    expect(alignmentAt(stored, 1.5)![2]).toBeCloseTo(0.1 / 1.5, 9);
  });

  test('beyond them the nearest holds; without a distance the farthest; without any there is none', () => {
    const stored = [at(1, 0.1), at(4, 0.025)];
    expect(alignmentAt(stored, 0.4)![2]).toBe(0.1);
    expect(alignmentAt(stored, 40)![2]).toBe(0.025);
    expect(alignmentAt(stored, null)![2]).toBe(0.025);
    expect(alignmentAt([], 2)).toBeNull();
  });

  test('a new one takes the place of one nearly as far', () => {
    expect(withAlignment([at(1, 0.1), at(4, 0.02)], at(1.05, 0.09)).map(({ distanceM }) => distanceM)).toEqual([1.05, 4]);
  });

  test('the plain one lays middle on middle', () => {
    expect(moved(plainAlignment({ width: 320, height: 240 }, { width: 1600, height: 900 }), [0.5, 0.375])).toEqual([
      0.5,
      900 / 1600 / 2,
    ]);
  });
});

describe('a pair out of line', () => {
  /** A window on a wall, in heat or in light, shifted by a share of the width. */
  const picture = (width: number, height: number, shift: number, bright: boolean) => {
    const random = seededRandom(9);
    const values = Float32Array.from({ length: width * height }, (_, i) => {
      const x = (i % width) / width - shift;
      const y = Math.floor(i / width) / width;
      const window = x > 0.4 && x < 0.7 && y > 0.2 && y < 0.55;
      const door = x > 0.1 && x < 0.25 && y > 0.3;
      return (window ? 1 : door ? 0.6 : 0) * (bright ? 200 : -6) + 0.2 * random();
    });
    return { width, height, values };
  };
  const plain = plainAlignment({ width: 320, height: 240 }, { width: 640, height: 480 });

  test('is told by how much', () => {
    const check = checkLine(picture(320, 240, 0, false), picture(640, 480, 0.06, true), plain)!;
    expect(check.x).toBeCloseTo(0.06, 1);
    expect(Math.abs(check.y)).toBeLessThan(0.02);
    expect(isOutOfLine(check)).toBe(true);
  });

  test('one in line is left alone', () => {
    expect(isOutOfLine(checkLine(picture(320, 240, 0, false), picture(640, 480, 0, true), plain)!)).toBe(false);
  });

  test('where edges have nothing in common nothing is said', () => {
    const random = seededRandom(2);
    const noise = { width: 640, height: 480, values: Float32Array.from({ length: 640 * 480 }, () => random()) };
    expect(checkLine(picture(320, 240, 0, false), noise, plain)).toBeNull();
  });
});
