import type { CoreError } from '../../ground/errors';
import { normalFrom, seededRandom } from '../../ground/random';
import { errorOf } from '../../testing/material';
import { radianceFromTemperature, temperatureFromRadiance } from './bandTable';
import { reflectedOutdoors } from './outdoors';

test('the clearer the sky the colder, and never warmer than the air', () => {
  const at = (cloud: number) => reflectedOutdoors(3, cloud).value;
  expect(at(0)).toBeLessThan(at(50));
  expect(at(50)).toBeLessThan(at(100));
  expect(at(100)).toBeLessThan(3);
  expect(3 - at(0)).toBeGreaterThan(8);
  expect(3 - at(100)).toBeLessThan(2.5);
});

test('what nobody said is taken as half a sky, as unsurely as a clear one', () => {
  expect(reflectedOutdoors(3, null)).toEqual({ value: reflectedOutdoors(3, 50).value, uncertainty: 5 });
  expect(reflectedOutdoors(3, 50).uncertainty).toBe(3.5);
});

test('it holds walls between street and open field under skies as they differ', () => {
  const seeded = seededRandom(17);
  const normal = normalFrom(seeded);
  for (const [air, cloud] of [
    [-5, 0],
    [4, 0],
    [15, 0],
    [2, 60],
    [8, 100],
  ] as const) {
    const { value, uncertainty } = reflectedOutdoors(air, cloud);
    let held = 0;
    const draws = 2000;
    for (let i = 0; i < draws; i += 1) {
      const share = 0.15 + 0.4 * seeded();
      const clear = Math.min(0.85, Math.max(0.35, 0.58 + 0.06 * normal()));
      const covered = 0.85 * (cloud / 100);
      const sky =
        (1 - covered) * clear * radianceFromTemperature(air) + covered * radianceFromTemperature(air - Math.abs(2 * normal()));
      const seen = temperatureFromRadiance(share * sky + (1 - share) * radianceFromTemperature(air + 2 * normal()));
      if (Math.abs(seen - value) <= 2 * uncertainty) held += 1;
    }
    expect(held / draws).toBeGreaterThan(0.9);
  }
});

test.each([
  [-90, 50],
  [70, 50],
  [5, -1],
  [5, 101],
])('air %p °C under %p % of cloud is refused', (air, cloud) =>
  expect((errorOf(() => reflectedOutdoors(air, cloud)) as CoreError).code).toBe('out_of_range'),
);
