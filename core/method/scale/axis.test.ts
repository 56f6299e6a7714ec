import { APPARENT } from '../../ground/basis';
import { IDENTITY_LINE, radianceLine, throughLine } from '../radiometry/measurement';
import { storedAxis } from './axis';

const place = (axis: ReturnType<typeof storedAxis>, stored: number) => Math.floor((stored - axis.from) * axis.perKelvin);

describe('the axis of stored values', () => {
  test('without settings it is the temperature itself, even steps from end to end', () => {
    const axis = storedAxis(IDENTITY_LINE, 10, 20, 10);
    expect(Array.from(axis.objects, (t) => Math.round(t * 10) / 10)).toEqual([
      10.5, 11.5, 12.5, 13.5, 14.5, 15.5, 16.5, 17.5, 18.5, 19.5,
    ]);
    expect([place(axis, 10), place(axis, 14.2), place(axis, 20)]).toEqual([0, 4, 9]);
    expect(place(axis, 9.9)).toBeLessThan(0);
    expect(place(axis, 20.1)).toBeGreaterThanOrEqual(10);
  });

  test.each([
    { emissivity: 0.95, reflected: 20, air: 20, transmittance: 1 },
    { emissivity: 0.5, reflected: 30, air: 10, transmittance: 0.8 },
    { emissivity: 0.9, reflected: -40, air: 0, transmittance: 0.97 },
  ])('under %p each division knows its object temperature', (settings) => {
    const line = radianceLine(APPARENT, settings);
    const axis = storedAxis(line, 5, 25, 400);
    for (let object = 5.1; object < 25; object += 0.7) {
      const found = axis.objects.findIndex((middle) => Math.abs(middle - object) < 0.06);
      expect(found).toBeGreaterThanOrEqual(0);
    }
    axis.objects.forEach((middle, i) => {
      const stored = axis.from + (i + 0.5) / axis.perKelvin;
      expect(Math.abs(throughLine(stored, line) - middle)).toBeLessThan(1e-3);
      expect(place(axis, stored)).toBe(i);
    });
  });

  test('rises, whatever the settings', () => {
    const axis = storedAxis(radianceLine(APPARENT, { emissivity: 0.3, reflected: 15, air: 15, transmittance: 1 }), 0, 60, 200);
    for (let i = 1; i < 200; i += 1) expect(axis.objects[i]!).toBeGreaterThan(axis.objects[i - 1]!);
  });
});
