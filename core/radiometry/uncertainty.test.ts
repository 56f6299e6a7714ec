import { APPARENT } from './basis';
import { normalFrom, seededRandom } from '../simulate/random';
import { reference } from '../testing/material';
import { radianceLine, throughLine } from './measurement';
import type { RadiometricSettings } from './radiometricSettings';
import {
  DEFAULT_UNCERTAINTY,
  differenceUncertainty,
  isSignificant,
  readingUncertainty,
  sensitivities,
  UNCERTAINTY_PARTS,
  type MeanReading,
} from './uncertainty';

function reading(apparent: number, settings: RadiometricSettings, noise: number, count = 1): MeanReading {
  return { apparent, object: throughLine(apparent, radianceLine(APPARENT, settings)), settings, noise, count };
}

const close = (value: number, wanted: number) =>
  expect(Math.abs(value - wanted)).toBeLessThanOrEqual(0.01 * Math.abs(wanted) + 1e-9);

const singles = reference.uncertainty.filter((one) => one.in.kind === 'single');
const differences = reference.uncertainty.filter((one) => one.in.kind === 'difference');

describe('uncertainty of a reading', () => {
  test('agrees with the reference to 1 %, part by part', () => {
    expect(singles.length).toBeGreaterThanOrEqual(6);
    for (const { in: g, out } of singles) {
      const settings = { emissivity: g.e!, reflected: g.T_refl_C!, air: g.T_air_C!, transmittance: g.tau! };
      const mean = reading(g.T_app_C!, settings, 0);
      const s = sensitivities(mean.apparent, mean.object, settings);
      close(s.apparent, out.dT_dTapp!);
      close(s.reflected, out.dT_dTrefl!);
      expect(Math.abs(s.emissivity - out.dT_de_K!)).toBeLessThan(0.01 * Math.abs(out.dT_de_K!) + 1e-3);
      const u = readingUncertainty(mean, {
        calibration: g.u_T_app_K!,
        uniformity: 0,
        emissivity: g.u_e!,
        reflected: g.u_T_refl_K!,
      });
      close(u.total, out.u_T_obj_K!);
      close(u.calibration, out.part_T_app_K!);
      close(u.reflected, out.part_T_refl_K!);
    }
  });

  test('noise averages out over pixels, unevenness does not', () => {
    const settings = { emissivity: 0.95, reflected: 20, air: 20, transmittance: 1 };
    const one = readingUncertainty(reading(15, settings, 0.08, 1), DEFAULT_UNCERTAINTY);
    const many = readingUncertainty(reading(15, settings, 0.08, 400), DEFAULT_UNCERTAINTY);
    expect(many.noise).toBeCloseTo(one.noise / 20, 10);
    expect(many.uniformity).toBe(one.uniformity);
    expect(many.total).toBeCloseTo(Math.hypot(...UNCERTAINTY_PARTS.map((name) => many[name])), 12);
  });
});

describe('uncertainty of a difference', () => {
  test('agrees with the reference to 1 %', () => {
    expect(differences.length).toBeGreaterThanOrEqual(6);
    for (const { in: g, out } of differences) {
      const common = { reflected: g.T_refl_C!, air: g.T_air_C!, transmittance: g.tau! };
      const a = reading(g.T_app_A_C!, { ...common, emissivity: g.e_A! }, g.u_noise_region_K!);
      const b = reading(g.T_app_B_C!, { ...common, emissivity: g.e_B! }, g.u_noise_region_K!);
      const sources = { calibration: g.u_cal_common_K!, uniformity: 0, emissivity: g.u_e!, reflected: g.u_T_refl_K! };
      const u = differenceUncertainty(a, b, sources, { emissivity: g.same_emissivity, reflected: true });
      close(u.total, out.u_difference_K!);
      expect(Math.abs(u.calibration - out.part_cal_residual_K!)).toBeLessThan(0.01 * out.part_cal_residual_K! + 1e-4);
      expect(a.object - b.object).toBeCloseTo(out.difference_K!, 2);
    }
  });

  test('does not depend on the order', () => {
    const settings = { emissivity: 0.9, reflected: 18, air: 20, transmittance: 1 };
    const a = reading(12, settings, 0.05, 100);
    const b = reading(17, settings, 0.05, 80);
    const shared = { emissivity: true, reflected: true };
    expect(differenceUncertainty(a, b, DEFAULT_UNCERTAINTY, shared).total).toBeCloseTo(
      differenceUncertainty(b, a, DEFAULT_UNCERTAINTY, shared).total,
      12,
    );
  });

  test('a Monte Carlo of 20 000 draws agrees to 5 %', () => {
    const normal = normalFrom(seededRandom(11));
    const settings = { emissivity: 0.9, reflected: 20, air: 20, transmittance: 1 };
    const a = reading(16, settings, 0.5, 4);
    const b = reading(12, settings, 0.5, 4);
    const sources = { calibration: 1, uniformity: 0.1, emissivity: 0.02, reflected: 1 };
    let sum = 0;
    let squares = 0;
    const draws = 20_000;
    for (let i = 0; i < draws; i += 1) {
      const calibration = normal();
      const drawn = { ...settings, emissivity: 0.9 + 0.02 * normal(), reflected: 20 + normal() };
      const line = radianceLine(APPARENT, drawn);
      const own = () => 0.1 * normal() + (0.5 / 2) * normal();
      const d = throughLine(16 + calibration + own(), line) - throughLine(12 + calibration + own(), line);
      sum += d;
      squares += d * d;
    }
    const std = Math.sqrt(squares / draws - (sum / draws) ** 2);
    const analytic = differenceUncertainty(a, b, sources, { emissivity: true, reflected: true }).total;
    expect(Math.abs(std / analytic - 1)).toBeLessThan(0.05);
  });
});

test('significant means outside of ± 2 u', () => {
  expect(isSignificant(-0.61, 0.3)).toBe(true);
  expect(isSignificant(0.6, 0.3)).toBe(false);
  expect(isSignificant(0, 0)).toBe(false);
});

/** Standard deviation of what `draw` gives. */
function spreadOf(draw: () => number): number {
  const draws = 20_000;
  let sum = 0;
  let squares = 0;
  for (let i = 0; i < draws; i += 1) {
    const value = draw();
    sum += value;
    squares += value * value;
  }
  return Math.sqrt(squares / draws - (sum / draws) ** 2);
}

describe('a Monte Carlo of 20 000 draws through the measurement equation agrees to 5 %', () => {
  const settings = { emissivity: 0.88, reflected: 16, air: 18, transmittance: 0.93 };
  const sources = { calibration: 0.8, uniformity: 0.12, emissivity: 0.02, reflected: 1.2, transmittance: 0.012 };
  const object = (apparent: number, drawn: RadiometricSettings) => throughLine(apparent, radianceLine(APPARENT, drawn));

  test('for a reading', () => {
    const normal = normalFrom(seededRandom(21));
    const mean = reading(11, settings, 0.4, 9);
    const std = spreadOf(() =>
      object(11 + 0.8 * normal() + 0.12 * normal() + (0.4 / 3) * normal(), {
        ...settings,
        emissivity: 0.88 + 0.02 * normal(),
        reflected: 16 + 1.2 * normal(),
        transmittance: 0.93 + 0.012 * normal(),
      }),
    );
    expect(Math.abs(std / readingUncertainty(mean, sources).total - 1)).toBeLessThan(0.05);
  });

  test.each([
    ['two frames of one camera', true],
    ['two frames of two cameras', false],
  ])('for a difference across %s', (_words, sameCamera) => {
    const normal = normalFrom(seededRandom(22));
    const other = { ...settings, emissivity: 0.6, reflected: 19 };
    const a = reading(9, settings, 0.3, 16);
    const b = reading(15, other, 0.3, 4);
    const otherSources = { ...sources, emissivity: 0.03, reflected: 0.7 };
    const shared = { emissivity: false, reflected: false, otherFrame: { repeatability: 0.25, sameCamera } };
    const std = spreadOf(() => {
      const calibration = 0.8 * normal();
      const path = 0.012 * normal();
      const seen = (apparent: number, count: number, error: number) =>
        apparent + error + 0.25 * normal() + 0.12 * normal() + (0.3 / Math.sqrt(count)) * normal();
      const first = object(seen(9, 16, calibration), {
        ...settings,
        emissivity: 0.88 + 0.02 * normal(),
        reflected: 16 + 1.2 * normal(),
        transmittance: 0.93 + path,
      });
      const second = object(seen(15, 4, sameCamera ? calibration : 0.8 * normal()), {
        ...other,
        emissivity: 0.6 + 0.03 * normal(),
        reflected: 19 + 0.7 * normal(),
        transmittance: 0.93 + path,
      });
      return first - second;
    });
    const analytic = differenceUncertainty(a, b, sources, shared, otherSources);
    expect(analytic.repeatability).toBeGreaterThan(0.3);
    expect(Math.abs(std / analytic.total - 1)).toBeLessThan(0.05);
  });
});

test('within one frame there is no repeatability, and another camera brings its calibration', () => {
  const settings = { emissivity: 0.95, reflected: 20, air: 20, transmittance: 1 };
  const [a, b] = [reading(15, settings, 0.05, 100), reading(18, settings, 0.05, 100)];
  const common = { emissivity: true, reflected: true };
  const one = differenceUncertainty(a, b, DEFAULT_UNCERTAINTY, common);
  expect(one.repeatability).toBe(0);
  const same = differenceUncertainty(a, b, DEFAULT_UNCERTAINTY, {
    ...common,
    otherFrame: { repeatability: 0.2, sameCamera: true },
  });
  const two = differenceUncertainty(a, b, DEFAULT_UNCERTAINTY, {
    ...common,
    otherFrame: { repeatability: 0.2, sameCamera: false },
  });
  expect(one.total).toBeLessThan(same.total);
  expect(same.total).toBeLessThan(two.total);
  expect(two.calibration).toBeGreaterThan(1.3);
});
