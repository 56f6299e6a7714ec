import { APPARENT, type Basis } from '../../ground/basis';
import { errorOf, reference } from '../../testing/material';
import type { CoreError } from '../../ground/errors';
import { apparentTemperature, correctValues, inverseLine, radianceLine, throughLine } from './measurement';
import { AS_SEEN, type RadiometricSettings } from '../../ground/radiometricSettings';

const settingsOf = (given: Record<string, number>): RadiometricSettings => ({
  emissivity: given.e!,
  reflected: given.T_refl_C!,
  air: given.T_air_C!,
  transmittance: given.tau!,
});

describe('the measurement equation', () => {
  test('agrees with every reference case to 2 mK, and has no answer where there is none', () => {
    expect(reference.measurement_equation.length).toBeGreaterThanOrEqual(14);
    for (const { in: given, out } of reference.measurement_equation) {
      const object = throughLine(given.T_app_C!, radianceLine(APPARENT, settingsOf(given)));
      if (out.T_obj_C === null) expect(object).toBeNaN();
      else expect(Math.abs(object - out.T_obj_C)).toBeLessThan(2e-3);
    }
  });

  test('undoes what a camera computed and applies other settings, to 2 mK', () => {
    expect(reference.rebasing.length).toBeGreaterThanOrEqual(11);
    for (const { in: given, out } of reference.rebasing) {
      const common = { air: given.T_air_C!, transmittance: given.tau! };
      const basis: Basis = { kind: 'computed', settings: { ...common, emissivity: given.e1!, reflected: given.T_refl1_C! } };
      const line = radianceLine(basis, { ...common, emissivity: given.e2!, reflected: given.T_refl2_C! });
      expect(Math.abs(throughLine(given.T1_C!, line) - out.T2_C!)).toBeLessThan(2e-3);
      expect(Math.abs(throughLine(given.T1_C!, radianceLine(basis, AS_SEEN)) - out.T_app_C)).toBeLessThan(2e-3);
    }
  });

  test('leaves values alone for a perfect emitter', () => {
    const line = radianceLine(APPARENT, AS_SEEN);
    for (const value of [-40, 0, 18.25, 300]) expect(throughLine(value, line)).toBe(value);
  });

  test('goes there and back', () => {
    const settings = { emissivity: 0.8, reflected: 5, air: 12, transmittance: 0.93 };
    const line = radianceLine(APPARENT, settings);
    for (const value of [-20, 0, 18, 90]) {
      expect(throughLine(throughLine(value, line), inverseLine(line))).toBeCloseTo(value, 3);
      expect(apparentTemperature(throughLine(value, line), settings)).toBeCloseTo(value, 3);
    }
  });

  test('does not care for emissivity when surface and surroundings are equally warm', () => {
    for (const emissivity of [0.1, 0.5, 0.95]) {
      expect(throughLine(21, radianceLine(APPARENT, { emissivity, reflected: 21, air: 21, transmittance: 0.9 }))).toBeCloseTo(
        21,
        3,
      );
    }
  });

  test.each([
    [{ emissivity: 0 }, 'emissivity'],
    [{ emissivity: 1.01 }, 'emissivity'],
    [{ emissivity: NaN }, 'emissivity'],
    [{ reflected: -200 }, 'reflected'],
    [{ air: 3000 }, 'air'],
    [{ transmittance: 0 }, 'transmittance'],
  ])('refuses %p, naming the setting', (change, argument) => {
    const error = errorOf(() => radianceLine(APPARENT, { ...AS_SEEN, ...change })) as CoreError;
    expect(error.code).toBe('out_of_range');
    expect(error.where.argument).toBe(argument);
  });
});

describe('correcting many values', () => {
  const line = radianceLine(APPARENT, { emissivity: 0.9, reflected: 25, air: 20, transmittance: 0.97 });

  test('gives the same as one by one, on small and on large frames', () => {
    for (const length of [5, 4095, 4096, 50_000]) {
      const values = Float32Array.from({ length }, (_, i) => -15 + ((i * 7919) % 1000) / 12);
      const out = new Float32Array(length);
      expect(correctValues(values, line, out)).toBe(0);
      let worst = 0;
      for (let i = 0; i < length; i += 1) worst = Math.max(worst, Math.abs(out[i]! - throughLine(values[i]!, line)));
      expect(worst).toBeLessThan(1e-4);
    }
  });

  test('may write over its own input', () => {
    const values = Float32Array.from({ length: 6000 }, (_, i) => i / 300);
    const out = new Float32Array(6000);
    correctValues(values, line, out);
    correctValues(values, line, values);
    expect(values).toEqual(out);
  });

  test('keeps pixels without a reading, and counts those that lose theirs', () => {
    const mirror = radianceLine(APPARENT, { emissivity: 0.1, reflected: 35, air: 20, transmittance: 1 });
    for (const length of [8, 6000]) {
      const values = new Float32Array(length).fill(60);
      values[0] = NaN;
      values[1] = 20;
      values[length - 1] = -40;
      const out = new Float32Array(length);
      expect(correctValues(values, mirror, out)).toBe(2);
      expect(out[0]).toBeNaN();
      expect(out[1]).toBeNaN();
      expect(out[length - 1]).toBeNaN();
      expect(out[2]).toBeCloseTo(throughLine(60, mirror), 3);
    }
  });

  test('stays exact close to what is impossible, where a straight table would stray', () => {
    const mirror = radianceLine(APPARENT, { emissivity: 0.1, reflected: 20, air: 20, transmittance: 1 });
    const values = Float32Array.from({ length: 8000 }, (_, i) => 12 + i / 1000);
    const out = new Float32Array(values.length);
    correctValues(values, mirror, out);
    for (let i = 0; i < values.length; i += 13) {
      const exact = throughLine(values[i]!, mirror);
      if (Number.isNaN(exact)) expect(out[i]).toBeNaN();
      else expect(Math.abs(out[i]! - exact)).toBeLessThan(1e-3);
    }
  });

  test('a frame of one temperature is no special case', () => {
    const out = new Float32Array(5000);
    correctValues(new Float32Array(5000).fill(18), line, out);
    expect(out[4999]).toBeCloseTo(throughLine(18, line), 4);
  });
});
