import { USUAL } from '../../ground/usual';
import { NO_SETTINGS, radiometricSettings, resolveSettings, saysNothing, settingsSchema, withSetting } from './settings';

const conditions = { airC: 20.6, humidityPct: 47, side: 'inside' as const, cloudPct: null };

describe('resolving settings', () => {
  test('nobody said anything: usual values, air from the conditions, reflected as the air', () => {
    const resolved = resolveSettings({}, conditions);
    expect(resolved.emissivity).toMatchObject({ value: USUAL.emissivity, origin: 'default' });
    expect(resolved.airC).toEqual({ value: 20.6, origin: 'conditions' });
    expect(resolved.reflectedC).toMatchObject({ value: 20.6, origin: 'air' });
    expect(resolved.humidityPct).toEqual({ value: 47, origin: 'conditions' });
    expect(resolved.distanceM).toEqual({ value: null, origin: 'default' });
    expect(resolved.transmittance).toEqual({ value: 1, origin: 'default' });
  });

  test('without conditions the air is a guess that says so', () => {
    const resolved = resolveSettings({}, { airC: null, humidityPct: null, side: 'inside' as const, cloudPct: null });
    expect(resolved.airC.origin).toBe('default');
    expect(resolved.humidityPct).toEqual({ value: null, origin: 'default' });
  });

  test('the innermost level wins, field by field', () => {
    const resolved = resolveSettings(
      {
        visit: { ...NO_SETTINGS, emissivity: 0.95, reflectedC: 20, distanceM: 3 },
        frame: { ...NO_SETTINGS, emissivity: 0.9, airC: 18 },
        region: { ...NO_SETTINGS, emissivity: 0.3 },
      },
      conditions,
    );
    expect(resolved.emissivity).toMatchObject({ value: 0.3, origin: 'region' });
    expect(resolved.airC).toEqual({ value: 18, origin: 'frame' });
    expect(resolved.reflectedC).toMatchObject({ value: 20, origin: 'visit' });
    expect(resolved.distanceM).toEqual({ value: 3, origin: 'visit' });
  });

  test('zero degrees is a setting like any other', () => {
    const resolved = resolveSettings(
      { visit: { ...NO_SETTINGS, reflectedC: 20 }, frame: { ...NO_SETTINGS, reflectedC: 0 } },
      conditions,
    );
    expect(resolved.reflectedC).toMatchObject({ value: 0, origin: 'frame' });
  });

  test('the equation gets its four numbers', () => {
    expect(radiometricSettings(resolveSettings({ region: { ...NO_SETTINGS, transmittance: 0.9 } }, conditions))).toEqual({
      emissivity: 0.95,
      reflected: 20.6,
      air: 20.6,
      transmittance: 0.9,
    });
  });
});

describe('what people may set', () => {
  test.each([
    ['emissivity', [0, -0.1, 1.2, NaN], [0.01, 1, null]],
    ['reflectedC', [-151, 1001], [-60, 0, 500]],
    ['humidityPct', [-1, 101], [0, 100]],
    ['distanceM', [0, -2, 1001], [0.1, 50]],
    ['transmittance', [0, 1.001], [0.5, 1]],
  ] as const)('%s has its range', (name, wrong, right) => {
    for (const value of wrong) expect(settingsSchema.shape[name].safeParse(value).success).toBe(false);
    for (const value of right) expect(settingsSchema.shape[name].safeParse(value).success).toBe(true);
  });
});

describe('what goes along with a setting', () => {
  const tape = { ...NO_SETTINGS, emissivity: 0.31, emissivityU: 0.03, emissivityFrom: 'tape, 19:12' };

  test('uncertainty and source come from the level that sets the value, and from no other', () => {
    const resolved = resolveSettings(
      { surface: tape, visit: { ...NO_SETTINGS, emissivity: 0.9, emissivityU: 0.01 } },
      conditions,
    );
    expect(resolved.emissivity).toEqual({ value: 0.31, origin: 'surface', u: 0.03, from: 'tape, 19:12', shares: [] });
    const typed = resolveSettings({ surface: tape, region: { ...NO_SETTINGS, emissivity: 0.5 } }, conditions);
    expect(typed.emissivity).toEqual({ value: 0.5, origin: 'region', u: null, from: null, shares: [] });
  });

  test('a value that is typed over loses them', () => {
    expect(withSetting(tape, 'emissivity', 0.4)).toEqual({ ...NO_SETTINGS, emissivity: 0.4 });
    expect(withSetting(tape, 'distanceM', 3)).toEqual({ ...tape, distanceM: 3 });
    const foil = { ...NO_SETTINGS, reflectedC: 18, reflectedU: 0.5, reflectedFrom: 'foil' };
    expect(saysNothing(withSetting(foil, 'reflectedC', null))).toBe(true);
  });

  test('a palm print is a statement like a number', () => {
    expect(saysNothing(NO_SETTINGS)).toBe(true);
    expect(saysNothing({ ...NO_SETTINGS, palm: 'mirror' })).toBe(false);
    const resolved = resolveSettings(
      { visit: { ...NO_SETTINGS, palm: 'emits' }, frame: { ...NO_SETTINGS, palm: 'mirror' } },
      conditions,
    );
    expect(resolved.palm).toEqual({ value: 'mirror', origin: 'frame' });
  });
});

describe('the air path', () => {
  test('is reckoned from distance and humidity, with its uncertainty', () => {
    const resolved = resolveSettings({ visit: { ...NO_SETTINGS, distanceM: 40 } }, conditions);
    expect(resolved.transmittance.origin).toBe('path');
    expect(resolved.transmittance.value).toBeCloseTo(0.98, 2);
    expect(resolved.transmittanceU).toBeCloseTo(0.3 * (1 - resolved.transmittance.value), 12);
  });

  test('a transmittance that was given wins and is exact', () => {
    const resolved = resolveSettings({ visit: { ...NO_SETTINGS, distanceM: 40, transmittance: 0.9 } }, conditions);
    expect(resolved.transmittance).toEqual({ value: 0.9, origin: 'visit' });
    expect(resolved.transmittanceU).toBe(0);
  });

  test('without humidity the path is reckoned for air between dry and damp, and less surely', () => {
    const resolved = resolveSettings(
      { visit: { ...NO_SETTINGS, distanceM: 40 } },
      { airC: 20, humidityPct: null, side: 'inside' as const, cloudPct: null },
    );
    expect(resolved.transmittance.origin).toBe('path');
    expect(resolved.transmittance.value).toBeLessThan(1);
    const known = resolveSettings(
      { visit: { ...NO_SETTINGS, distanceM: 40 } },
      { airC: 20, humidityPct: 60, side: 'inside' as const, cloudPct: null },
    );
    expect(resolved.transmittance.value).toBeCloseTo(known.transmittance.value, 9);
    expect(resolved.transmittanceU).toBeGreaterThan(known.transmittanceU);
  });
});

test('what a visit says of its rooms is not taken outdoors: there ground and sky are mirrored, by their cloud', () => {
  const visit = { ...NO_SETTINGS, emissivity: 0.9, reflectedC: 20, airC: 21, humidityPct: 50 };
  const outdoors = { airC: 2, humidityPct: null, side: 'outside' as const, cloudPct: 0 };
  const resolved = resolveSettings({ visit }, outdoors);
  expect(resolved.emissivity).toMatchObject({ value: 0.9, origin: 'visit' });
  expect(resolved.airC).toEqual({ value: 2, origin: 'conditions' });
  expect(resolved.humidityPct.value).toBeNull();
  expect(resolved.reflectedC.origin).toBe('sky');
  expect(resolved.reflectedC.value).toBeLessThan(resolveSettings({ visit }, { ...outdoors, cloudPct: 100 }).reflectedC.value - 5);
  // What was said of the wall or the frame itself holds.
  expect(resolveSettings({ visit, frame: { ...NO_SETTINGS, reflectedC: -9 } }, outdoors).reflectedC.value).toBe(-9);
});
