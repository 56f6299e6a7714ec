import type { CoreError } from '@core/ground/errors';
import type { Measured } from '@core/method/frame/reading';
import { differenceOf, readRegion } from '@core/method/frame/reading';
import { APPARENT } from '@core/ground/basis';
import { apparentTemperature } from '@core/method/radiometry/measurement';
import { uncertaintyOf } from '@core/method/radiometry/quantity';
import { errorOf } from '@core/testing/material';
import { cameraErrors } from '@core/testing/uncertain';
import { parseArguments } from './arguments';
import { settingsOfRegions } from './quantities';
import { parseRegion } from './region';
import { commandSettings, SETTING_OPTIONS } from './settings';

/** Four patches: foil, tape, bare metal and the same metal ten kelvin colder, in a room of 20 °C. */
const seen = (object: number, emissivity: number) =>
  apparentTemperature(object, { emissivity, reflected: 20, air: 20, transmittance: 1 });
const PATCHES = [seen(20, 0.05), seen(60, 0.95), seen(60, 0.2), seen(50, 0.2)];
const frame: Measured = {
  width: 80,
  height: 20,
  basis: APPARENT,
  values: Float32Array.from({ length: 1600 }, (_, i) => PATCHES[Math.floor((i % 80) / 20)]!),
};
const box = (k: number) => `box:${20 * k + 6},6,8,8`;
const camera = cameraErrors();

function settingsOf(regions: string[], words: string[] = [], foil: string | null = null) {
  const call = commandSettings(parseArguments(['--air', '20', '--emissivity', '0.95', ...words], SETTING_OPTIONS));
  const parsed = regions.map(parseRegion);
  const settings = settingsOfRegions({ ...call, regions: parsed, foil }, frame, camera);
  const reading = (name: string) => {
    const region = parsed.find((one) => one.name === name)!;
    return readRegion(frame, { ...region, id: name }, settings.get(name)!, camera);
  };
  return { settings, reading };
}

test('foil and tape in one frame tell the metal’s temperature, and the camera’s error enters once', () => {
  const { settings, reading } = settingsOf(
    [`foil=${box(0)}`, `tape=${box(1)}`, `bare=${box(2)}@material=copper,tape=tape`, `other=${box(3)}@material=copper`],
    [],
    'foil',
  );
  expect(settings.get('bare')!.emissivity.at({})).toBeCloseTo(0.2, 2);
  expect(settings.get('other')!.emissivity).toBe(settings.get('bare')!.emissivity);
  expect(reading('bare').statistics.mean).toBeCloseTo(60, 1);
  expect(reading('bare').uncertainty.total).toBeLessThan(1.6);
  const { value, uncertainty, significant } = differenceOf(reading('bare'), reading('other'));
  expect(value).toBeCloseTo(10, 0);
  expect(uncertainty.total).toBeLessThan(reading('other').uncertainty.total);
  expect(significant).toBe(true);
});

test('what shares an error and what does not', () => {
  const of = (own: string, words: string[] = []) => {
    const { reading } = settingsOf([`a=${box(1)}@${own}`, `b=box:23,2,4,4@${own}`], words);
    return differenceOf(reading('a'), reading('b')).uncertainty;
  };
  expect(of('material=paint').emissivity).toBeLessThan(0.4 * of('view=wall').emissivity);
  expect(of('view=wall').reflected).toBeLessThan(0.2 * of('reflected=20').reflected + 0.01);
  // Indoors all mirror one room; outdoors each wall its own part of the sky, unless somebody names one view.
  expect(of('material=paint').reflected).toBeLessThan(0.02);
  expect(of('material=paint', ['--side', 'outside']).reflected).toBeGreaterThan(0.2);
  expect(of('material=paint,view=street', ['--side', 'outside']).reflected).toBeLessThan(0.05);
});

test('a material has the value that one of its regions states', () => {
  const { settings } = settingsOf([`a=${box(1)}@material=m,emissivity=0.85,emissivity-u=0.03`, `b=${box(3)}@material=m`]);
  expect(settings.get('b')!.emissivity.at({})).toBe(0.85);
  expect(uncertaintyOf(settings.get('b')!.emissivity).total).toBeCloseTo(0.03, 9);
});

test.each([
  [[`a=${box(1)}@material=m,emissivity=0.8`, `b=${box(3)}@material=m,emissivity=0.9`], null],
  [[`a=${box(1)}@view=v,reflected=10`, `b=${box(3)}@view=v,reflected=11`], null],
  [[`a=${box(1)}@tape=nobody`], null],
  [[`a=${box(1)}`], 'nobody'],
])('two values for one thing, and names of nothing, are refused', (regions, foil) =>
  expect((errorOf(() => settingsOf(regions, [], foil)) as CoreError).code).toBe('bad_usage'),
);

test('a tape that explains nothing is refused', () => {
  // The "tape" is as cold as the room, the metal is not.
  const regions = [`tape=${box(0)}`, `bare=${box(1)}@tape=tape`];
  expect((errorOf(() => settingsOf(regions)) as CoreError).code).toBe('impossible');
});
