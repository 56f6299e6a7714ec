import type { Wall } from '@core/weather/wallMemory';
import { poseFor } from '@core/simulate/pinhole';
import type { Feature, Scene } from '@core/simulate/scene';
import type { SceneCamera } from '@core/simulate/surface';

/** The row's shared camera: 320×240, 50 mK. */
const CAMERA: SceneCamera = {
  width: 320,
  height: 240,
  noise: 0.05,
  uniformity: 0.08,
  blur: 0.7,
  fieldDeg: 50,
  minDistance: 0.3,
};

/** A still evening in the second week of February. */
const EVENING = { insideC: 20.6, outsideC: 1.9, humidityPct: 47, windMs: 1, sunHours: 31, rainHours: 44 };

interface DemoFrame {
  room: string;
  name: string;
  /** Local time of the visit's evening, hours and minutes. */
  at: string;
  scene: Scene;
  /** Regions with their names; the first is marked as the reference when its name begins with "sound". */
  regions: { name: string; box: [x: number, y: number, width: number, height: number] }[];
  finding?: { title: string; note: string; this: string; that: string };
}

let seed = 4200;

function scene(viewWidth: number, features: Feature[], changes: Partial<Scene> = {}): Scene {
  seed += 17;
  return {
    seed,
    camera: CAMERA,
    width: viewWidth,
    height: viewWidth * 0.75,
    pose: poseFor(viewWidth, { x: viewWidth / 2, y: viewWidth * 0.375 }, CAMERA),
    side: 'inside',
    insideC: EVENING.insideC,
    outsideC: EVENING.outsideC,
    humidityPct: EVENING.humidityPct,
    factor: 0.9,
    emissivity: 0.95,
    reflectedC: 20.1,
    stratification: 1.1,
    paint: [222, 214, 196],
    features,
    ...changes,
  };
}

const studs = (first: number): Feature => ({ kind: 'studs', first, spacing: 0.6, width: 0.05, strength: 0.028 });
const ceiling = (inset = 0.1): Feature => ({ kind: 'edge', at: 'ceiling', inset, strength: 0.11, reach: 0.45 });
const floor = (inset = 0.12): Feature => ({ kind: 'edge', at: 'floor', inset, strength: 0.09, reach: 0.3 });
const corner: Feature = { kind: 'edge', at: 'right', inset: 0.05, strength: 0.13, reach: 0.35 };

const frames: DemoFrame[] = [
  {
    room: 'Front room',
    name: 'Window wall',
    at: '19:14',
    scene: scene(3.6, [
      ceiling(),
      corner,
      studs(0.28),
      { kind: 'radiator', x: 0.25, y: 2.0, width: 1.25, height: 0.5, flowC: 46, returnC: 39 },
      { kind: 'bay', x: 0.91, y: 0.24, width: 0.54, height: 0.78, strength: 0.14 },
      {
        kind: 'window',
        x: 2.2,
        y: 0.75,
        width: 0.95,
        height: 1.15,
        paneFactor: 0.66,
      },
      { kind: 'leak', x: 2.22, y: 1.92, direction: 75, reach: 0.6, strength: 0.42 },
    ]),
    regions: [
      { name: 'sound wall beside window', box: [146, 100, 30, 30] },
      { name: 'sill, left', box: [192, 171, 22, 24] },
      { name: 'bay above radiator', box: [86, 34, 34, 44] },
    ],
    finding: {
      title: 'Air comes in under the window, left corner',
      note: 'Feathered, coldest at the frame corner, fades within half a metre. The sash rattles. Smoke pen to confirm, then strip the sash.',
      this: 'sill, left',
      that: 'sound wall beside window',
    },
  },
  {
    room: 'Front room',
    name: 'Chimney wall',
    at: '19:16',
    scene: scene(3.4, [
      ceiling(0.08),
      studs(0.5),
      { kind: 'panel', look: 'boards', x: 1.2, y: 1.25, width: 0.8, height: 0.95, change: -0.11, rim: 0 },
      floor(),
    ]),
    regions: [
      { name: 'sound wall left of chimney', box: [40, 120, 34, 34] },
      { name: 'boarded fireplace', box: [122, 130, 56, 60] },
    ],
    finding: {
      title: 'Boarded fireplace without insulation behind',
      note: 'Straight sides, even inside. The tenant says the stove went out in the eighties and the opening was boarded.',
      this: 'boarded fireplace',
      that: 'sound wall left of chimney',
    },
  },
  { room: 'Front room', name: 'Floor edge', at: '19:18', scene: scene(2.2, [floor(0.3), corner, studs(0.2)]), regions: [] },
  {
    room: 'Front room',
    name: 'Front door',
    at: '19:20',
    scene: scene(2.6, [{ kind: 'door', x: 0.75, y: 0.1, width: 0.95, height: 1.75, factor: 0.7, threshold: 0.22 }, floor(0.08)]),
    regions: [],
  },
  {
    room: 'Stairs',
    name: 'Loft hatch',
    at: '19:24',
    scene: scene(1.8, [{ kind: 'panel', look: 'hatch', x: 0.5, y: 0.35, width: 0.75, height: 0.6, change: -0.06, rim: 0.16 }], {
      factor: 0.93,
      stratification: 0.3,
    }),
    regions: [
      { name: 'sound ceiling', box: [20, 190, 40, 30] },
      { name: 'hatch rim, front', box: [100, 160, 110, 16] },
    ],
  },
  {
    room: 'Stairs',
    name: 'Outside wall',
    at: '19:26',
    scene: scene(3.2, [studs(0.15), { kind: 'bay', x: 1.4, y: 0, width: 0.54, height: 1.5, strength: 0.12 }, ceiling(0)]),
    regions: [],
  },
  { room: 'Stairs', name: 'Party wall', at: '19:28', scene: scene(3.2, [], { factor: 0.985, stratification: 1.6 }), regions: [] },
  { room: 'Stairs', name: 'Landing corner', at: '19:30', scene: scene(2.4, [ceiling(0.2), corner]), regions: [] },
  {
    room: 'Back bedroom',
    name: 'Ceiling corner',
    at: '19:34',
    scene: scene(2.6, [ceiling(0.5), corner, { kind: 'bay', x: 0.4, y: 0.1, width: 1.1, height: 0.42, strength: 0.17 }]),
    regions: [],
  },
  {
    room: 'Back bedroom',
    name: 'Window',
    at: '19:36',
    scene: scene(2.4, [
      ceiling(0.04),
      { kind: 'window', x: 0.7, y: 0.35, width: 1.0, height: 1.1, paneFactor: 0.62 },
      { kind: 'leak', x: 1.68, y: 1.46, direction: 110, reach: 0.4, strength: 0.3 },
    ]),
    regions: [],
  },
  {
    room: 'Back bedroom',
    name: 'Wall behind the bed',
    at: '19:38',
    scene: scene(3.2, [
      studs(0.35),
      { kind: 'panel', look: 'picture', x: 1.9, y: 0.6, width: 0.5, height: 0.65, change: -0.015, rim: 0 },
      { kind: 'bay', x: 0.96, y: 1.1, width: 0.54, height: 1.3, strength: 0.1 },
    ]),
    regions: [],
  },
  {
    room: 'Back bedroom',
    name: 'Radiator',
    at: '19:40',
    scene: scene(2.2, [{ kind: 'radiator', x: 0.5, y: 0.7, width: 1.2, height: 0.6, flowC: 47, returnC: 36 }, floor(0.1)]),
    regions: [],
  },
];

/** Made-up, like everything here. */
const TILEBURY = { timeZone: 'Europe/London', latitude: 51.2, longitude: 1 };

function facades(azimuths: number[], wall: Wall = 'brick') {
  return azimuths.map((azimuth) => ({ azimuth, wall }));
}

/** Sites without a visit yet: the rest of the row, and two further away. */
export const OTHER_SITES = [
  { name: 'Old Kiln Row · No. 1', address: '1 Old Kiln Row, Tilebury under Marl', ...TILEBURY, facades: facades([20, 200, 290]) },
  { name: 'Old Kiln Row · No. 3', address: '3 Old Kiln Row, Tilebury under Marl', ...TILEBURY, facades: facades([20, 110, 200]) },
  {
    name: 'Old Kiln Row · drying shed',
    address: 'Behind Old Kiln Row, Tilebury under Marl',
    ...TILEBURY,
    facades: facades([20, 110, 200, 290], 'light'),
  },
  {
    name: 'Signal House',
    address: 'Old line, Upper Marl',
    ...TILEBURY,
    latitude: 51.3,
    facades: facades([75, 165, 255, 345], 'stone'),
  },
  {
    name: 'Casa Alcornoque',
    address: 'Camino de la Fuente, Valdecorcho',
    timeZone: 'Europe/Madrid',
    latitude: 38.3,
    longitude: -6.5,
    facades: facades([0, 90, 180, 270], 'stone'),
  },
];

/** A week with the row's one camera, and when somebody is in; the site's name ends in `site`. */
export const ROW_LOAN = {
  name: 'Row camera, second week of February',
  ...TILEBURY,
  insideC: 20,
  firstDay: '2026-02-09',
  lastDay: '2026-02-15',
  homes: [
    { site: 'No. 2', minutes: 90, travelMinutes: 5, evenings: ['2026-02-11'] },
    { site: 'No. 1', minutes: 75, travelMinutes: 5, evenings: ['2026-02-11'] },
    { site: 'No. 3', minutes: 75, travelMinutes: 5, evenings: ['2026-02-11', '2026-02-14'] },
    { site: 'drying shed', minutes: 60, travelMinutes: 5, evenings: ['2026-02-10', '2026-02-12'] },
    { site: 'Signal House', minutes: 120, travelMinutes: 25, evenings: ['2026-02-12'] },
  ],
};

/** One evening in one of the three cottages of a former tile works; everybody and everything in it is invented. */
export const OLD_KILN_ROW = {
  site: {
    name: 'Old Kiln Row · No. 2',
    address: '2 Old Kiln Row, Tilebury under Marl',
    ...TILEBURY,
    facades: facades([20, 200]),
  },
  visit: {
    title: 'Evening visit',
    question: 'Why is the front room never warm, and where does the draught at the window come from?',
    /** Local midnight of the visit's day; Europe/London is UTC in February. */
    day: '2026-02-11',
  },
  intake: {
    complaints: [
      { place: 'Front room', what: 'Never warm, draught at the window' },
      { place: 'Stairs', what: 'Cold air comes down in the evening' },
    ],
    history: [
      { what: 'Boarded-up hatch beside the chimney', when: 'about 2012' },
      { what: 'Loft insulated, 200 mm', when: '2019' },
    ],
    people: 'Two adults, one cat that slips out',
    access: 'Key with No. 1; loft ladder in the shed',
  },
  /** First day that its hours are shown for. */
  firstDay: '2026-02-09',
  conditions: EVENING,
  camera: { name: 'Row camera, 320 × 240', calibrationK: 1, uniformityK: 0.1 },
  reflectedC: 20.1,
  emissivity: 0.95,
  rooms: ['Front room', 'Stairs', 'Back bedroom'],
  frames,
};
