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
import { parseArguments, usage } from './arguments';

const ROUNDS = 3;
/** A task is warmed up for so long, ms, … */
const WARM_MS = 100;
/** … and then run until so much time has passed, ms, or so often; never less than a few times. */
const RUN_MS = 250;
const RUNS = { least: 3, most: 25 };

/** Median time of a task, ms. */
function median(task: () => void): number {
  const start = performance.now();
  do task();
  while (performance.now() - start < WARM_MS);
  const times: number[] = [];
  const from = performance.now();
  while (times.length < RUNS.least || (times.length < RUNS.most && performance.now() - from < RUN_MS)) {
    const began = performance.now();
    task();
    times.push(performance.now() - began);
  }
  return times.sort((x, y) => x - y)[times.length >> 1]!;
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

const frame = once(() => wallFrame(640, 480));
const line = radianceLine(APPARENT, { emissivity: 0.93, reflected: 21, air: 20, transmittance: 0.98 });
const corrected = once(() => {
  const values = new Float32Array(frame().values.length);
  correctValues(frame().values, line, values);
  return values;
});
const box = once(() => spansOf({ kind: 'box', x: 200, y: 150, width: 100, height: 100 }, 640, 480));

/** Made when it is first asked for, so that a task waits for nothing but its own. */
function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

/** A star of twenty corners with some 50 000 pixels in it. */
function star(): [number, number][] {
  return Array.from({ length: 20 }, (_, i): [number, number] => {
    const reach = i % 2 === 0 ? 170 : 105;
    return [320 + 1.4 * reach * Math.cos((Math.PI * i) / 10), 240 + reach * Math.sin((Math.PI * i) / 10)];
  });
}

/** What is measured: each is made ready, and then runs as often as it takes. Frames have 640 × 480 pixels, the CSV 320 × 240. */
const TASKS = {
  correct: () => {
    const into = new Float32Array(frame().values.length);
    return () => correctValues(frame().values, line, into);
  },
  statistics: () => {
    const [values, spans] = [corrected(), box()];
    return () => regionStatistics(values, 640, spans);
  },
  polygon: () => {
    const [values, points] = [corrected(), star()];
    return () => regionStatistics(values, 640, spansOf({ kind: 'poly', points }, 640, 480));
  },
  colour: () => {
    const pixels = new Uint32Array(frame().values.length);
    return () => colourFrame(frame().values, 640, line, { low: 12, high: 22, map: 'hearth' }, pixels);
  },
  tiff: () => readingOf(writeTiff(frame(), nodeCodecs)),
  csv: () => readingOf(new TextEncoder().encode(hundredthsCsv(wallFrame(320, 240)))),
  npy: () => readingOf(writeNpy(frame())),
  png16: () => readingOf(writePng(frame(), nodeCodecs)),
  hours: () => {
    const year = standInWeather(51.2, 1, Date.UTC(2027, 0, 1), 8760);
    const plan = hoursPlanSchema.parse({
      latitude: 51.2,
      longitude: 1,
      timezone: 'Europe/London',
      inside_c: 20,
      facades: [0, 90, 180, 270].map((azimuth) => ({ azimuth, wall: 'brick' })),
    });
    return () => scoreHours(year, plan);
  },
  balance: () => {
    const circuit = playedCircuit();
    return () => adviseBalance(circuit);
  },
  register: () => {
    const walls = rendered(wallPair(3));
    return () => register(...walls);
  },
  registerLarge: () => {
    const walls = rendered(wallPair(3, { columns: [640, 640] }));
    return () => register(...walls);
  },
  detect: () => {
    const busy = renderScene(
      houseScene(bedroomWall, { ...BENCH_CAMERA, width: 640, height: 480 }, { ...FROM_ASIDE, aside: 0 }, 1),
    );
    return () => lookThrough(busy, { side: 'inside', drive: 18, least: 0.5, ignored: null });
  },
  viewfinder: () => () => renderScene(houseScene(bedroomWall, BENCH_CAMERA, FROM_ASIDE, 1)),
} satisfies Record<string, () => () => unknown>;

/** What is measured in a way of its own, ms. */
const MEASURED = { timelapse: timelapseMs, sharing95 };

const DECODE = ['tiff', 'csv', 'npy', 'png16'];
const NAMES = [...Object.keys(TASKS), ...Object.keys(MEASURED)];

const readingOf = (bytes: Uint8Array) => () => readFrame(bytes, nodeCodecs);

/**
 * `./den bench [NAME,NAME…]`: medians of the core's hot paths, ms; each from the quietest of a few rounds over all, because
 * other users of the machine come and go. Without names all of them.
 *
 * @throws CoreError `bad_usage` for a name that there is not
 */
export function bench(words: readonly string[]): { document: unknown; refused: boolean } {
  const { files } = parseArguments(words, { json: 'flag' });
  const wanted = files.flatMap((word) => word.split(',')).filter((word) => word !== '');
  const unknown = wanted.find((name) => !NAMES.includes(name));
  if (unknown !== undefined) throw usage(`There is no ${JSON.stringify(unknown)} to measure.`, `Choose of ${NAMES.join(', ')}.`);
  const asked = (name: string) => wanted.length === 0 || wanted.includes(name);
  const tasks = Object.entries(TASKS).flatMap(([name, make]) => (asked(name) ? [{ name, task: make() }] : []));
  const best = new Map<string, number>();
  for (let round = 0; round < ROUNDS; round += 1)
    for (const { name, task } of tasks) best.set(name, Math.min(best.get(name) ?? Infinity, median(task)));
  for (const [name, measure] of Object.entries(MEASURED)) if (asked(name)) best.set(name, measure());
  const decode = Object.fromEntries(DECODE.flatMap((name) => (best.has(name) ? [[name, best.get(name)!]] : [])));
  const rest = Object.fromEntries([...best].filter(([name]) => !DECODE.includes(name)));
  return { document: Object.keys(decode).length > 0 ? { ...rest, decode } : rest, refused: false };
}
