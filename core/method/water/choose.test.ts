import { normalFrom, seededRandom } from '../../ground/random';
import { chooseSource } from './choose';
import type { Patch } from './patches';
import type { Known } from './source';
import { line, pool, riseAt, type Floor } from './spots';
import type { Stack } from './stack';

const [width, height] = [120, 90];
const FLOOR: Floor = { lambda: 4, D: 700, flat: 0.93 };
const LEAK = { x: 40, y: 50 };
/** Something with sharp edges that warms beside it: a strip that was put down. */
const STRIP = { left: 90, right: 104, top: 20, bottom: 40 };
const NOISE = 0.03;

/** Rises of a floor with a leak, and with a strip whose edges are sharp. */
function stackOf(leakK: number, stripK: number, seed = 1): Stack {
  const normal = normalFrom(seededRandom(seed));
  const times = Array.from({ length: 20 }, (_, i) => 75 * i);
  const spots = pool(120, 6, [0.2, 0.1], 600, FLOOR.lambda);
  const whole = riseAt([0, 0], times.at(-1)!, FLOOR, spots);
  const rises = times.map((t, i) =>
    Float32Array.from({ length: width * height }, (_, p) => {
      const [x, y] = [p % width, Math.floor(p / width)];
      const leak = Math.hypot(x - LEAK.x, y - LEAK.y) < 30 ? riseAt([x - LEAK.x, y - LEAK.y], t, FLOOR, spots) / whole : 0;
      const strip = x >= STRIP.left && x <= STRIP.right && y >= STRIP.top && y <= STRIP.bottom ? (i / 20) ** 3 : 0;
      return leakK * leak + stripK * strip + NOISE * normal();
    }),
  );
  return { width, height, times, rises };
}

function patchAt(x: number, y: number, z: number, reach: number): Patch {
  const members: number[] = [];
  for (let v = y - reach; v <= y + reach; v += 1)
    for (let u = x - reach; u <= x + reach; u += 1) if (Math.hypot(u - x, v - y) <= reach) members.push(v * width + u);
  return { x, y, z, on: 120, members, heights: new Float32Array(members.length).fill(1) };
}

const known = (): Known => ({ lambda: FLOOR.lambda, D: FLOOR.D, on: 120, onU: 15, begin: 120, sign: 1, coverKnown: true });
const leak = (z: number) => patchAt(LEAK.x, LEAK.y, z, 7);
const strip = (z: number) => patchAt(97, 30, z, 7);
const chosen = (stack: Stack, patches: readonly Patch[]) => chooseSource(stack, NOISE, patches, known).leak;

describe('which patch is a leak', () => {
  const clear = stackOf(0.8, 1.2);

  test('the one that spreads as heat does, not the one with sharp edges', () => {
    const found = chosen(clear, [strip(50), leak(30)])!;
    expect(Math.hypot(found.x - LEAK.x, found.y - LEAK.y)).toBeLessThan(1.5);
    expect(found.kind).not.toBe('line');
    expect(found.z).toBe(30);
  });

  test('what else grew is told with why it is not that: edges, or that another stands out more', () => {
    const { others } = chooseSource(clear, NOISE, [strip(50), leak(30), leak(20), strip(7)], known);
    expect(others).toEqual([
      { x: 97, y: 30, why: 'edges' },
      { x: LEAK.x, y: LEAK.y, why: 'weaker' },
    ]);
  });

  test('what rises at another pace than this floor lets heat through is told so', () => {
    const early = (): Known => ({ ...known(), D: 14 * FLOOR.D, lambda: 2 * FLOOR.lambda });
    const { leak: none, others } = chooseSource(stackOf(0.8, 0), NOISE, [leak(30)], early);
    expect(none).toBeNull();
    expect(others).toEqual([{ x: LEAK.x, y: LEAK.y, why: 'pace' }]);
  });

  test('none where there are only sharp edges', () => {
    expect(chosen(stackOf(0, 1.2), [strip(50)])).toBeNull();
    expect(chosen(clear, [])).toBeNull();
  });

  test('a faint one is not believed beside something that stands out five times as far', () => {
    expect(chosen(clear, [strip(50), leak(8)])).toBeNull();
    expect(chosen(clear, [strip(30), leak(8)])).not.toBeNull();
    expect(chosen(clear, [leak(8)])).not.toBeNull();
  });

  test('a faint one on the rim of what was warm before is not believed, a clear one is', () => {
    const beside = [{ x: LEAK.x + 12, y: LEAK.y, radius: 20 }];
    const of = (z: number, standing = beside) => chooseSource(clear, NOISE, [leak(z)], known, standing).leak;
    expect(of(15)).toBeNull();
    expect(of(30)!.z).toBe(30);
    expect(of(15, [{ ...beside[0]!, radius: 8 }])!.z).toBe(15);
  });

  test('none where cold comes and warmth is looked for', () => {
    expect(chosen(stackOf(-0.8, 0), [leak(30)])).toBeNull();
  });

  test('what grows only beside a steady rate of the other sign is none: its place did not warm', () => {
    const against = (kelvin: number) => {
      const stack = stackOf(0.8, 0);
      const rises = stack.rises.map((values, i) =>
        values.map((value, p) => {
          const [x, y] = [(p % width) - LEAK.x, Math.floor(p / width) - LEAK.y];
          return value - kelvin * (i / 19) * Math.exp(-(x * x + y * y) / (2 * 8 ** 2));
        }),
      );
      return chosen({ ...stack, rises }, [leak(30)]);
    };
    expect(against(0.3)).not.toBeNull();
    expect(against(4)).toBeNull();
  });

  test('its heat has the sign that was looked for', () => {
    const cold = stackOf(-0.8, 0);
    const found = chooseSource(cold, NOISE, [leak(30)], () => ({ ...known(), sign: -1 })).leak!;
    expect(found.amount).toBeLessThan(0);
    expect(Math.hypot(found.x - LEAK.x, found.y - LEAK.y)).toBeLessThan(1.5);
  });

  test('with other noise it is the same place', () => {
    const places = [2, 3, 4].map((seed) => chosen(stackOf(0.8, 0, seed), [leak(30)])!);
    for (const { x, y, u } of places) {
      expect(Math.hypot(x - LEAK.x, y - LEAK.y)).toBeLessThan(1.5);
      expect(u).toBeLessThan(0.5);
    }
  });
});

describe('water along a line', () => {
  const [start, direction, length] = [[30, 30], 0.5, 48] as const;
  const spots = line(120, direction, length, 4, 0.2, FLOOR.lambda);
  const along = [...Array(length).keys()].map((s) => [start[0] + s * Math.cos(direction), start[1] + s * Math.sin(direction)]);
  const members = along.flatMap(([x, y]) => [-3, -2, -1, 0, 1, 2, 3].map((dy) => Math.round(y! + dy) * width + Math.round(x!)));
  const patch: Patch = { x: 50, y: 40, z: 30, on: 120, members, heights: new Float32Array(members.length).fill(1) };
  const normal = normalFrom(seededRandom(11));
  const times = Array.from({ length: 20 }, (_, i) => 75 * i);
  const whole = riseAt([24 * Math.cos(direction), 24 * Math.sin(direction)], times.at(-1)!, FLOOR, spots);
  const rises = times.map((t) =>
    Float32Array.from({ length: width * height }, (_, p) => {
      const [x, y] = [(p % width) - start[0], Math.floor(p / width) - start[1]];
      return (1.6 * riseAt([x, y], t, FLOOR, spots)) / whole + NOISE * normal();
    }),
  );

  test('is a line though one place explains hardly any of it', () => {
    const found = chosen({ width, height, times, rises }, [patch])!;
    expect(found.kind).toBe('line');
    expect(Math.hypot(found.x - start[0], found.y - start[1])).toBeLessThan(4);
    expect(Math.cos(found.direction - direction)).toBeGreaterThan(0.98);
  });

  test('begins at the leak and not at the far end, though some creeps back', () => {
    const behind = line(120, direction, length - 12, 12, 0.12, FLOOR.lambda);
    const shown = times.map((t) =>
      Float32Array.from({ length: width * height }, (_, p) => {
        const [x, y] = [(p % width) - start[0], Math.floor(p / width) - start[1]];
        const from = [x - 12 * Math.cos(direction), y - 12 * Math.sin(direction)] as const;
        return (1.6 * riseAt(from, t, FLOOR, behind)) / whole + NOISE * normal();
      }),
    );
    const found = chosen({ width, height, times, rises: shown }, [patch])!;
    const [x, y] = [start[0] + 12 * Math.cos(direction), start[1] + 12 * Math.sin(direction)];
    expect(found.kind).toBe('line');
    expect(Math.hypot(found.x - x, found.y - y)).toBeLessThan(3);
    expect(Math.cos(found.direction - direction)).toBeGreaterThan(0.98);
  });
});
