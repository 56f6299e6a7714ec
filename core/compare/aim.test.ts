import type { Homography } from '../geometry/homography';
import { aimFor, aimWords, GOOD_OVERLAP } from './aim';

const size = { width: 160, height: 120 };
const by = (scale: number, dx: number, dy: number): Homography => [
  scale,
  0,
  (1 - scale) * 80 + dx,
  0,
  scale,
  (1 - scale) * 60 + dy,
  0,
  0,
  1,
];
const words = (h: Homography, overlap = 0.7) => aimWords(aimFor(h, overlap, size, size));

describe('aiming at what was seen before', () => {
  test('nothing is left to do where it is seen as before', () => {
    expect(words(by(1, 0, 0))).toBe('');
    expect(words(by(1.03, 4, -3))).toBe('');
    expect(aimFor(by(1, 0, 0), GOOD_OVERLAP, size, size).good).toBe(true);
    expect(aimFor(by(1, 0, 0), GOOD_OVERLAP - 0.01, size, size).good).toBe(false);
  });

  test('what lies farther right and lower now is aimed at by turning there', () => {
    expect(words(by(1, 20, 0))).toBe('aim right');
    expect(words(by(1, -20, 12))).toBe('aim down and left');
    expect(words(by(1, 0, -12))).toBe('aim up');
  });

  test('what looks larger than before is stepped back from', () => {
    expect(words(by(1.2, 0, 0))).toBe('step back');
    expect(words(by(0.8, 10, 0))).toBe('aim right, step nearer');
  });

  test('a camera with other pixels has the same size', () => {
    const double: Homography = [2, 0, 0, 0, 2, 0, 0, 0, 1];
    expect(aimWords(aimFor(double, 1, size, { width: 320, height: 240 }))).toBe('');
  });
});
