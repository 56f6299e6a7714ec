import { errorOf, reference } from '../testing/material';
import { facadeIrradiance, irradiance } from './irradiance';
import { sunPosition } from './sun';
import { ABSORPTANCE, hoursUntilBelow, nextSunExcess, OUTER_FILM, USUAL_TIME_CONSTANTS, type Wall } from './wallMemory';

describe('the memory of walls', () => {
  test('agrees with an independent program to a millionth of a kelvin', () => {
    expect(reference.wall_memory.length).toBe(8);
    for (const { in: given, out } of reference.wall_memory) {
      let excess = given.s0_K;
      given.I_W_m2.forEach((sun, k) => {
        excess = nextSunExcess(excess, (given.alpha * sun) / given.h_o_W_m2K, given.dt_h, given.tau_h);
        expect(Math.abs(excess - out.s_K[k]!)).toBeLessThan(1e-6);
      });
    }
  });

  test('forgets by itself and never falls below the shade', () => {
    let excess = 12;
    for (let h = 0; h < 48; h += 1) {
      const next = nextSunExcess(excess, 0, 1, 3);
      expect(next).toBeLessThan(excess);
      expect(next).toBeGreaterThan(0);
      excess = next;
    }
  });

  /** A clear February day on a south wall at 51° north: the excess at four, when the full sun ends. */
  function afterFullSun(wall: Wall): number {
    let excess = 0;
    for (let hour = 7; hour < 16; hour += 1) {
      const sun = sunPosition(Date.UTC(2027, 1, 10, hour, 30), 51, 0);
      const gain = (ABSORPTANCE * facadeIrradiance(sun, irradiance(sun.altitudeDeg, 41, 0), 180)) / OUTER_FILM;
      excess = nextSunExcess(excess, gain, 1, USUAL_TIME_CONSTANTS[wall]);
    }
    return excess;
  }

  test.each<[Wall, number, number]>([
    ['light', 1, 2],
    ['brick', 6, 8],
    ['stone', 12, 16],
  ])('after a clear day %s needs %i to %i hours until less than 1 K is left', (wall, least, most) => {
    const wait = hoursUntilBelow(afterFullSun(wall), 1, USUAL_TIME_CONSTANTS[wall]);
    expect(wait).toBeGreaterThanOrEqual(least);
    expect(wait).toBeLessThanOrEqual(most);
  });

  test('waits until just then', () => {
    const wait = hoursUntilBelow(9, 1, 3);
    expect(nextSunExcess(9, 0, wait, 3)).toBeCloseTo(1, 10);
    expect(hoursUntilBelow(0.4, 1, 3)).toBe(0);
    expect(errorOf(() => hoursUntilBelow(5, 0, 3))).toMatchObject({ code: 'out_of_range' });
  });
});
