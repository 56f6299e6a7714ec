import fc from 'fast-check';
import type { Homography } from '../../ground/homography';
import { aimFor, aimWords, GOOD_OVERLAP } from './aim';

const frame = { width: 160, height: 120 };
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
const words = (h: Homography, overlap = 0.7) => aimWords(aimFor(h, overlap, frame, frame));

describe('aiming at what was seen before', () => {
  test('nothing is left to do where it is seen as before', () => {
    expect(words(by(1, 0, 0))).toBe('');
    expect(words(by(1.03, 4, -3))).toBe('');
    expect(aimFor(by(1, 0, 0), GOOD_OVERLAP, frame, frame).good).toBe(true);
    expect(aimFor(by(1, 0, 0), GOOD_OVERLAP - 0.01, frame, frame).good).toBe(false);
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
    expect(aimWords(aimFor(double, 1, frame, { width: 320, height: 240 }))).toBe('');
  });

  test('what it says to do never makes it worse', () => {
    const part = (most: number) => fc.double({ min: -most, max: most, noNaN: true });
    fc.assert(
      fc.property(part(0.2), part(0.25), part(0.25), (size, across, upright) => {
        const aim = aimFor(by(1 + size, across * 160, upright * 120), 0.6, frame, frame);
        if (aim.across) expect(Math.sign(across)).toBe(aim.across === 'right' ? 1 : -1);
        if (aim.upright) expect(Math.sign(upright)).toBe(aim.upright === 'down' ? 1 : -1);
        if (aim.along) expect(Math.sign(size)).toBe(aim.along === 'farther' ? 1 : -1);
        const far = Math.max(Math.abs(size) / 0.06, Math.abs(across) / 0.04, Math.abs(upright) / 0.04);
        expect(aimWords(aim) === '').toBe(far < 1);
      }),
    );
  });
});
