import { compassWord, hoursPlanSchema } from './plan';

const SITE = {
  latitude: 51.2,
  longitude: 1,
  timezone: 'Europe/London',
  inside_c: 20,
  facades: [{ azimuth: 180, wall: 'brick' }],
};

test('directions have the nearest of eight names', () => {
  expect([0, 22, 23, 90, 135, 200, 247, 270, 315, 338, 359].map(compassWord)).toEqual([
    'north',
    'north',
    'north-east',
    'east',
    'south-east',
    'south',
    'south-west',
    'west',
    'north-west',
    'north',
    'north',
  ]);
});

test('what is usual is filled in', () => {
  expect(hoursPlanSchema.parse(SITE)).toMatchObject({
    strictness: 'usual',
    purpose: 'faults',
    time_constants_h: { light: 0.7, brick: 3, stone: 5.5 },
  });
});

test.each([
  ['latitude', { latitude: -90.1 }],
  ['longitude', { longitude: 181 }],
  ['timezone', { timezone: 'Atlantis' }],
  ['inside_c', { inside_c: 55 }],
  ['strictness', { strictness: 'lax' }],
  ['facades', { facades: [{ azimuth: -5, wall: 'brick' }] }],
  ['facades', { facades: [{ azimuth: 5, wall: 'straw' }] }],
  ['time_constants_h', { time_constants_h: { light: 0, brick: 3, stone: 5 } }],
])('an impossible %s is refused by its name', (field, change) => {
  const { error } = hoursPlanSchema.safeParse({ ...SITE, ...change });
  expect(error!.issues[0]!.path[0]).toBe(field);
});
