import { normalFrom, seededRandom } from '../../ground/random';
import { reference } from '../../testing/material';
import { cameraErrors, spreadOf, uncertainSettings } from '../../testing/uncertain';
import { APPARENT } from '../../ground/basis';
import { apparentTemperature, radianceLine, throughLine } from './measurement';
import { UNCERTAINTY_PARTS, uncertaintyOf } from './quantity';
import type { RadiometricSettings } from '../../ground/radiometricSettings';
import { type CameraErrors, differenceQuantity, objectOf, seenBy, type UncertainSettings } from './uncertainty';

const NONE = { calibration: 0, gain: 0, uniformity: 0, noise: 0, blur: 0 };
const object = (apparent: number, drawn: RadiometricSettings) => throughLine(apparent, radianceLine(APPARENT, drawn));

function reading(apparent: number, settings: UncertainSettings, camera: CameraErrors, count = 1, region = 'a', spill = 0) {
  return objectOf(seenBy({ region, apparent, std: null, count, spill }, camera), settings);
}

const close = (value: number, wanted: number) =>
  expect(Math.abs(value - wanted)).toBeLessThanOrEqual(0.01 * Math.abs(wanted) + 1e-4);

const singles = reference.uncertainty.filter((one) => one.in.kind === 'single');
const differences = reference.uncertainty.filter((one) => one.in.kind === 'difference');

describe('against the reference', () => {
  test('a reading agrees to 1 %, part by part', () => {
    expect(singles.length).toBeGreaterThanOrEqual(6);
    for (const { in: g, out } of singles) {
      const settings = uncertainSettings(
        { emissivity: g.e!, reflected: g.T_refl_C!, air: g.T_air_C!, transmittance: g.tau! },
        { emissivity: g.u_e!, reflected: g.u_T_refl_K! },
      );
      const u = uncertaintyOf(reading(g.T_app_C!, settings, cameraErrors({ ...NONE, calibration: g.u_T_app_K! })));
      close(u.total, out.u_T_obj_K!);
      close(u.calibration, out.part_T_app_K!);
      close(u.reflected, out.part_T_refl_K!);
    }
  });

  test('a difference agrees to 1 %', () => {
    expect(differences.length).toBeGreaterThanOrEqual(6);
    for (const { in: g, out } of differences) {
      const of = (apparent: number, emissivity: number, region: string) =>
        reading(
          apparent,
          uncertainSettings(
            { emissivity, reflected: g.T_refl_C!, air: g.T_air_C!, transmittance: g.tau! },
            { emissivity: g.u_e!, reflected: g.u_T_refl_K!, emissivityOf: g.same_emissivity ? 'both' : region },
          ),
          cameraErrors({ ...NONE, calibration: g.u_cal_common_K!, noise: g.u_noise_region_K! }),
          1,
          region,
        );
      const difference = differenceQuantity(of(g.T_app_A_C!, g.e_A!, 'a'), of(g.T_app_B_C!, g.e_B!, 'b'));
      const u = uncertaintyOf(difference);
      close(u.total, out.u_difference_K!);
      close(u.calibration, out.part_cal_residual_K!);
      expect(difference.at({})).toBeCloseTo(out.difference_K!, 2);
    }
  });
});

test('noise averages out over pixels, unevenness does not', () => {
  const settings = uncertainSettings({ emissivity: 0.95 });
  const camera = cameraErrors({ noise: 0.08 });
  const [one, many] = [1, 400].map((count) => uncertaintyOf(reading(15, settings, camera, count)));
  expect(many!.noise).toBeCloseTo(one!.noise / 20, 5);
  expect(many!.uniformity).toBe(one!.uniformity);
  expect(many!.total).toBeCloseTo(Math.hypot(...UNCERTAINTY_PARTS.map((part) => many![part])), 12);
});

test('the slope of a camera counts by the distance to its shutter, and not at it', () => {
  const of = (apparent: number) => uncertaintyOf(reading(apparent, uncertainSettings(), cameraErrors({ ...NONE, gain: 0.01 })));
  expect(of(20).gain).toBeCloseTo(0, 9);
  expect(of(60).gain).toBeCloseTo(0.4, 6);
  expect(of(-20).gain).toBeCloseTo(0.4, 6);
});

test('what blur took is stated, not corrected', () => {
  const of = (spill: number) => uncertaintyOf(reading(15, uncertainSettings(), cameraErrors(NONE), 9, 'a', spill)).blur;
  expect(of(0)).toBe(0);
  expect(of(-0.5)).toBeCloseTo(0.6, 5);
});

test('bright metal has lopsided limits, and none where the reflection may be all of it', () => {
  const metal = (emissivity: number, apparent: number) =>
    uncertaintyOf(
      reading(apparent, uncertainSettings({ emissivity, reflected: 20 }, { emissivity: 0.02, reflected: 1 }), cameraErrors(NONE)),
    );
  const [low, high] = metal(0.1, 25).interval;
  const middle = object(25, { emissivity: 0.1, reflected: 20, air: 20, transmittance: 1 });
  expect(high - middle).toBeGreaterThan(1.2 * (middle - low));
  expect(metal(0.02, 19).interval[0]).toBe(-Infinity);
});

describe('Monte Carlo of 20 000 draws through the measurement equation, errors drawn as a camera makes them, agrees to 5 %', () => {
  const base = { emissivity: 0.88, reflected: 16, air: 18, transmittance: 0.93 };
  const doubt = { emissivity: 0.02, reflected: 1.2, transmittance: 0.012, air: 0.8 };
  const camera = cameraErrors({ calibration: 0.8, uniformity: 0.12, noise: 0.4, gain: 0.012, repeatability: 0.25 });
  const agree = (std: number, total: number) => expect(Math.abs(std / total - 1)).toBeLessThan(0.05);
  /** What a camera shows of an apparent temperature. */
  const show = (normal: () => number, apparent: number, level: number, gain: number, count: number) =>
    apparent + level + gain * (apparent - 20) + 0.12 * normal() + (0.4 / Math.sqrt(count)) * normal();
  const level = Math.sqrt(0.8 ** 2 - 0.25 ** 2);

  test('for a reading', () => {
    const normal = normalFrom(seededRandom(21));
    const truth = apparentTemperature(11, base);
    const std = spreadOf(() =>
      object(show(normal, truth, 0.8 * normal(), 0.012 * normal(), 9), {
        emissivity: 0.88 + 0.02 * normal(),
        reflected: 16 + 1.2 * normal(),
        air: 18 + 0.8 * normal(),
        transmittance: 0.93 + 0.012 * normal(),
      }),
    );
    agree(std, uncertaintyOf(reading(truth, uncertainSettings(base, doubt), camera, 9)).total);
  });

  test.each([
    ['one frame', { sameFrame: true, sameCamera: true }],
    ['two frames of one camera', { sameFrame: false, sameCamera: true }],
    ['two frames of two cameras', { sameFrame: false, sameCamera: false }],
  ])('for a difference in %s, of two materials', (_words, { sameFrame, sameCamera }) => {
    const normal = normalFrom(seededRandom(22));
    const other = { ...base, emissivity: 0.6 };
    const [seenA, seenB] = [apparentTemperature(9, base), apparentTemperature(45, other)];
    const std = spreadOf(() => {
      const [common, gain, reflected, path, air] = [
        level * normal(),
        0.012 * normal(),
        1.2 * normal(),
        0.012 * normal(),
        0.8 * normal(),
      ];
      const frame = 0.25 * normal();
      const shared = { reflected: 16 + reflected, air: 18 + air, transmittance: 0.93 + path };
      const a = show(normal, seenA, common + frame, gain, 16);
      const b = show(
        normal,
        seenB,
        (sameCamera ? common : level * normal()) + (sameFrame ? frame : 0.25 * normal()),
        sameCamera ? gain : 0.012 * normal(),
        4,
      );
      return (
        object(a, { ...shared, emissivity: 0.88 + 0.02 * normal() }) - object(b, { ...shared, emissivity: 0.6 + 0.02 * normal() })
      );
    });
    const second = { ...camera, camera: sameCamera ? 'camera' : 'another', frame: sameFrame ? 'frame' : 'next' };
    const difference = differenceQuantity(
      reading(seenA, uncertainSettings(base, { ...doubt, emissivityOf: 'a' }), camera, 16, 'a'),
      reading(seenB, uncertainSettings(other, { ...doubt, emissivityOf: 'b' }), second, 4, 'b'),
    );
    agree(std, uncertaintyOf(difference).total);
  });
});

test('a default that two regions took is no common error; one material is', () => {
  const of = (a: string, b: string) =>
    uncertaintyOf(
      differenceQuantity(
        reading(60, uncertainSettings({ emissivity: 0.95 }, { emissivityOf: a }), cameraErrors(NONE), 1, 'a'),
        reading(45, uncertainSettings({ emissivity: 0.95 }, { emissivityOf: b }), cameraErrors(NONE), 1, 'b'),
      ),
    ).emissivity;
  expect(of('one', 'two')).toBeGreaterThan(0.85);
  expect(of('one', 'one')).toBeLessThan(0.35);
});
