import { axisOf } from './axis';

const along = (length: number, direction: number) =>
  Array.from({ length: 41 }, (_, i) => [
    ((i - 20) / 40) * length * Math.cos(direction),
    ((i - 20) / 40) * length * Math.sin(direction),
  ]);

describe('the axis of a patch', () => {
  test('has the middle, the direction and the length of a row of places', () => {
    const places = along(40, 0.6);
    const axis = axisOf(
      places.map(([x]) => 50 + x!),
      places.map(([, y]) => 30 + y!),
      new Float32Array(places.length).fill(2),
    );
    expect(axis.x).toBeCloseTo(50, 6);
    expect(axis.y).toBeCloseTo(30, 6);
    expect(axis.direction).toBeCloseTo(0.6, 6);
    expect(axis.length).toBeGreaterThan(40);
    expect(axis.length).toBeLessThan(42);
    expect(axis.width).toBeLessThan(1e-3);
  });

  test('what hardly stands out turns it little', () => {
    const [line, beside] = [along(40, 0), along(40, Math.PI / 2)];
    const places = [...line, ...beside.map(([x, y]) => [x! + 20, y!])];
    const [xs, ys] = [places.map(([x]) => x!), places.map(([, y]) => y!)];
    const even = axisOf(xs, ys, new Float32Array(places.length).fill(1));
    const faint = axisOf(
      xs,
      ys,
      Float32Array.from(places, (_, i) => (i < line.length ? 1 : 0.1)),
    );
    expect(even.length / even.width).toBeLessThan(1.6);
    expect(faint.length / faint.width).toBeGreaterThan(2);
    expect(Math.abs(faint.direction)).toBeLessThan(0.05);
  });
});
