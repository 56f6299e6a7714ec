import { cameraErrors, uncertainSettings } from '../../testing/uncertain';
import { temperature } from '../../ground/format';
import { cautionWords } from './cautionWords';
import { cautionsFor } from './cautions';
import { APPARENT } from '../../ground/basis';
import { readRegion } from './reading';
import type { Metric } from './metric';
import type { Shape } from './region';

const frame = {
  width: 60,
  height: 40,
  basis: APPARENT,
  values: Float32Array.from({ length: 2400 }, (_, i) => (i % 60 < 30 ? 12 : 30)),
};

function codes(shape: Shape, more: { leftOut?: Shape[]; metric?: Metric; emissivity?: number; palm?: 'mirror' | 'emits' } = {}) {
  return cautionsFor({
    shape,
    reading: readRegion(frame, { id: 'a', name: 'a', shape }, uncertainSettings(), cameraErrors()),
    frame,
    leftOut: more.leftOut ?? [],
    metric: more.metric ?? null,
    emissivity: more.emissivity ?? 0.95,
    palm: more.palm ?? null,
  }).map((caution) => [caution.code, cautionWords(caution, (celsius) => temperature(celsius, 'C'))] as const);
}

const good: Shape = { kind: 'box', x: 4, y: 4, width: 10, height: 10 };

test('a sound region has none', () => expect(codes(good)).toEqual([]));

test('under three pixels, with the size of an honest target where it is known', () => {
  const [[code, words]] = codes(
    { kind: 'box', x: 4, y: 4, width: 2, height: 20 },
    {
      metric: { kind: 'distance', metresPerPixel: 0.014 },
    },
  ) as [readonly [string, string]];
  expect(code).toBe('small');
  expect(words).toMatch(/70 mm/);
  expect(codes({ kind: 'line', x1: 2, y1: 2, x2: 20, y2: 2 })).toEqual([]);
});

test('two things in one region', () => {
  const [[code, words]] = codes({ kind: 'box', x: 20, y: 4, width: 20, height: 10 }) as [readonly [string, string]];
  expect(code).toBe('mixed');
  expect(words).toMatch(/50 % near 12\.0 °C and 50 % near 30\.0 °C/);
});

test('words say temperatures as people want them', () => {
  const words = cautionWords({ code: 'mixed', shares: [0.5, 0.5], at: [12, 30] }, (celsius) => temperature(celsius, 'F'));
  expect(words).toBe("It holds two things, 50 % near 53.6 °F and 50 % near 86.0 °F: the mean is neither's.");
});

test('too flat an angle, and only where a plane says so', () => {
  expect(codes(good, { metric: { kind: 'plane', toPlane: [], sees: () => true, angle: () => 71 } })[0]![0]).toBe('flat-angle');
  expect(codes(good, { metric: { kind: 'plane', toPlane: [], sees: () => true, angle: () => 59 } })).toEqual([]);
});

test('reaching into what was left out', () => {
  expect(codes(good, { leftOut: [{ kind: 'box', x: 12, y: 12, width: 5, height: 5 }] })[0]![0]).toBe('crosses-left-out');
  expect(codes(good, { leftOut: [{ kind: 'box', x: 30, y: 12, width: 5, height: 5 }] })).toEqual([]);
});

test('mirrors by palm or by emissivity', () => {
  expect(codes(good, { palm: 'mirror', emissivity: 0.2 }).map(([code]) => code)).toEqual(['mirror']);
  expect(codes(good, { emissivity: 0.2 }).map(([code]) => code)).toEqual(['low-emissivity']);
  expect(codes(good, { palm: 'emits' })).toEqual([]);
});

test('everything beyond a mark is read like a drawn region', () => {
  const reading = readRegion(
    frame,
    { id: 'warm', name: 'warm', shape: { kind: 'beyond', side: 'warmer', markC: 20 } },
    uncertainSettings(),
    cameraErrors(),
  );
  expect(reading.statistics).toMatchObject({ count: 1200, mean: 30 });
  const leftOut: Shape[] = [{ kind: 'box', x: 30, y: 0, width: 30, height: 20 }];
  const rest = readRegion(
    { ...frame, leftOut },
    { id: 'warm', name: 'warm', shape: { kind: 'beyond', side: 'warmer', markC: 20 } },
    uncertainSettings(),
    cameraErrors(),
  );
  expect(rest.statistics.count).toBe(600);
  expect(() =>
    readRegion(
      frame,
      { id: 'cold', name: 'cold', shape: { kind: 'beyond', side: 'colder', markC: 2 } },
      uncertainSettings(),
      cameraErrors(),
    ),
  ).toThrow(/Nothing in the frame is colder/);
});

test('the mark is an object temperature: under other settings other pixels lie beyond it', () => {
  const settings = { emissivity: 0.5, reflected: 20, air: 20, transmittance: 1 };
  // 30 °C apparent is far warmer as an object of emissivity 0.5.
  const reading = readRegion(
    frame,
    { id: 'warm', name: 'warm', shape: { kind: 'beyond', side: 'warmer', markC: 35 } },
    uncertainSettings(settings),
    cameraErrors(),
  );
  expect(reading.statistics.count).toBe(1200);
  expect(reading.statistics.mean).toBeGreaterThan(35);
});
