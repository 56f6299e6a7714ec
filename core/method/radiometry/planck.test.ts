import { reference } from '../../testing/material';
import { radianceFromTemperature, temperatureFromRadiance } from './bandTable';
import { bandRadiance, bandRadianceSlope, kelvinFromBandRadiance } from './planck';

/** Planck's law itself, integrated by Simpson's rule over 1000 steps: shares nothing with the series. */
function integral(kelvin: number): number {
  const h = 6.62607015e-34;
  const c = 299792458;
  const k = 1.380649e-23;
  const spectral = (metre: number) => (2 * h * c * c) / metre ** 5 / Math.expm1((h * c) / (metre * k * kelvin));
  const steps = 1000;
  const width = (14e-6 - 7.5e-6) / steps;
  let sum = spectral(7.5e-6) + spectral(14e-6);
  for (let i = 1; i < steps; i += 1) sum += spectral(7.5e-6 + i * width) * (i % 2 === 1 ? 4 : 2);
  return (sum * width) / 3;
}

describe('band radiance, 7.5 … 14 µm', () => {
  test('agrees with the reference to 1e-6 relative, slope included', () => {
    expect(reference.band_radiance.length).toBeGreaterThanOrEqual(12);
    for (const { in: given, out } of reference.band_radiance) {
      const kelvin = given.T_C + 273.15;
      expect(Math.abs(bandRadiance(kelvin) / out.L_W_m2_sr - 1)).toBeLessThan(1e-6);
      expect(Math.abs(bandRadianceSlope(kelvin) / out.dL_dT_W_m2_sr_K - 1)).toBeLessThan(1e-6);
    }
  });

  test('agrees with the integral from −200 to 2000 °C', () => {
    for (const celsius of [-200, -80, -40, 0, 20, 100, 400, 1000, 2000]) {
      expect(Math.abs(bandRadiance(celsius + 273.15) / integral(celsius + 273.15) - 1)).toBeLessThan(1e-9);
    }
  });

  test('is inverted exactly', () => {
    for (const kelvin of [25, 60, 150, 293.15, 500, 2200])
      expect(kelvinFromBandRadiance(bandRadiance(kelvin))).toBeCloseTo(kelvin, 7);
  });

  test('has no temperature for what is not a radiance, or colder than −253 °C', () => {
    for (const radiance of [0, -1, NaN, 1e-40]) expect(kelvinFromBandRadiance(radiance)).toBeNaN();
  });
});

describe('the tables', () => {
  test('stay within 0.1 mK of the integral from −80 to 400 °C, there and back', () => {
    let worst = 0;
    for (let celsius = -80; celsius <= 400; celsius += 0.37) {
      const exact = integral(celsius + 273.15);
      const slope = bandRadianceSlope(celsius + 273.15);
      worst = Math.max(worst, Math.abs(radianceFromTemperature(celsius) - exact) / slope);
      worst = Math.max(worst, Math.abs(temperatureFromRadiance(exact) - celsius));
    }
    expect(worst).toBeLessThan(1e-4);
  });

  test('hand over to the exact functions at their ends without a step', () => {
    for (const edge of [-82, 402]) {
      const below = radianceFromTemperature(edge - 1e-6);
      const above = radianceFromTemperature(edge + 1e-6);
      expect(Math.abs(above / below - 1)).toBeLessThan(1e-6);
      expect(temperatureFromRadiance(below)).toBeCloseTo(edge, 3);
      expect(temperatureFromRadiance(above)).toBeCloseTo(edge, 3);
    }
  });

  test('rise all the way', () => {
    let last = 0;
    for (let celsius = -120; celsius < 600; celsius += 0.5) {
      const radiance = radianceFromTemperature(celsius);
      expect(radiance).toBeGreaterThan(last);
      last = radiance;
    }
  });

  test('pass NaN on, and have no radiance at absolute zero', () => {
    expect(radianceFromTemperature(NaN)).toBeNaN();
    expect(radianceFromTemperature(-300)).toBeNaN();
    expect(temperatureFromRadiance(NaN)).toBeNaN();
    expect(temperatureFromRadiance(-3)).toBeNaN();
  });
});
