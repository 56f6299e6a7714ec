import { cylinderLoss, deadLegLengthM, lossPerMetre, pipeLoss, readValve, readZone, type PipeBuild } from './pipes';
import { normalFrom, seededRandom } from '../geometry/random';

const copper: PipeBuild = { material: 'copper', outerMm: 22, wallMm: 1, laggingMm: 0 };
const AIR = 20;

/** Pipe temperatures that fall by 63 % in a length. */
const fading = (lengthM: number, at: readonly number[], excess = 35, noise: () => number = () => 0) =>
  at.map((m) => ({ m, celsius: AIR + excess * Math.exp(-m / lengthM) + noise() }));

describe('what a metre of pipe loses', () => {
  test('bare pipe lies where tables have it: 22 mm copper at 40 K loses 20 to 35 W a metre', () => {
    const watts = 40 * lossPerMetre(copper, 40, AIR);
    expect(watts).toBeGreaterThan(20);
    expect(watts).toBeLessThan(35);
  });

  test('dull steel gives more than copper of the same size, lagging less than either', () => {
    const steel = lossPerMetre({ ...copper, material: 'steel' }, 40, AIR);
    expect(steel).toBeGreaterThan(lossPerMetre(copper, 40, AIR));
    const lagged = lossPerMetre({ ...copper, laggingMm: 25 }, 40, AIR);
    // 2π · 0.037 / ln(72 / 22) = 0.196 W/(m·K) without the film outside.
    expect(lagged).toBeLessThan(0.196);
    expect(lagged).toBeGreaterThan(0.15);
  });

  test('thicker lagging always loses less', () => {
    const losses = [5, 10, 20, 40].map((laggingMm) => lossPerMetre({ ...copper, laggingMm }, 40, AIR));
    losses.slice(1).forEach((loss, k) => expect(loss).toBeLessThan(losses[k]!));
  });
});

describe('a dead leg', () => {
  test('copper carries heat a hand’s length, steel less, plastic hardly', () => {
    const length = (material: PipeBuild['material']) => deadLegLengthM({ ...copper, material, wallMm: 2 }, 35, AIR);
    expect(length('copper')).toBeGreaterThan(0.15);
    expect(length('copper')).toBeLessThan(0.4);
    expect(length('steel')).toBeLessThan(length('copper') / 2);
    expect(length('plastic')).toBeLessThan(0.05);
  });

  test('lagged it carries farther: less is lost on the way', () =>
    expect(deadLegLengthM({ ...copper, laggingMm: 20 }, 35, AIR)).toBeGreaterThan(1.5 * deadLegLengthM(copper, 35, AIR)));
});

describe('a closed valve', () => {
  const dead = deadLegLengthM(copper, 35, AIR);

  test('holds where the excess fades as conduction does', () => {
    const found = readValve(fading(dead, [0.05, 0.15, 0.25, 0.4]), copper, AIR, 0.6);
    expect(found.verdict).toBe('holds');
    expect(found.lengthM!).toBeCloseTo(dead, 2);
    expect(found.litresHour).toBe(0);
  });

  test('passes where the pipe stays warm, and the flow that explains it is stated', () => {
    const found = readValve(fading(4, [0.1, 0.5, 1, 2]), copper, AIR, 0.6);
    expect(found.verdict).toBe('passes');
    // Length times loss over the heat of water: 4 m · 0.6 W/(m·K) / 4186 J/(kg·K) are some 2 l/h.
    expect(found.litresHour!).toBeGreaterThan(1);
    expect(found.litresHour!).toBeLessThan(4);
    const level = readValve(fading(1e9, [0.1, 0.5, 1, 2]), copper, AIR, 0.6);
    expect(level.verdict).toBe('passes');
  });

  test('warm from the far end is told from both', () => {
    const points = [0.1, 0.4, 0.8].map((m) => ({ m, celsius: 24 + 20 * m }));
    expect(readValve(points, copper, AIR, 0.6).verdict).toBe('far-end');
  });

  test('a pipe that is hardly warm tells nothing', () =>
    expect(readValve(fading(dead, [0.1, 0.2, 0.3], 4), copper, AIR, 0.6).verdict).toBe('cannot-say'));

  test('bare metal, read badly, tells nothing between the two', () =>
    expect(readValve(fading(2 * dead, [0.05, 0.2, 0.35]), copper, AIR, 4).verdict).toBe('cannot-say'));

  test('one that is cold at the second place holds', () => {
    const points = [
      { m: 0.05, celsius: 50 },
      { m: 0.6, celsius: 20.2 },
      { m: 1, celsius: 20 },
    ];
    expect(readValve(points, copper, AIR, 0.6)).toMatchObject({ verdict: 'holds', litresHour: 0 });
  });

  test('fewer than three places are refused', () => {
    expect(() => readValve(fading(dead, [0.1, 0.2]), copper, AIR, 0.6)).toThrow(expect.objectContaining({ code: 'bad_input' }));
    expect(() => readValve(fading(dead, [0.1, 0.1, 0.1]), copper, AIR, 0.6)).toThrow(
      expect.objectContaining({ code: 'bad_input' }),
    );
  });

  test('verdicts on noisy readings are never the wrong way round, and mostly made', () => {
    const normal = normalFrom(seededRandom(11));
    const noise = () => 0.6 * normal();
    const count = (lengthM: number, at: readonly number[]) => {
      const found = Array.from({ length: 200 }, () => readValve(fading(lengthM, at, 35, noise), copper, AIR, 0.6).verdict);
      return (verdict: string) => found.filter((one) => one === verdict).length;
    };
    const holding = count(dead, [0.05, 0.15, 0.25, 0.35]);
    expect(holding('holds')).toBeGreaterThan(190);
    expect(holding('passes')).toBe(0);
    const passing = count(4, [0.2, 0.6, 1, 1.6]);
    expect(passing('passes')).toBeGreaterThan(190);
    expect(passing('holds')).toBe(0);
  });

  test('the stated interval holds the length in about 95 of 100', () => {
    const normal = normalFrom(seededRandom(5));
    let inside = 0;
    for (let k = 0; k < 400; k += 1) {
      const { lengthLowM, lengthHighM } = readValve(
        fading(0.8, [0.1, 0.3, 0.5, 0.8, 1.1, 1.4], 35, () => 0.6 * normal()),
        copper,
        AIR,
        0.6,
      );
      if (lengthLowM! <= 0.8 && 0.8 <= lengthHighM!) inside += 1;
    }
    expect(inside / 400).toBeGreaterThan(0.92);
    expect(inside / 400).toBeLessThanOrEqual(1);
  });
});

describe('zones', () => {
  test('one that is nearly as warm without its call lets by', () => {
    expect(readZone(55, 48, AIR)).toBe('passes');
    expect(readZone(55, 24, AIR)).toBe('holds');
  });
  test('one that was never warm tells nothing', () => {
    expect(readZone(23, 22, AIR)).toBe('cannot-say');
    expect(readZone(null, 22, AIR)).toBe('cannot-say');
    expect(readZone(55, null, AIR)).toBe('cannot-say');
  });
});

describe('what is lost', () => {
  test('a run: its length, its hours, its saving', () => {
    const loss = pipeLoss(copper, 10, 60, AIR, 5000);
    expect(loss.watts).toBeCloseTo(400 * lossPerMetre(copper, 40, AIR), 6);
    expect(loss.kwhYear).toBeCloseTo(5 * loss.watts, 6);
    expect(loss.saveKwhYear).toBeCloseTo(5 * (loss.watts - loss.laggedW), 6);
    expect(loss.laggedW).toBeLessThan(loss.watts / 2);
  });
  test('what is lagged already saves nothing more', () => {
    const loss = pipeLoss({ ...copper, laggingMm: 30 }, 10, 60, AIR, 5000);
    expect(loss.saveKwhYear).toBeCloseTo(0, 9);
  });
  test('water as cold as the air loses nothing', () => expect(pipeLoss(copper, 10, 18, AIR, 5000).watts).toBe(0));
  test('a cylinder whose outside is 10 K warm loses some 9 W a square metre and kelvin', () => {
    const loss = cylinderLoss(2, 30, 60, AIR, 8760);
    expect(loss.watts / 20).toBeGreaterThan(7);
    expect(loss.watts / 20).toBeLessThan(11);
    expect(loss.laggedW).toBeLessThan(loss.watts);
  });
});
