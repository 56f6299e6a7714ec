import { normalFrom, seededRandom } from './random';

describe('seeded numbers', () => {
  test('are the same for the same seed, others for another', () => {
    const draw = (seed: number) => Array.from({ length: 5 }, seededRandom(seed));
    expect(draw(1)).toEqual(draw(1));
    expect(draw(1)).not.toEqual(draw(2));
  });

  test('lie evenly between 0 and 1', () => {
    const random = seededRandom(3);
    const counts = new Array<number>(10).fill(0);
    for (let i = 0; i < 20_000; i += 1) {
      const value = random();
      expect(value >= 0 && value < 1).toBe(true);
      counts[Math.floor(value * 10)]! += 1;
    }
    for (const count of counts) expect(Math.abs(count - 2000)).toBeLessThan(200);
  });

  test('make a normal distribution with mean 0 and standard deviation 1', () => {
    const normal = normalFrom(seededRandom(4));
    const draws = Array.from({ length: 20_000 }, normal);
    const mean = draws.reduce((a, b) => a + b, 0) / draws.length;
    const variance = draws.reduce((a, b) => a + (b - mean) ** 2, 0) / draws.length;
    expect(Math.abs(mean)).toBeLessThan(0.03);
    expect(Math.abs(variance - 1)).toBeLessThan(0.05);
    const within = draws.filter((value) => Math.abs(value) < 1.96).length / draws.length;
    expect(Math.abs(within - 0.95)).toBeLessThan(0.01);
  });
});
