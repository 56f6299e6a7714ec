import { pipeValueSchema } from '../../model/pipeRow';
import { floorGrowth, floorReading, floorWords } from './floorOf';
import { lossOf, lossWords } from './pipeFacts';
import type { ToldPipe } from './toldPipe';

const pipe = (change: Partial<ToldPipe> = {}): ToldPipe => ({
  visitId: '0192f0a0-0000-7000-8000-000000000001',
  name: 'Behind the valve',
  question: 'valve',
  material: 'copper',
  outerMm: 22,
  wallMm: 1,
  laggingMm: 0,
  airC: 20,
  orientation: null,
  closedAt: null,
  hotC: null,
  points: [],
  zones: [],
  extent: null,
  waterC: null,
  surfaceC: null,
  hoursYear: 5000,
  pricePerKwh: null,
  assumed: [],
  ...change,
});

test('losses are stated when all that they follow from is there', () => {
  expect(lossOf(pipe({ question: 'run', extent: 8 }))).toBeNull();
  expect(lossOf(pipe({ question: 'run', extent: 8, waterC: 60 }))!.watts).toBeGreaterThan(100);
  expect(lossOf(pipe({ question: 'cylinder', extent: 2, waterC: 60 }))).toBeNull();
  expect(lossOf(pipe({ question: 'cylinder', extent: 2, waterC: 60, surfaceC: 26 }))!.kwhYear).toBeGreaterThan(200);
  expect(lossOf(pipe({ extent: 8, waterC: 60 }))).toBeNull();
  // A fifth to each side: films are not known better.
  expect(lossWords({ watts: 210.4, share: 0.2, laggedW: 60, kwhYear: 1052, saveKwhYear: 750 })).toBe(
    '210 W ± 42 W, 1052 ± 210 kWh a year',
  );
});

test('what cannot be a pipe is refused', () => {
  const bad = (change: object) => pipeValueSchema.safeParse({ ...pipe(), ...change }).success;
  expect(bad({})).toBe(true);
  expect(bad({ outerMm: 0 })).toBe(false);
  expect(bad({ points: [{ m: -1, celsius: 20, taped: true }] })).toBe(false);
  expect(bad({ hoursYear: 9000 })).toBe(false);
  expect(bad({ zones: [{ name: ' ', onC: null, offC: null }] })).toBe(false);
});

describe('a floor', () => {
  const trace = {
    frameId: '0192f0a0-0000-7000-8000-000000000002',
    name: 'Bathroom floor',
    box: { x: 2, y: 2, width: 96, height: 76 },
    widthM: 1.92,
    note: '',
  };
  const grid = (cold = -1) => ({
    width: 100,
    height: 80,
    values: Float32Array.from({ length: 8000 }, (_, i) => {
      const y = Math.floor(i / 100);
      const k = Math.floor(y / 12);
      return 24 + (k === cold ? 0 : 2 * Math.exp(-((((y % 12) - 6) / 2.6) ** 2))) + 0.02 * Math.sin(i);
    }),
  });

  test('states its runs and their spacing on the floor', () => {
    const words = floorWords(floorReading(grid(), trace), trace);
    expect(words[0]).toMatch(/^[67] runs, 2[3-5] cm apart; they show in 100 % of the box\.$/);
    expect(words).toHaveLength(1);
    expect(floorWords(floorReading(grid(), trace), { ...trace, widthM: null })[0]).toContain('12 pixels apart');
  });
  test('names a run that stays cold', () => {
    const words = floorWords(floorReading(grid(3), trace), trace);
    expect(words[1]).toMatch(/^Run 4 stays cold/);
  });
  test('says what is noted beside a part without runs', () => {
    const found = { runs: [], spacingPx: 12, angleDeg: 0, warmShare: 0.8 };
    const gap = { box: trace.box, share: 0.2 };
    const words = floorWords({ ...found, gaps: [{ ...gap, looks: 'cold' }] }, { ...trace, note: 'mopped' });
    expect(words[1]).toMatch(/^20 % of it shows no run.*or wet\. Noted: mopped\.$/);
    expect(floorWords({ ...found, gaps: [{ ...gap, looks: 'covered' }] }, trace)[1]).toContain('something lies');
  });
  test('grows from frame to frame, in its mean and in how far its runs stand out', () => {
    const cooler = grid();
    const warmer = { ...cooler, values: cooler.values.map((value) => 22 + 1.5 * (value - 24) + 3) };
    const { meanK, contrastsK } = floorGrowth([cooler, trace], [warmer, trace]);
    expect(meanK).toBeGreaterThan(1);
    expect(contrastsK![1] / contrastsK![0]).toBeCloseTo(1.5, 2);
    const even = { ...cooler, values: new Float32Array(8000).fill(22) };
    expect(floorGrowth([even, trace], [cooler, trace]).contrastsK).toBeNull();
    expect(floorGrowth([even, trace], [even, trace]).meanK).toBe(0);
  });
  test('without runs or with a bad box says why', () => {
    const even = { width: 100, height: 80, values: new Float32Array(8000).fill(24) };
    expect(floorWords(floorReading(even, trace), trace)[0]).toContain('No evenly spaced warm lines');
    expect(floorWords(floorReading(grid(), { ...trace, box: { ...trace.box, width: 500 } }), trace)[0]).toContain(
      'inside the frame',
    );
  });
});
