import { HOUR_MS } from '@core/ground/localClock';
import { type Frame } from '@core/method/frame/frame';
import { APPARENT } from '@core/ground/basis';
import { spansOf } from '@core/method/frame/region';
import { regionStatistics } from '@core/method/frame/statistics';
import { readFrame } from '@core/method/formats/readFrame';
import { writeNpy } from '@core/method/formats/npy/write';
import { writePng } from '@core/method/formats/png/write';
import { writeTiff } from '@core/method/formats/tiff/write';
import { correctValues, radianceLine } from '@core/method/radiometry/measurement';
import { colourFrame } from '@core/method/scale/colourFrame';
import { lookThrough } from '@core/method/detect/candidate';
import { adviseBalance } from '@core/method/heating/balance/advise';
import type { BalanceState } from '@core/method/heating/balance/state';
import { SIGNAL_HOUSE } from '@core/method/simulate/heating/signalHouse';
import { normalFrom, seededRandom } from '@core/ground/random';
import { houseScene, ownErrors, sceneCamera, type SimulatedSurface } from '@core/work/practice/houseScene';
import { renderScene } from '@core/method/simulate/renderScene';
import { register } from '@core/method/compare/register';
import { floorSeries } from '@core/method/simulate/series/floorSeries';
import { rendered, wallPair } from '@core/method/simulate/series/wallPair';
import { timelapse } from '@core/method/water/timelapse';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { shareCamera, type Home } from '@core/work/loan/shareCamera';
import { hoursPlanSchema } from '@core/method/weather/plan';
import { scoreHours } from '@core/method/weather/scoreHours';
import { standInWeather } from '@core/method/weather/standIn';
import { nodeCodecs } from '@server/codecs';

const ROUNDS = 5;
const RUNS = 25;
const WARM_MS = 120;

/** Median time of a task in ms, warmed up. */
function median(task: () => void): number {
  const warm = performance.now() + WARM_MS;
  while (performance.now() < warm) task();
  const times = Array.from({ length: RUNS }, () => {
    const start = performance.now();
    task();
    return performance.now() - start;
  });
  return times.sort((x, y) => x - y)[RUNS >> 1]!;
}

/** Medians of all tasks, each from the quietest of a few rounds over all: other users of the machine come and go. */
function medians<Name extends string>(tasks: Record<Name, () => void>): Record<Name, number> {
  const names = Object.keys(tasks) as Name[];
  const best = Object.fromEntries(names.map((name) => [name, Infinity])) as Record<Name, number>;
  for (let round = 0; round < ROUNDS; round += 1) {
    for (const name of names) best[name] = Math.min(best[name], median(tasks[name]));
  }
  return best;
}

/** A wall-like frame: a gradient with noise, so that nothing is easier than in life. */
function wallFrame(width: number, height: number): Frame {
  const normal = normalFrom(seededRandom(7));
  const values = Float32Array.from({ length: width * height }, (_, i) => 17 + 4 * Math.sin(i / 9000) + 0.05 * normal());
  return { width, height, values, basis: APPARENT, provenance: { format: 'simulated', sourceUnit: 'C', pages: 1 }, warnings: [] };
}

/** Two decimals, as most exports have. */
function hundredthsCsv(frame: Frame): string {
  const rows = Array.from({ length: frame.height }, (_, y) =>
    Array.from(frame.values.subarray(y * frame.width, (y + 1) * frame.width), (value) => value.toFixed(2)).join(','),
  );
  return `${rows.join('\n')}\n`;
}

const MONDAY = Date.UTC(2027, 1, 8);

/** Twelve homes in a week, somebody in on three or four evenings each: as hard as it comes. */
function randomHomes(random: () => number): Home[] {
  return Array.from({ length: 12 }, (_, i) => ({
    id: String(i),
    name: String(i),
    minutes: 45 + 15 * Math.floor(6 * random()),
    travelMinutes: 5 * Math.floor(5 * random()),
    presences: [0, 1, 2, 3, 4, 5, 6]
      .filter(() => random() < 0.5)
      .map((day) => {
        const from = MONDAY + (24 * day + 16 + Math.floor(4 * random())) * HOUR_MS;
        return { from, to: from + (2 + Math.floor(4 * random())) * HOUR_MS };
      }),
    scores: Array.from({ length: 168 }, random),
    scoresFrom: MONDAY,
  }));
}

/** A wall with window and radiator, as the viewfinder meets it on most stops. */
const bedroomWall: SimulatedSurface = {
  id: 'bedroom wall',
  surface: {
    siteId: '',
    roomId: '',
    name: 'Front wall',
    kind: 'wall',
    azimuth: 180,
    mass: 'brick',
    behind: 'outside',
    widthM: 4,
    heightM: 2.4,
    openings: [{ id: '0192f0a0-0000-7000-8000-0000000000a1', kind: 'window', x: 1.4, y: 0.4, width: 1.2, height: 1.1 }],
    otherSideId: null,
    ordinal: 0,
  },
  room: {
    siteId: '',
    name: 'Bedroom',
    kind: 'bedroom',
    storey: 1,
    plan: { x: 0, y: 0, width: 4, depth: 4 },
    heightM: 2.4,
    heated: null,
    ordinal: 0,
  },
  described: null,
  emitters: null,
  sealed: false,
  hidden: [],
  storeys: { lowest: 0, count: 2 },
  weather: {
    insideC: 20,
    outsideC: 2,
    humidityPct: 45,
    windMs: 1,
    windFromDeg: null,
    cloudPct: null,
    sun: null,
    sunHours: null,
  },
};
const BENCH_CAMERA = sceneCamera(STAND_IN_CAMERA.value, ownErrors(STAND_IN_CAMERA.id, STAND_IN_CAMERA.value));
const FROM_ASIDE = { aim: { x: 2, y: 1.2 }, distance: 3, aside: 0.8 };

/** 95th percentile of sharing one camera among twelve homes, over a hundred random weeks, ms. */
function sharing95(): number {
  const random = seededRandom(12);
  const loan = { from: MONDAY, to: MONDAY + 7 * 24 * HOUR_MS, timeZone: 'Europe/London' };
  const times = Array.from({ length: 100 }, () => {
    const homes = randomHomes(random);
    const start = performance.now();
    shareCamera(loan, homes);
    return performance.now() - start;
  });
  return times.sort((x, y) => x - y)[94]!;
}

/** `./den bench`: medians of the core's hot paths on a 640×480 frame (CSV on 320×240), a year of hours, and a picture of
 * the viewfinder at 320×240, in ms. */
export function bench(): { document: unknown; refused: boolean } {
  const frame = wallFrame(640, 480);
  const small = wallFrame(320, 240);
  const line = radianceLine(APPARENT, { emissivity: 0.93, reflected: 21, air: 20, transmittance: 0.98 });
  const corrected = new Float32Array(frame.values.length);
  const pixels = new Uint32Array(frame.values.length);
  const spans = spansOf({ kind: 'box', x: 200, y: 150, width: 100, height: 100 }, frame.width, frame.height);
  // A star of twenty corners with some 50 000 pixels in it.
  const star = Array.from({ length: 20 }, (_, i): [number, number] => {
    const reach = i % 2 === 0 ? 170 : 105;
    return [320 + 1.4 * reach * Math.cos((Math.PI * i) / 10), 240 + reach * Math.sin((Math.PI * i) / 10)];
  });
  const busy = renderScene(houseScene(bedroomWall, { ...BENCH_CAMERA, width: 640, height: 480 }, { ...FROM_ASIDE, aside: 0 }, 1));
  const circuit = playedCircuit();
  const tiff = writeTiff(frame, nodeCodecs);
  const npy = writeNpy(frame);
  const png = writePng(frame, nodeCodecs);
  const csv = new TextEncoder().encode(hundredthsCsv(small));
  const walls = rendered(wallPair(3));
  const largeWalls = rendered(wallPair(3, { columns: [640, 640] }));
  const year = standInWeather(51.2, 1, Date.UTC(2027, 0, 1), 8760);
  const plan = hoursPlanSchema.parse({
    latitude: 51.2,
    longitude: 1,
    timezone: 'Europe/London',
    inside_c: 20,
    facades: [0, 90, 180, 270].map((azimuth) => ({ azimuth, wall: 'brick' })),
  });
  const {
    tiff: readTiff,
    csv: readCsv,
    npy: readNpy,
    png16: readPng,
    ...rest
  } = medians({
    correct: () => correctValues(frame.values, line, corrected),
    statistics: () => regionStatistics(corrected, frame.width, spans),
    polygon: () => regionStatistics(corrected, frame.width, spansOf({ kind: 'poly', points: star }, frame.width, frame.height)),
    colour: () => colourFrame(frame.values, frame.width, line, { low: 12, high: 22, map: 'hearth' }, pixels),
    tiff: () => readFrame(tiff, nodeCodecs),
    csv: () => readFrame(csv, nodeCodecs),
    npy: () => readFrame(npy, nodeCodecs),
    png16: () => readFrame(png, nodeCodecs),
    hours: () => scoreHours(year, plan),
    balance: () => adviseBalance(circuit),
    register: () => register(...walls),
    registerLarge: () => register(...largeWalls),
    detect: () => lookThrough(busy, { side: 'inside', drive: 18, least: 0.5, ignored: null }),
    viewfinder: () => renderScene(houseScene(bedroomWall, BENCH_CAMERA, FROM_ASIDE, 1)),
  });
  return {
    document: {
      ...rest,
      timelapse: timelapseMs(),
      sharing95: sharing95(),
      decode: { tiff: readTiff, csv: readCsv, npy: readNpy, png16: readPng },
    },
    refused: false,
  };
}

/** A leak in 60 frames of 160 × 120: the quickest of three, ms. */
function timelapseMs(): number {
  const { frames } = floorSeries(1, { frames: 60, intervalS: 30, driveK: 12 });
  const told = { intervalS: 30, sign: 'warmer', coverMm: 50, waterC: 50, onMin: null } as const;
  return Math.min(
    ...[1, 2, 3].map(() => {
      const start = performance.now();
      timelapse(frames, told);
      return performance.now() - start;
    }),
  );
}

/** Signal House after two walks: everything read twice, each lockshield turned once. */
function playedCircuit(): BalanceState {
  const emitters = SIGNAL_HOUSE.radiators.map(({ id, ratedW, turnsOpen }, i) => ({
    id,
    order: i + 1,
    ratedW,
    exponent: 1.3,
    turns: 1.5,
    turnsOpen,
    sticks: false,
    tail: 'painted' as const,
    tapedWalk: null,
    withoutTape: false,
    headOn: false,
  }));
  const readings = [1, 2].flatMap((walk) =>
    emitters.map(({ id, turnsOpen }, i) => ({
      walk,
      atS: 1000 * walk + 30 * i,
      emitterId: id,
      turns: walk === 1 ? turnsOpen : 1.5,
      flowC: 59 - 0.2 * i,
      returnC: walk === 1 ? 54 - 0.3 * i : 49 - i,
      roomC: 20,
      settledS: walk === 1 ? 3600 : 400 + 30 * i,
    })),
  );
  const turned = emitters.map(({ id, turnsOpen }, i) => ({ walk: 2, atS: 1400 + i, emitterId: id, from: turnsOpen, to: 1.5 }));
  return { targetK: 12, toleranceK: 2, flowSetC: 60, emitters, turned, readings };
}
