import { fitPlacement, held, pixelAt, zoomedAt } from './placement';

const frame = { width: 320, height: 240 };
const stage = { width: 800, height: 500 };

describe('a frame on its stage', () => {
  test('fits as large as it can, in the middle', () => {
    const placed = fitPlacement(frame, stage);
    expect(placed.zoom).toBeCloseTo(500 / 240, 10);
    expect(placed.y).toBeCloseTo(0, 10);
    expect(placed.x).toBeCloseTo((800 - (320 * 500) / 240) / 2, 10);
  });

  test('zooming keeps the point under the pointer', () => {
    const before = fitPlacement(frame, stage);
    const at = { x: 420, y: 260 };
    const after = zoomedAt(before, 3, at, frame, stage);
    const point = (p: typeof before) => ({ x: (at.x - p.x) / p.zoom, y: (at.y - p.y) / p.zoom });
    expect(point(after).x).toBeCloseTo(point(before).x, 6);
    expect(point(after).y).toBeCloseTo(point(before).y, 6);
  });

  test('is never smaller than the fit, and never endlessly large', () => {
    const fit = fitPlacement(frame, stage);
    expect(zoomedAt(fit, 0.01, { x: 0, y: 0 }, frame, stage)).toEqual(fit);
    expect(zoomedAt(fit, 1e6, { x: 0, y: 0 }, frame, stage).zoom).toBe(40);
  });

  test('cannot be pushed off the stage', () => {
    const pushed = held({ zoom: 5, x: 9999, y: -9999 }, frame, stage);
    expect(pushed).toEqual({ zoom: 5, x: 0, y: 500 - 240 * 5 });
    expect(held({ zoom: 1, x: -500, y: 0 }, frame, stage).x).toBe(240);
  });

  test('screen and pixel agree', () => {
    const placed = { zoom: 4, x: 10, y: 20 };
    expect(pixelAt({ x: 30, y: 44 }, placed, frame)).toEqual({ x: 5, y: 6 });
    expect(pixelAt({ x: 33.9, y: 47.9 }, placed, frame)).toEqual({ x: 5, y: 6 });
    expect(pixelAt({ x: -100, y: 1e5 }, placed, frame)).toEqual({ x: 0, y: 239 });
  });
});
