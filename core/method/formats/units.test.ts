import type { CoreError } from '../../ground/errors';
import { errorOf } from '../../testing/material';
import { convertToCelsius, type UnitChoice } from './units';

const real: UnitChoice = { storage: 'real' };
const whole: UnitChoice = { storage: 'integer16' };

function converted(numbers: number[], choice: UnitChoice, allowMissing = false) {
  const values = Float32Array.from(numbers);
  const { unit, warnings } = convertToCelsius(values, 2, choice, allowMissing);
  return {
    unit,
    values: Array.from(values, (value) => Math.round(value * 100) / 100),
    warnings: warnings.map(({ code }) => code),
  };
}

describe('finding the unit of stored numbers', () => {
  test('plain temperatures are °C', () => {
    expect(converted([-20, 0, 18.5, 199], real)).toEqual({ unit: 'C', values: [-20, 0, 18.5, 199], warnings: [] });
  });

  test('the middle of the values tells kelvin, between 200 and 400, both included, and that is always said', () => {
    expect(converted([200, 200, 200, 200], real)).toMatchObject({ unit: 'K', warnings: ['unit_assumed_kelvin'] });
    expect(converted([400, 400, 400, 400], real).unit).toBe('K');
    expect(converted([199.9, 199.9, 199.9, 199.9], real).unit).toBe('C');
    expect(converted([400.5, 400.5, 400.5, 400.5], real).unit).toBe('C');
  });

  test('a lamp or a piece of clear sky in view changes nothing', () => {
    expect(converted([293, 294, 295, 296, 520], real).unit).toBe('K');
    expect(converted([293, 294, 295, 296, 150], real).unit).toBe('K');
    expect(converted([21, 20, 19, 18, 260], real).unit).toBe('C');
  });

  test('whole numbers are centikelvin where that gives temperatures', () => {
    expect(converted([29315, 27415, 12400, 67300], whole)).toMatchObject({ unit: 'cK', values: [20, 1, -149.15, 399.85] });
    for (const numbers of [
      [20, 21, 22, 23],
      [29315, 12000, 29315, 29315],
    ]) {
      expect((errorOf(() => converted(numbers, whole)) as CoreError).code).toBe('unit_unknown');
    }
  });

  test('what the file states beats a guess, what the user says beats both', () => {
    expect(converted([300, 300, 300, 300], { ...real, stated: 'C' }).values[0]).toBe(300);
    expect(converted([300, 300, 300, 300], { ...real, stated: 'C', forced: 'K' }).values[0]).toBe(26.85);
    expect(converted([50, 212, 32, 14], { ...whole, stated: 'F' }).values).toEqual([10, 100, 0, -10]);
  });

  test('the ends of what is plausible are plausible', () => {
    expect(converted([-150, 2000, 0, 0], real).values).toEqual([-150, 2000, 0, 0]);
    for (const value of [-150.1, 2000.1]) {
      const error = errorOf(() => converted([0, 0, 0, value], real)) as CoreError;
      expect(error.toJSON()).toMatchObject({ code: 'absurd', where: { x: 1, y: 1 } });
    }
  });
});

describe('pixels that are not finite', () => {
  const withHoles = (holes: number) =>
    Array.from({ length: 400 }, (_, i) => (i < holes ? [NaN, Infinity, -Infinity][i % 3]! : 20));

  test('are refused with their number and first place', () => {
    const error = errorOf(() => converted([20, 20, NaN, Infinity], real)) as CoreError;
    expect(error.message).toContain('2 pixels are not a finite number');
    expect(error.where).toMatchObject({ x: 0, y: 1 });
    expect((errorOf(() => converted([20, 20, 20, NaN], real)) as CoreError).message).toContain('1 pixel is');
  });

  test('up to one in a hundred may be allowed, and become no reading', () => {
    const allowed = converted(withHoles(4), real, true);
    expect(allowed.warnings).toEqual(['missing_pixels']);
    expect(allowed.values.filter((value) => Number.isNaN(value))).toHaveLength(4);
    expect((errorOf(() => converted(withHoles(5), real, true)) as CoreError).hint).toContain('more than 1 %');
  });

  test('do not decide on the unit', () => expect(converted([...withHoles(4).map((v) => v + 273.15)], real, true).unit).toBe('K'));
});
