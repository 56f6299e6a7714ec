import { measureAfterTurn, photoAfterTurn } from './afterTurn';
import { distanceBetween, metricOf, type Measure, sizeOf } from './metric';
import { turnedPoint, type Turn } from './reshape';

const SIZE = { width: 320, height: 240 };
const TURNS: Turn[] = ['left', 'right', 'half', 'mirror'];
const OPPOSITE: Record<Turn, Turn> = { left: 'right', right: 'left', half: 'half', mirror: 'mirror' };

const plane: Measure = {
  kind: 'plane',
  corners: [
    [80, 60],
    [240, 50],
    [250, 190],
    [70, 170],
  ],
  widthM: 2,
  heightM: 1.4,
};

const turnedSize = (turn: Turn) => (turn === 'left' || turn === 'right' ? { width: SIZE.height, height: SIZE.width } : SIZE);

test.each(TURNS)('after a turn to %s a plane gives the same metres', (turn) => {
  const before = metricOf(plane, null, null, SIZE)!;
  const after = metricOf(measureAfterTurn(plane, SIZE.width, SIZE.height, turn), null, null, turnedSize(turn))!;
  const to = ([x, y]: [number, number]) => turnedPoint(x, y, SIZE.width, SIZE.height, turn);
  expect(distanceBetween(after, to([100, 80]), to([200, 150]))).toBeCloseTo(distanceBetween(before, [100, 80], [200, 150])!, 6);
  const corners = plane.corners.map(to);
  expect(sizeOf(after, { kind: 'poly', points: corners })).toMatchObject({ squareMetres: expect.closeTo(2.8, 6) });
});

test.each(TURNS)('a turn to %s and back leaves what was known', (turn) => {
  const { width, height } = turnedSize(turn);
  const once = measureAfterTurn(plane, SIZE.width, SIZE.height, turn);
  expect(measureAfterTurn(once, width, height, OPPOSITE[turn])).toEqual(plane);
  const length: Measure = { kind: 'length', from: [3, 4], to: [50, 60], metres: 1 };
  const there = measureAfterTurn(length, SIZE.width, SIZE.height, turn);
  expect(measureAfterTurn(there, width, height, OPPOSITE[turn])).toEqual(length);
  expect(measureAfterTurn(null, width, height, turn)).toBeNull();
});

test('photos add up their turns; mirrored ones go the other way', () => {
  const photo = { quarters: 0, mirrored: false, width: 1600, height: 1200 };
  const right = photoAfterTurn(photo, 'right');
  expect(right).toEqual({ quarters: 1, mirrored: false, width: 1200, height: 1600 });
  expect(photoAfterTurn(right, 'left')).toEqual(photo);
  expect(photoAfterTurn(photoAfterTurn(right, 'right'), 'half')).toEqual(photo);
  const mirrored = photoAfterTurn(photo, 'mirror');
  expect(photoAfterTurn(mirrored, 'right').quarters).toBe(3);
  expect(photoAfterTurn(photoAfterTurn(photoAfterTurn(mirrored, 'right'), 'mirror'), 'right')).toMatchObject({ quarters: 0 });
});
