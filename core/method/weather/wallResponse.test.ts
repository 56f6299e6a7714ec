import { WALLS } from './wallMemory';
import { hoursOfMemory, wallResponse, type WallWeather } from './wallResponse';

const FILM = 12;
const INSIDE = 20;

/** Weather by the hour on one façade. */
function weather(hours: number, outer: (i: number) => number, sun: (i: number) => number = () => 0): WallWeather {
  return {
    outerC: Float64Array.from({ length: hours }, (_, i) => outer(i)),
    film: new Float64Array(hours).fill(FILM),
    insideC: INSIDE,
    sun: [Float64Array.from({ length: hours }, (_, i) => sun(i))],
  };
}

describe.each(WALLS)('a wall of %s', (kind) => {
  test('that is in balance stays there', () => {
    const { shareInside, offInside, offOutside, sunExcessK } = wallResponse(
      kind,
      weather(48, () => 2),
      1,
    );
    for (const i of [0, 20, 47]) {
      expect(shareInside[0]![i]).toBeCloseTo(1, 9);
      expect(offInside[0]![i]).toBeCloseTo(0, 9);
      expect(offOutside[0]![i]).toBeCloseTo(0, 9);
      expect(sunExcessK[0]![i]).toBe(0);
    }
  });

  test('comes into balance again after a front', () => {
    const { shareInside } = wallResponse(
      kind,
      weather(24 * 20, (i) => (i < 48 ? 16 : 2)),
      1,
    );
    const share = [...shareInside[0]!.subarray(48)];
    expect(share[0]).toBeLessThan(0.9);
    // A fault in thin stone follows before the thick stone around it: for a while there is more to see than in balance.
    expect(Math.max(...share)).toBeLessThan(1.35);
    expect(share[0]).toBeLessThan(share[12]!);
    expect(share.at(-1)).toBeGreaterThan(0.99);
    expect(share.at(-1)).toBeLessThan(1.01);
  });

  test('takes up in the long run what the sun gives and the film lets go', () => {
    // Sun on the outer face of a wall whose other side stays as it is: q / (film + way through the wall).
    const { sunExcessK } = wallResponse(kind, weather(24 * 20, () => 2, (i) => (i < 24 ? 0 : 120)), 1); // prettier-ignore
    const excess = sunExcessK[0]!.at(-1)!;
    expect(excess).toBeLessThan(120 / FILM);
    expect(excess).toBeGreaterThan(0.6 * (120 / FILM));
  });

  test('is slower the more heat it keeps', () => {
    const share = (slower: number) =>
      wallResponse(
        kind,
        weather(80, (i) => (i < 72 ? 16 : 2)),
        slower,
      ).shareInside[0]![73]!;
    expect(share(2)).toBeLessThan(share(1));
    expect(share(1)).toBeLessThan(share(0.5));
  });
});

test('after a sunny day a still evening shows it on light walls for hours, on brick into the night, on stone all night', () => {
  const [light, brick, stone] = WALLS.map((kind) => hoursOfMemory(kind, 1)) as [number, number, number];
  expect(light).toBeGreaterThanOrEqual(1);
  expect(light).toBeLessThanOrEqual(5);
  expect(brick).toBeGreaterThanOrEqual(7);
  expect(brick).toBeLessThanOrEqual(20);
  expect(stone).toBeGreaterThan(brick);
});

test('three hours after a front brick shows a third of what it will, light walls nearly all', () => {
  const share = (kind: 'light' | 'brick') =>
    wallResponse(kind, weather(80, (i) => (i < 72 ? 16 : 2)), 1).shareInside[0]![74]!; // prettier-ignore
  expect(share('brick')).toBeGreaterThan(0.2);
  expect(share('brick')).toBeLessThan(0.45);
  expect(share('light')).toBeGreaterThan(0.9);
});

test('what has the wrong sign counts as hardly anything', () => {
  const { shareInside, offInside } = wallResponse(
    'stone',
    weather(80, (i) => (i < 72 ? 30 : 10)),
    1,
  );
  expect(shareInside[0]![72]).toBeCloseTo(0.05, 9);
  expect(offInside[0]![72]).toBeCloseTo(Math.log(20), 6);
});
