import fc from 'fast-check';
import { flushOf, ofWalk } from '../work/heating/heatingOf';
import type { VisitDocument } from '../model/document';
import { FUELS } from '../method/heating/combustion';
import { PIPE_QUESTIONS, type PipeValue } from '../model/pipeRow';
import { huntOf } from '../work/water/huntOf';
import type { HuntValue } from '../model/huntRow';
import { LEARNABLE } from '../model/cameraRow';
import { SIDES } from '../ground/side';
import { rowIdFrom } from '../ground/rowId';
import { FACE_STAGES } from '../method/heating/stages';
import {
  emitterValue,
  FACE,
  heatingVisit,
  MINUTE,
  ON,
  RADIATOR,
  radiatorPixels,
  withFrame,
  withReading,
  withRow,
} from './heatingVisit';
import { ID, wallPixels } from './visit';

/** Each thing that somebody may or may not have said of a visit. */
const told = fc.record({
  side: fc.constantFrom(...SIDES),
  summer: fc.boolean(),
  air: fc.boolean(),
  humidity: fc.boolean(),
  wind: fc.boolean(),
  cloud: fc.boolean(),
  sun: fc.boolean(),
  rain: fc.boolean(),
  history: fc.constantFrom('said', 'logger', 'by hand', 'none'),
  camera: fc.constantFrom('known', 'half', 'none'),
  emissivity: fc.boolean(),
  reflected: fc.boolean(),
  distance: fc.boolean(),
  mould: fc.boolean(),
  practice: fc.boolean(),
  expected: fc.boolean(),
  slot: fc.boolean(),
  // Looking a series through takes twenty times as long as all the rest.
  work: fc.oneof({ weight: 13, arbitrary: fc.constantFrom('survey', 'pipes') }, { weight: 1, arbitrary: fc.constant('leak') }),
  flow: fc.boolean(),
  school: fc.boolean(),
  exponent: fc.boolean(),
  build: fc.boolean(),
  stop: fc.boolean(),
  counted: fc.boolean(),
  room: fc.boolean(),
  /** How many of three radiators were read, and how many of the readings were followed by a turn. */
  read: fc.integer({ min: 0, max: 3 }),
  turned: fc.integer({ min: 0, max: 3 }),
  face: fc.constantFrom('none', 'hot', 'lukewarm'),
  question: fc.constantFrom(...PIPE_QUESTIONS),
  pipe: fc.record({
    material: fc.boolean(),
    outerMm: fc.boolean(),
    wallMm: fc.boolean(),
    laggingMm: fc.boolean(),
    airC: fc.boolean(),
    hoursYear: fc.boolean(),
  }),
  fuel: fc.option(fc.constantFrom(...FUELS)),
  licence: fc.boolean(),
  hot: fc.boolean(),
  covering: fc.boolean(),
  cover: fc.boolean(),
  water: fc.boolean(),
  litres: fc.boolean(),
  clock: fc.boolean(),
  opened: fc.constantFrom('not', 'untold', 'told'),
});

export type ToldVisit = typeof told extends fc.Arbitrary<infer T> ? T : never;

/** What was said of a visit, at random: side, season, history, camera, weather, heating half read, pipes, a leak. */
export const toldVisits: fc.Arbitrary<ToldVisit> = told;

/** Everything said. */
export const ALL_TOLD = (one: ToldVisit): ToldVisit => ({
  ...one,
  ...Object.fromEntries(Object.entries(one).flatMap(([key, value]) => (value === false ? [[key, true]] : []))),
  side: 'inside',
  camera: 'known',
  history: 'said',
  read: 3,
  pipe: { material: true, outerMm: true, wallMm: true, laggingMm: true, airC: true, hoursYear: true },
  fuel: one.fuel ?? 'oil',
  opened: 'told',
});

const FACE_FRAMES = {
  hot: ['0192f0a0-0000-7000-8000-0000000000a5', '0192f0a0-0000-7000-8000-0000000000a6'],
  lukewarm: ['0192f0a0-0000-7000-8000-0000000000a7', '0192f0a0-0000-7000-8000-0000000000a8'],
} as const;
const row = (k: number) => `0192f0a0-0000-7000-8000-0000000007${String(k).padStart(2, '0')}`;

/** The visit of which that was said. */
export function visitTold(one: ToldVisit): VisitDocument {
  let document = heatingVisit();
  const value = <T>(said: boolean, of: T): T | null => (said ? of : null);
  const { rows } = document;
  const visit = rows.visit[ID.visit]!;
  Object.assign(visit.value, { practice: one.practice, mouldFactor: value(one.mould, 0.72) });
  Object.assign(rows.plan[ID.plan]!.value, {
    insideC: value(one.expected, 21.5),
    slot: one.slot ? { from: ON + 600 * MINUTE, to: ON + 720 * MINUTE } : null,
  });
  Object.assign(rows.conditions[ID.conditions]!.value, {
    insideC: value(one.air, one.summer ? 23.4 : 20.3),
    outsideC: value(one.air, one.summer ? 31.2 : 1.7),
    humidityPct: value(one.humidity, 47),
    windMs: value(one.wind, 1.3),
    cloudPct: value(one.cloud, 83),
    sunHours: value(one.sun, 31),
    rainHours: value(one.rain, 37),
    heatingHours: value(one.history === 'said', 49),
    airHours: value(one.history === 'said', 51),
  });
  if (one.history === 'logger' || one.history === 'by hand')
    rows.log[row(1)] = {
      id: one.history === 'by hand' ? rowIdFrom(ID.visit, 'log by hand') : row(1),
      version: 1,
      value: {
        visitId: ID.visit,
        roomId: null,
        name: 'Hall logger',
        entries: Array.from({ length: 60 }, (_, h) => ({
          at: Date.UTC(2026, 1, 11, 20) - h * 60 * MINUTE,
          insideC: 19.6,
          outsideC: 3.1,
          humidityPct: 51,
        })),
      },
    };
  for (const frame of Object.values(rows.frame)) frame.value.side = one.side;
  for (const facts of Object.values(document.frameFacts)) facts.cameraId = one.camera === 'none' ? null : ID.camera;
  rows.camera[ID.camera]!.value.assumed = one.camera === 'half' ? [...LEARNABLE] : [];
  Object.assign(rows.settings[ID.settings]!.value, {
    emissivity: value(one.emissivity, 0.93),
    reflectedC: value(one.reflected, 18.8),
    distanceM: value(one.distance, 2.6),
  });
  document = heated(document, one);
  if (one.work === 'pipes') document = piped(document, one);
  if (one.work === 'leak') document = hunted(document, one);
  return document;
}

function heated(before: VisitDocument, one: ToldVisit): VisitDocument {
  let document = before;
  const value = <T>(said: boolean, of: T): T | null => (said ? of : null);
  const heating = Object.values(document.rows.heating)[0]!;
  Object.assign(heating.value, { flowSetC: value(one.flow, 57), school: value(one.school, 'usual') });
  const ids = Object.values(RADIATOR);
  for (const [k, serviceId] of ids.entries())
    document = withRow(
      document,
      'emitter',
      rowIdFrom(serviceId, 'emitter'),
      emitterValue(serviceId, {
        ratedW: k === 0 ? 1230 : null,
        build: value(one.build, 'double-fins'),
        exponent: value(one.exponent, 1.27),
        turnsOpen: value(one.stop, 3.5),
        turns: value(one.counted, 2.25),
      }),
    );
  ids.slice(0, one.read).forEach((serviceId, k) => {
    document = withReading(document, serviceId, 1, 40 + k, [56.2, 44.1 + k]);
    const reading = Object.values(document.rows.tailReading).find((found) => found.value.serviceId === serviceId)!;
    reading.value.roomC = value(one.room, 20.6);
  });
  ids.slice(0, one.turned).forEach((serviceId) => {
    document = withRow(document, 'valveTurn', ofWalk(ID.visit, 'turn', 2, serviceId), {
      visitId: ID.visit,
      serviceId,
      walk: 2,
      at: ON + 60 * MINUTE,
      from: value(one.counted, 2.25),
      to: 1.125,
    });
  });
  if (one.face !== 'none') {
    const serviceId = RADIATOR.hall;
    FACE_FRAMES[one.face].forEach((frameId, k) => {
      document = withFrame(document, frameId, serviceId, 30 + 15 * k);
      document = withRow(document, 'face', row(10 + k), { frameId, serviceId, stage: FACE_STAGES[k]!, box: FACE });
    });
  }
  const flush = flushOf(document);
  document = withRow(document, 'flush', flush.id, { ...flush.value, mainsPpm: value(one.room, 293) });
  return withRow(document, 'boilerCard', row(3), {
    visitId: ID.visit,
    boiler: 'Boiler',
    fuel: one.fuel,
    by: one.licence ? 'B. Fitter' : '',
    licence: one.licence ? 'L 7731' : '',
    testedAt: ON,
    states: [],
    rates: [
      {
        name: 'High fire',
        page: '',
        o2LowPct: 3.1,
        o2HighPct: 6.2,
        co2LowPct: null,
        co2HighPct: null,
        coMostPpm: null,
        coAirFree: true,
        flueMostC: null,
        efficiencyLeastPct: null,
        o2Pct: 4.4,
        co2Pct: null,
        coPpm: 41,
        flueC: 63,
        airC: 18.5,
      },
    ],
    parts: [],
  });
}

function piped(document: VisitDocument, one: ToldVisit): VisitDocument {
  const said = { material: 'plastic', outerMm: 28, wallMm: 1.4, laggingMm: 13, airC: 17.5, hoursYear: 4100 } as const;
  const fields = Object.fromEntries(
    Object.entries(said).map(([field, value]) => [field, one.pipe[field as keyof typeof said] ? value : null]),
  ) as Pick<PipeValue, keyof typeof said>;
  return withRow(document, 'pipe', row(4), {
    visitId: ID.visit,
    name: 'To the annexe',
    question: one.question,
    ...fields,
    orientation: 'level',
    closedAt: ON,
    hotC: 58.5,
    points: [
      { m: 0.5, celsius: 41.5, taped: true, minutes: 25 },
      { m: 1.5, celsius: 40.5, taped: true, minutes: 25 },
    ],
    zones: [{ name: 'Upstairs', onC: 57.5, offC: 40.5, minutes: 25 }],
    extent: one.water ? 7.7 : null,
    waterC: one.water ? 59.5 : null,
    surfaceC: 27.5,
    pricePerKwh: null,
  });
}

function hunted(before: VisitDocument, one: ToldVisit): VisitDocument {
  let document = before;
  const row0 = huntOf(document);
  const { value } = document.rows.frame[ID.frame]!;
  for (let i = 0; i < 4; i += 1) {
    const id = row(20 + i);
    // A camera without a clock gives all frames one moment.
    const takenAt = new Date(Date.UTC(2026, 1, 11, 19, one.clock ? 3 * i : 0)).toISOString();
    document = withRow(document, 'frame', id, { ...value, stopKey: 'floor-1', referenceId: null });
    document = { ...document, frameFacts: { ...document.frameFacts, [id]: { ...document.frameFacts[ID.frame]!, takenAt } } };
  }
  const of = <T>(said: boolean, known: T): T | null => (said ? known : null);
  const hunt: HuntValue = {
    ...row0.value,
    side: of(one.hot, 'hot'),
    covering: of(one.covering, 'vinyl'),
    coverMm: of(one.cover, 38),
    waterC: of(one.water, 54.5),
    litresMin: of(one.litres, 0.37),
    pricePerM3: 4.1,
    found:
      one.opened === 'not'
        ? null
        : { cause: one.opened === 'told' ? 'hot-pipe' : null, depthMm: null, offMarkM: null, pipe: '', advice: '' },
  };
  return withRow(document, 'hunt', row0.id, hunt);
}

const WALL = wallPixels();
const HOT = radiatorPixels({ cold: 'bottom' });
const LUKEWARM = radiatorPixels({ flowC: 34, returnC: 27, cold: 'bottom' });

/** Frames of a hunt show a floor on which a spot grows; of radiators a face; all others a wall with a cold box. */
export function pixelsOf(document: VisitDocument): (frameId: string) => Float32Array {
  return (frameId) => {
    if (FACE_FRAMES.hot.some((id) => id === frameId)) return HOT;
    if (FACE_FRAMES.lukewarm.some((id) => id === frameId)) return LUKEWARM;
    const step = [0, 1, 2, 3, 4].findIndex((i) => row(20 + i) === frameId);
    const { width } = document.frameFacts[frameId]!;
    if (step < 0) return WALL;
    return WALL.map((_, i) => {
      const [x, y] = [(i % width) - 14, Math.floor(i / width) - 12];
      const noise = 0.02 * Math.sin(12.9 * i + 4.1 * step);
      return 18 + noise + 0.35 * step * Math.exp(-(x * x + y * y) / 18);
    });
  };
}
