import { findFace } from './pattern';
import { findTails } from './findTails';

const WIDTH = 120;
const HEIGHT = 90;
const face = { x: 20, y: 15, width: 80, height: 45 };

/** A warm face with two tails below; each tail has its bright valve first. */
function radiator({ left = 58, right = 46, valves = true, faceC = 52, coldTop = 0 } = {}) {
  const values = new Float32Array(WIDTH * HEIGHT).fill(18);
  const fill = (x0: number, y0: number, width: number, height: number, celsius: number) => {
    for (let y = y0; y < y0 + height; y += 1) for (let x = x0; x < x0 + width; x += 1) values[y * WIDTH + x] = celsius;
  };
  fill(face.x, face.y, face.width, face.height, faceC);
  fill(face.x, face.y, face.width, Math.round(coldTop * face.height), 22);
  for (const [x, celsius] of [
    [24, left],
    [93, right],
  ] as const) {
    fill(x, face.y + face.height, 3, 14, celsius);
    if (valves) fill(x, face.y + face.height, 3, 4, 19.5);
  }
  return { width: WIDTH, height: HEIGHT, values };
}

test('both tails are found below the ends, the warmer is the flow, the bright valve is left out', () => {
  const found = findTails(radiator(), face)!;
  expect(found.flowEnd).toBe('left');
  expect(found.flow.x).toBeGreaterThanOrEqual(24);
  expect(found.flow.x).toBeLessThanOrEqual(26);
  expect(found.flow.y).toBeGreaterThanOrEqual(face.y + face.height + 4);
  expect(found.return.x).toBeGreaterThanOrEqual(93);
  expect(findTails(radiator({ left: 44, right: 57 }), face)!.flowEnd).toBe('right');
});

test('a tail that does not stand out is not made up', () => {
  expect(findTails(radiator({ right: 19 }), face)).toBeNull();
  expect(findTails(radiator({ left: 18, right: 18 }), face)).toBeNull();
});

test('a face at the lower edge of the frame has no tails in it', () =>
  expect(findTails(radiator(), { ...face, y: 44, height: 46 })).toBeNull());

describe('a face that is known by its size', () => {
  const aspect = face.width / face.height;

  test('is made whole upwards where air lies along its top', () => {
    const frame = radiator({ coldTop: 0.3 });
    expect(findFace(frame, 18)!.height).toBeLessThan(36);
    const whole = findFace(frame, 18, aspect)!;
    expect(Math.abs(whole.y - face.y)).toBeLessThanOrEqual(1);
    expect(Math.abs(whole.height - face.height)).toBeLessThanOrEqual(1);
  });

  test('is made whole away from its hot end where the warmth is on its way', () => {
    const frame = radiator();
    for (let y = face.y; y < face.y + face.height; y += 1) for (let x = 60; x < 100; x += 1) frame.values[y * WIDTH + x] = 20;
    // The hotter half says from where it warms.
    for (let y = face.y; y < face.y + face.height; y += 1)
      for (let x = 20; x < 60; x += 1) frame.values[y * WIDTH + x] = 55 - 0.3 * (x - 20);
    const whole = findFace(frame, 18, aspect)!;
    expect(whole.x).toBe(20);
    expect(Math.abs(whole.width - face.width)).toBeLessThanOrEqual(2);
  });

  test('stays as it is where its proportions fit', () =>
    expect(findFace(radiator(), 18, aspect)).toEqual(findFace(radiator(), 18)));
});
