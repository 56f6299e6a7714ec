import { leastUValue } from './leastU';

test('a fair difference tells bare walls, not insulated ones; twice of it half the U-value', () => {
  // At 15 K a wall of 1.03 W/m²K has its face 2 K below the air, four times what a surface reads off.
  expect(leastUValue(15)).toBeCloseTo(1.03, 2);
  expect(leastUValue(30)).toBeCloseTo(leastUValue(15) / 2, 9);
});
