import { bearingTo, pointAt } from './bearing';

test('up is north, right is east, and it goes on clockwise', () => {
  expect(bearingTo(0, -10, 5)).toBe(0);
  expect(bearingTo(10, 0, 5)).toBe(90);
  expect(bearingTo(0, 10, 5)).toBe(180);
  expect(bearingTo(-10, 0, 5)).toBe(270);
  expect(bearingTo(-0.1, -10, 5)).toBe(0);
});

test('points and bearings lead back to each other', () => {
  for (let bearing = 0; bearing < 360; bearing += 5) {
    const { x, y } = pointAt(bearing, 40);
    expect(bearingTo(x, y, 5)).toBe(bearing);
    expect(Math.hypot(x, y)).toBeCloseTo(40);
  }
});
