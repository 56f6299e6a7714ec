import { normalFrom, seededRandom } from '../simulate/random';
import { errorOf } from '../testing/material';
import { emissivityFromContact, emissivityFromTape, reflectedFromFoil, type SeenMean, type Surroundings } from './experiments';
import { apparentTemperature } from './measurement';
import { DEFAULT_UNCERTAINTY } from './uncertainty';

const around: Surroundings = { reflected: 20, reflectedU: 0.5, air: 20, transmittance: 1 };
const seen = (apparent: number, count = 100): SeenMean => ({ apparent, std: 0.06, noise: 0.06, count });
const looks = (object: number, emissivity: number) =>
  apparentTemperature(object, { emissivity, reflected: around.reflected, air: around.air, transmittance: around.transmittance });
const tape = { value: 0.95, uncertainty: 0.02 };
const noCalibration = { ...DEFAULT_UNCERTAINTY, calibration: 0 };

describe('foil', () => {
  test('reads the surroundings; calibration and the unevenness of its folds make the uncertainty', () => {
    const even = reflectedFromFoil({ ...seen(17.3), std: 0.3 }, 20, DEFAULT_UNCERTAINTY);
    expect(even.value).toBe(17.3);
    expect(even.warnings).toEqual([]);
    expect(even.uncertainty).toBeCloseTo(Math.hypot(0.006, 0.1, 1, 0.1, 0.05 * -2.7), 6);
    const uneven = reflectedFromFoil({ ...seen(17.3), std: 3 }, 20, DEFAULT_UNCERTAINTY);
    expect(uneven.warnings.map(({ code }) => code)).toEqual(['uneven']);
    expect(uneven.uncertainty).toBeGreaterThan(even.uncertainty);
  });

  test('a spot of few pixels is warned of', () => {
    expect(reflectedFromFoil(seen(20, 4), 20, DEFAULT_UNCERTAINTY).warnings.map(({ code }) => code)).toEqual(['few_pixels']);
  });
});

describe('tape beside the bare surface', () => {
  test.each([0.1, 0.3, 0.6, 0.9])('finds an emissivity of %s on a radiator of 50 °C', (emissivity) => {
    const outcome = emissivityFromTape(seen(looks(50, emissivity)), seen(looks(50, 0.95)), tape, around, DEFAULT_UNCERTAINTY);
    expect(outcome.value).toBeCloseTo(emissivity, 4);
    expect(outcome.warnings).toEqual([]);
    expect(outcome.uncertainty).toBeLessThan(0.05);
  });

  test('works on cold surfaces as well', () => {
    const outcome = emissivityFromTape(seen(looks(5, 0.4)), seen(looks(5, 0.95)), tape, around, DEFAULT_UNCERTAINTY);
    expect(outcome.value).toBeCloseTo(0.4, 4);
  });

  test('a contrast below 10 K is warned of, below 3 K refused', () => {
    const faint = emissivityFromTape(seen(looks(26, 0.5)), seen(looks(26, 0.95)), tape, around, DEFAULT_UNCERTAINTY);
    expect(faint.warnings.map(({ code }) => code)).toContain('small_contrast');
    const strong = emissivityFromTape(seen(looks(60, 0.5)), seen(looks(60, 0.95)), tape, around, DEFAULT_UNCERTAINTY);
    expect(faint.uncertainty).toBeGreaterThan(3 * strong.uncertainty);
    expect(errorOf(() => emissivityFromTape(seen(21), seen(22), tape, around, DEFAULT_UNCERTAINTY))).toMatchObject({
      code: 'impossible',
      message: expect.stringMatching(/2\.0 K/),
    });
  });

  test('what no emissivity explains is refused', () => {
    // The bare surface looks farther from its surroundings than the tape: two temperatures, or a hot mirror image.
    expect(errorOf(() => emissivityFromTape(seen(60), seen(50), tape, around, noCalibration))).toMatchObject({
      code: 'impossible',
    });
    expect(errorOf(() => emissivityFromTape(seen(15), seen(50), tape, around, noCalibration))).toMatchObject({
      code: 'impossible',
    });
  });

  test('just above 1 is kept as 1 and said', () => {
    const outcome = emissivityFromTape(seen(looks(50, 1)), seen(looks(50, 0.93)), tape, around, DEFAULT_UNCERTAINTY);
    expect(outcome.value).toBe(1);
    expect(outcome.warnings.map(({ code }) => code)).toContain('above_one');
  });

  test('a Monte Carlo of 20 000 draws agrees with its uncertainty to 5 %', () => {
    const normal = normalFrom(seededRandom(3));
    const bareSeen = looks(45, 0.3);
    const tapeSeen = looks(45, 0.95);
    const analytic = emissivityFromTape(seen(bareSeen), seen(tapeSeen), tape, around, DEFAULT_UNCERTAINTY).uncertainty;
    const each = Math.hypot(0.006, 0.1);
    let sum = 0;
    let squares = 0;
    for (let i = 0; i < 20_000; i += 1) {
      const calibration = normal();
      const value = emissivityFromTape(
        seen(bareSeen + calibration + each * normal()),
        seen(tapeSeen + calibration + each * normal()),
        { value: 0.95 + 0.02 * normal(), uncertainty: 0.02 },
        { ...around, reflected: 20 + 0.5 * normal() },
        DEFAULT_UNCERTAINTY,
      ).value;
      sum += value;
      squares += value * value;
    }
    const std = Math.sqrt(squares / 20_000 - (sum / 20_000) ** 2);
    expect(Math.abs(std / analytic - 1)).toBeLessThan(0.05);
  });
});

describe('a contact thermometer', () => {
  test('gives the emissivity that makes both agree', () => {
    const outcome = emissivityFromContact(seen(looks(48, 0.7)), { celsius: 48, uncertainty: 0.5 }, around, DEFAULT_UNCERTAINTY);
    expect(outcome.value).toBeCloseTo(0.7, 4);
    expect(outcome.uncertainty).toBeGreaterThan(0.02);
  });

  test('a worse thermometer makes a worse result', () => {
    const of = (uncertainty: number) =>
      emissivityFromContact(seen(looks(48, 0.7)), { celsius: 48, uncertainty }, around, DEFAULT_UNCERTAINTY).uncertainty;
    expect(of(3)).toBeGreaterThan(1.5 * of(0.3));
  });

  test('a result that says less than the table is said to', () => {
    const outcome = emissivityFromContact(
      seen(looks(26, 0.8)),
      { celsius: 26, uncertainty: 2 },
      { ...around, reflectedU: 2 },
      DEFAULT_UNCERTAINTY,
    );
    expect(outcome.warnings.map(({ code }) => code)).toEqual(expect.arrayContaining(['small_contrast', 'not_sure']));
  });
});
