import fc from 'fast-check';
import { ENTITIES } from './entities';
import { emitterValue, RADIATOR } from '../testing/heatingVisit';
import { boilerCardValueSchema, fireRateSchema } from './boilerCardRow';
import { emitterValueSchema } from './emitterRow';
import { faceValueSchema } from './faceRow';
import { floorTraceValueSchema } from './floorTraceRow';
import { flushValueSchema } from './flushRow';
import { heatingValueSchema } from './heatingRow';
import { tailReadingValueSchema } from './tailReadingRow';

const ID = RADIATOR.hall;
const says = (found: { success: boolean; error?: { issues: { message: string; path: PropertyKey[] }[] } }) =>
  found.success ? 'taken' : `${found.error!.issues[0]!.path.join('.')}: ${found.error!.issues[0]!.message}`;

test('an emitter stands between shut and its stop', () => {
  const emitter = (change: object) => says(emitterValueSchema.safeParse({ ...emitterValue(ID), ...change }));
  expect(emitter({})).toBe('taken');
  expect(emitter({ turns: 4.125 })).toBe('turns: stands beyond its stop');
  expect(emitter({ turns: -0.125 })).toBe('turns: must not be negative');
  expect(emitter({ turnsOpen: 0.25, turns: 0.125 })).toBe('turnsOpen: must be at least half a turn');
  expect(emitter({ ratedW: 5 })).toBe('ratedW: must be at least 20 W');
  expect(emitter({ order: 0 })).toMatch(/^order: /);
  expect(emitter({ build: 'cast' })).toMatch(/^build: /);
});

test('a tolerance lies below its target', () => {
  const heating = {
    visitId: ID,
    school: 'own',
    targetK: 9,
    toleranceK: 1.5,
    flowSetC: 60,
    onAt: null,
    checks: {},
    flows: [],
    markBar: null,
    beforeBar: null,
    afterBar: null,
    listenAt: null,
    walk: 0,
    waitUntil: null,
    skippedS: 0,
  };
  const parse = (change: object) => says(heatingValueSchema.safeParse({ ...heating, ...change }));
  expect(parse({})).toBe('taken');
  expect(parse({ toleranceK: 9 })).toBe('toleranceK: must be below the target');
  expect(parse({ flowSetC: 110 })).toBe('flowSetC: must not exceed 95 °C');
  expect(parse({ beforeBar: 11 })).toBe('beforeBar: must not exceed 10 bar');
  expect(parse({ checks: { 'pump-heard': 1 } })).toBe('taken');
  expect(parse({ checks: { 'pump-smelt': 1 } })).toMatch(/^checks/);
  expect(parse({ walk: 1.5 })).toMatch(/^walk: /);
});

test('a reading has two values or a frame', () => {
  const reading = {
    visitId: ID,
    serviceId: ID,
    walk: 1,
    at: 1,
    flowC: 58,
    returnC: 46,
    frameId: null,
    flowRegionId: null,
    returnRegionId: null,
    roomC: 20,
  };
  const parse = (change: object) => says(tailReadingValueSchema.safeParse({ ...reading, ...change }));
  expect(parse({})).toBe('taken');
  expect(parse({ returnC: null })).toBe('flowC: needs flow and return, typed or from a frame');
  expect(parse({ flowC: null, returnC: null, frameId: ID })).toBe('taken');
  expect(parse({ flowC: 140 })).toBe('flowC: must not exceed 130 °C');
  expect(parse({ walk: 0 })).toMatch(/^walk: /);
  expect(parse({ roomC: 60 })).toBe('roomC: must not exceed 45 °C');
});

test('a face has six pixels a side and lies in a frame', () => {
  const face = (box: object) =>
    says(
      faceValueSchema.safeParse({ frameId: ID, serviceId: ID, stage: 'found', box: { x: 0, y: 0, width: 9, height: 9, ...box } }),
    );
  expect(face({})).toBe('taken');
  expect(face({ width: 5 })).toBe('box.width: must be at least 6 pixels');
  expect(face({ x: -1 })).toMatch(/^box\.x: /);
  expect(face({ y: 0.5 })).toMatch(/^box\.y: /);
  const trace = { frameId: ID, name: 'Floor', box: { x: 0, y: 0, width: 9, height: 9 }, widthM: null, note: '' };
  expect(says(floorTraceValueSchema.safeParse(trace))).toBe('taken');
  expect(says(floorTraceValueSchema.safeParse({ ...trace, name: ' ' }))).toBe('name: must not be empty');
  expect(says(floorTraceValueSchema.safeParse({ ...trace, widthM: 90 }))).toBe('widthM: must not exceed 50 m');
});

test('a flush keeps known steps, and water that can be', () => {
  const flush = {
    visitId: ID,
    steps: { off: 1 },
    marks: [],
    mainsPpm: null,
    water: [],
    cleaner: '',
    inhibitor: '',
    by: '',
    note: '',
  };
  const parse = (change: object) => says(flushValueSchema.safeParse({ ...flush, ...change }));
  expect(parse({})).toBe('taken');
  expect(parse({ steps: { drained: 1 } })).toMatch(/^steps/);
  expect(parse({ water: [{ at: 1, ppm: -1 }] })).toMatch(/^water\.0\.ppm: /);
  expect(parse({ marks: [{ serviceId: ID, agitatedMin: 700, alone: true, bothWays: false }] })).toBe(
    'marks.0.agitatedMin: must not exceed 600 minutes',
  );
});

test('a boiler card takes what flue gas can be', () => {
  const blank = Object.fromEntries(Object.keys(fireRateSchema.shape).map((name) => [name, null]));
  const rate = { ...blank, name: 'High fire', page: '', coAirFree: true };
  const parse = (change: object) => says(fireRateSchema.safeParse({ ...rate, ...change }));
  expect(parse({})).toBe('taken');
  expect(parse({ o2Pct: 101 })).toBe('o2Pct: must not exceed 100 %');
  expect(parse({ coPpm: -1 })).toBe('coPpm: must not be negative');
  expect(parse({ flueC: 1200 })).toBe('flueC: must not exceed 1000 °C');
  const boiler = { visitId: ID, boiler: 'B', fuel: 'oil', by: '', licence: '', testedAt: 1, states: [], rates: [], parts: [] };
  expect(says(boilerCardValueSchema.safeParse(boiler))).toBe('taken');
  expect(says(boilerCardValueSchema.safeParse({ ...boiler, fuel: 'coal' }))).toMatch(/^fuel: /);
  expect(says(boilerCardValueSchema.safeParse({ ...boiler, rates: new Array(7).fill(rate) }))).toMatch(/^rates: /);
});

test('whatever comes instead of a row is refused, never thrown', () => {
  const own = ENTITIES.filter(({ name }) =>
    ['emitter', 'heating', 'warming', 'valveTurn', 'tailReading', 'face', 'floorTrace', 'pipe', 'flush', 'boilerCard'].includes(
      name,
    ),
  );
  expect(own).toHaveLength(10);
  fc.assert(
    fc.property(fc.constantFrom(...own), fc.anything(), ({ schema }, anything) => {
      expect(schema.safeParse(anything).success).toBe(false);
    }),
    { numRuns: 300, seed: 7 },
  );
});
