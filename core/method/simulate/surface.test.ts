import fc from 'fast-check';
import { FAULTLESS, SHELTERED } from '../../testing/patterns';
import { depthInside, drive, paintOver, shade, softStep, levelAt, perDrop, type PhotoPoint, type View } from './surface';

const view: View = {
  seed: 1,
  camera: { width: 320, height: 240, noise: 0, uniformity: 0, own: FAULTLESS, blur: 0, fieldDeg: 50, minDistance: 0.3 },
  width: 4,
  height: 3,
  pose: { aim: { x: 2, y: 1.5 }, distance: 4, aside: 0 },
  humidityPct: 50,
  ...SHELTERED,
  side: 'inside',
  insideC: 20,
  outsideC: -2,
  factor: 0.9,
  emissivity: 1,
  reflectedC: 20,
  stratification: 0,
  paint: [0, 0, 0],
};

test('what is cold inside is warm outdoors, by less', () => {
  expect(levelAt(view, 0.9)).toBeCloseTo(17.8, 10);
  const outdoors = { ...view, side: 'outside' as const };
  expect(levelAt(outdoors, 0.7)).toBeGreaterThan(levelAt(outdoors, 0.9));
  for (const seen of [view, outdoors]) expect(levelAt(seen, 0.8) - levelAt(seen, 0.9)).toBeCloseTo(0.1 * perDrop(seen), 10);
  expect(Math.abs(perDrop(outdoors))).toBeLessThan(Math.abs(perDrop(view)));
});

test('contrasts grow with the difference between inside and outside, and turn with its sign', () => {
  expect(drive(view)).toBe(22);
  expect(drive({ ...view, outsideC: 35 })).toBe(-15);
});

test('depth counts from the nearest side of a box: positive inside, negative outside, zero on it', () => {
  const box = { x: 1, y: 1, width: 2, height: 1 };
  expect(depthInside(box, { x: 2, y: 1.5 })).toBeCloseTo(0.5);
  expect(depthInside(box, { x: 1.1, y: 1.5 })).toBeCloseTo(0.1);
  expect(depthInside(box, { x: 1, y: 1.5 })).toBe(0);
  expect(depthInside(box, { x: 0.8, y: 1.5 })).toBeCloseTo(-0.2);
});

test('a soft step goes from 0 to 1 over its width, half way at zero, and never back', () => {
  expect([-1, -0.05, 0, 0.05, 1].map((distance) => softStep(distance, 0.1))).toEqual([0, 0, 0.5, 1, 1]);
  fc.assert(
    fc.property(fc.double({ min: -1, max: 1, noNaN: true }), fc.double({ min: 0, max: 0.5, noNaN: true }), (distance, more) => {
      expect(softStep(distance + more, 0.3)).toBeGreaterThanOrEqual(softStep(distance, 0.3) - 1e-12);
    }),
  );
});

test('paint covers, or mixes by its share, and shade stays a colour', () => {
  const colour: PhotoPoint = [100, 200, 50];
  paintOver(colour, [200, 0, 50], 0.25);
  expect(colour).toEqual([125, 150, 50]);
  shade(colour, 3);
  expect(colour).toEqual([255, 255, 150]);
  paintOver(colour, [1, 2, 3]);
  expect(colour).toEqual([1, 2, 3]);
});
