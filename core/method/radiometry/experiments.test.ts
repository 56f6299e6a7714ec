import { normalFrom, seededRandom } from '../../ground/random';
import { errorOf } from '../../testing/material';
import { cameraErrors, uncertainSettings } from '../../testing/uncertain';
import { emissivityFromContact, emissivityFromTape, reflectedFromFoil } from './experiments';
import { apparentTemperature } from './measurement';
import { exact, linear, sharesOf, uncertaintyOf } from './quantity';
import { differenceQuantity, objectOf, seenBy, type SeenMean } from './uncertainty';

const plain = { reflected: 20, air: 20, transmittance: 1 };
const around = uncertainSettings(plain, { reflected: 0.5 });
const camera = cameraErrors({ noise: 0.06, gain: 0, blur: 0 });
const seen = (apparent: number, region = 'bare', count = 100): SeenMean => ({ region, apparent, std: 0.06, count, spill: 0 });
const looks = (object: number, emissivity: number) => apparentTemperature(object, { ...plain, emissivity });
const tape = { value: 0.95, uncertainty: 0.02 };
const noCalibration = { ...camera, calibration: 0 };

describe('foil', () => {
  test('reads the surroundings; calibration and the unevenness of its folds make the uncertainty', () => {
    const even = reflectedFromFoil({ ...seen(17.3), std: 0.3 }, exact(20), camera);
    // The foil emits a twentieth itself, at the temperature of the air: what it mirrors is a little colder than it looks.
    expect(even.value).toBeCloseTo(17.3 - (0.05 / 0.95) * 2.7, 1);
    expect(even.warnings).toEqual([]);
    expect(even.uncertainty).toBeCloseTo(Math.hypot(0.006, 0.1, 1) / 0.95, 1);
    const uneven = reflectedFromFoil({ ...seen(17.3), std: 3 }, exact(20), camera);
    expect(uneven.warnings.map(({ code }) => code)).toEqual(['uneven']);
    expect(uneven.uncertainty).toBeGreaterThan(even.uncertainty);
  });

  test('a spot of few pixels is warned of', () => {
    expect(reflectedFromFoil(seen(20, 'foil', 4), exact(20), camera).warnings.map(({ code }) => code)).toEqual(['few_pixels']);
  });
});

describe('tape beside the bare surface', () => {
  test.each([0.1, 0.3, 0.6, 0.9])('finds an emissivity of %s on a radiator of 50 °C', (emissivity) => {
    const outcome = emissivityFromTape(seen(looks(50, emissivity)), seen(looks(50, 0.95), 'tape'), tape, around, camera);
    expect(outcome.value).toBeCloseTo(emissivity, 4);
    expect(outcome.warnings).toEqual([]);
    expect(outcome.uncertainty).toBeLessThan(0.05);
  });

  test('works on cold surfaces as well', () => {
    const outcome = emissivityFromTape(seen(looks(5, 0.4)), seen(looks(5, 0.95), 'tape'), tape, around, camera);
    expect(outcome.value).toBeCloseTo(0.4, 4);
  });

  test('a contrast below 10 K is warned of, below 3 K refused', () => {
    const faint = emissivityFromTape(seen(looks(26, 0.5)), seen(looks(26, 0.95), 'tape'), tape, around, camera);
    expect(faint.warnings.map(({ code }) => code)).toContain('small_contrast');
    const strong = emissivityFromTape(seen(looks(60, 0.5)), seen(looks(60, 0.95), 'tape'), tape, around, camera);
    expect(faint.uncertainty).toBeGreaterThan(3 * strong.uncertainty);
    expect(errorOf(() => emissivityFromTape(seen(21), seen(22, 'tape'), tape, around, camera))).toMatchObject({
      code: 'impossible',
      message: expect.stringMatching(/2\.0 K/),
    });
  });

  test('what no emissivity explains is refused', () => {
    // The bare surface looks farther from its surroundings than the tape: two temperatures, or a hot mirror image.
    expect(errorOf(() => emissivityFromTape(seen(60), seen(50, 'tape'), tape, around, noCalibration))).toMatchObject({
      code: 'impossible',
    });
    expect(errorOf(() => emissivityFromTape(seen(15), seen(50, 'tape'), tape, around, noCalibration))).toMatchObject({
      code: 'impossible',
    });
  });

  test('just above 1 is kept as 1 and said', () => {
    const outcome = emissivityFromTape(seen(looks(50, 1)), seen(looks(50, 0.93), 'tape'), tape, around, camera);
    expect(outcome.value).toBe(1);
    expect(outcome.warnings.map(({ code }) => code)).toContain('above_one');
  });

  test('a Monte Carlo of 20 000 draws agrees with its uncertainty to 5 %', () => {
    const normal = normalFrom(seededRandom(3));
    const bareSeen = looks(45, 0.3);
    const tapeSeen = looks(45, 0.95);
    const analytic = emissivityFromTape(seen(bareSeen), seen(tapeSeen, 'tape'), tape, around, camera).uncertainty;
    const each = Math.hypot(0.006, 0.1);
    let sum = 0;
    let squares = 0;
    for (let i = 0; i < 20_000; i += 1) {
      const calibration = normal();
      const value = emissivityFromTape(
        seen(bareSeen + calibration + each * normal()),
        seen(tapeSeen + calibration + each * normal(), 'tape'),
        { value: 0.95 + 0.02 * normal(), uncertainty: 0.02 },
        { ...around, reflected: exact(20 + 0.5 * normal()) },
        camera,
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
    const outcome = emissivityFromContact(seen(looks(48, 0.7)), { celsius: 48, uncertainty: 0.5 }, around, camera);
    expect(outcome.value).toBeCloseTo(0.7, 4);
    expect(outcome.uncertainty).toBeGreaterThan(0.02);
  });

  test('a worse thermometer makes a worse result', () => {
    const of = (uncertainty: number) =>
      emissivityFromContact(seen(looks(48, 0.7)), { celsius: 48, uncertainty }, around, camera).uncertainty;
    expect(of(3)).toBeGreaterThan(1.5 * of(0.3));
  });

  test('a result that says less than the table is said to', () => {
    const outcome = emissivityFromContact(
      seen(looks(26, 0.8)),
      { celsius: 26, uncertainty: 2 },
      uncertainSettings(plain, { reflected: 2 }),
      camera,
    );
    expect(outcome.warnings.map(({ code }) => code)).toEqual(expect.arrayContaining(['small_contrast', 'not_sure']));
  });
});

describe('what an experiment shares with the readings that use it', () => {
  test('copper that tape told is as sure as the tape, because one camera read both', () => {
    const bare = seenBy(seen(looks(60, 0.1)), camera);
    const { quantity, value, uncertainty } = emissivityFromTape(
      seen(looks(60, 0.1)),
      seen(looks(60, 0.95), 'tape'),
      { value: 0.95, uncertainty: 0.01 },
      around,
      camera,
    );
    // As settings keep it: shares of what is common, the rest as an own error.
    const shares = sharesOf(quantity, ({ part }) => part !== 'emissivity' && part !== 'noise' && part !== 'uniformity');
    const shared = shares.reduce((sum, { per, u }) => sum + (per * u) ** 2, 0);
    const own = { name: 'copper', part: 'emissivity' as const, u: Math.sqrt(uncertainty ** 2 - shared) };
    const stored = linear(value, [...shares, { ...own, per: 1 }]);
    const together = uncertaintyOf(objectOf(bare, { ...around, emissivity: stored })).total;
    const apart = uncertaintyOf(
      objectOf(bare, { ...around, emissivity: linear(value, [{ ...own, u: uncertainty, per: 1 }]) }),
    ).total;
    expect(together).toBeLessThan(2.2);
    expect(apart).toBeGreaterThan(4 * together);
  });

  test('two places of one copper differ by less than each is unsure', () => {
    const { quantity } = emissivityFromTape(
      seen(looks(60, 0.3)),
      seen(looks(60, 0.95), 'tape'),
      { value: 0.95, uncertainty: 0.01 },
      around,
      camera,
    );
    const of = (region: string, object: number) =>
      objectOf(seenBy(seen(looks(object, 0.3), region), camera), { ...around, emissivity: quantity });
    expect(uncertaintyOf(differenceQuantity(of('bare', 60), of('other', 55))).total).toBeLessThan(
      0.6 * uncertaintyOf(of('other', 55)).total,
    );
  });
});
