import type { ServiceKind } from '@core/model/serviceKinds';
import type { FindingValue } from '@core/model/findingRow';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import type { CameraValue } from '@core/model/cameraRow';
import type { PlanBox } from '@core/model/roomRow';
import type { Part } from '@core/work/round/parts';
import type { Answer } from '@core/model/stopRow';
import type { Behind, RoomKind, SurfaceKind } from '@core/model/houseKinds';
import type { Feature } from '@core/method/simulate/scene';
import type { Wall } from '@core/method/weather/wallMemory';

/** A still evening in the second week of February. */
const EVENING = {
  insideC: 20.6,
  outsideC: 1.9,
  humidityPct: 47,
  windMs: 1,
  windFromDeg: 245,
  cloudPct: 70,
  sunHours: 50,
  heatingHours: 48,
  airHours: 48,
  rainHours: 44,
};

/** A surface of the house and everything on it, m. Its openings follow from its features. */
export interface DemoSurface {
  room: string;
  name: string;
  kind: SurfaceKind;
  behind: Behind;
  azimuth: number | null;
  width: number;
  height: number;
  features: Feature[];
}

interface DemoFrame {
  /** The surface that is in view, all of it, square on. */
  surface: DemoSurface;
  name: string;
  /** Local time of the visit's evening, hours and minutes. */
  at: string;
  /** What of it was looked at; null where it is no stop of the round. */
  stop: Part | null;
  /** Regions with their names; the first is marked as the reference when its name begins with "sound". */
  regions: { name: string; box: [x: number, y: number, width: number, height: number] }[];
  finding?: { title: string; note: string; this: string; that: string } & Partial<Said>;
  /** What was found on it and rests on no pair. */
  found?: Partial<Said> & Pick<Said, 'basis' | 'title'>;
  /** The same view again, after its finding was closed. */
  again?: { name: string; at: string };
}

/** What the demo says of a finding. */
type Said = Pick<FindingValue, 'basis' | 'title' | 'note' | 'next' | 'state' | 'typed' | 'lengthM' | 'material'>;

/** Walls in the size of the view, as the camera sees them: three high to four wide. */
function on(
  room: string,
  name: string,
  behind: Behind,
  width: number,
  features: Feature[],
  kind: SurfaceKind = 'wall',
  azimuth: number | null = 200,
): DemoSurface {
  return { room, name, kind, behind, azimuth: kind === 'wall' ? azimuth : null, width, height: width * 0.75, features };
}

const studs = (first: number): Feature => ({ kind: 'studs', first, spacing: 0.6, width: 0.05, strength: 0.028 });
const ceiling = (inset = 0.1): Feature => ({ kind: 'edge', at: 'ceiling', inset, strength: 0.11, reach: 0.45 });
const floor = (inset = 0.12): Feature => ({ kind: 'edge', at: 'floor', inset, strength: 0.09, reach: 0.3 });
const corner: Feature = { kind: 'edge', at: 'right', inset: 0.05, strength: 0.13, reach: 0.35 };

const frames: DemoFrame[] = [
  {
    name: 'Window wall',
    at: '19:14',
    stop: 'window',
    surface: on('Front room', 'Window wall', 'outside', 3.6, [
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
    name: 'Chimney wall',
    at: '19:16',
    stop: null,
    surface: on(
      'Front room',
      'Chimney wall',
      'neighbour',
      3.4,
      [
        ceiling(0.08),
        studs(0.5),
        { kind: 'panel', look: 'boards', x: 1.2, y: 1.25, width: 0.8, height: 0.95, change: -0.11, rim: 0 },
        floor(),
      ],
      'wall',
      110,
    ),
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
  {
    name: 'Floor edge',
    at: '19:18',
    stop: 'floor',
    surface: on('Front room', 'Floor', 'ground', 2.2, [floor(0.3), corner, studs(0.2)], 'floor'),
    regions: [],
    found: {
      basis: 'shape',
      title: 'Floor edge cold along the skirting',
      note: 'A smooth gradient, no feathers: more an edge that loses heat than air.',
      next: 'Smoke pen along the skirting on a windy day',
    },
  },
  {
    name: 'Front door',
    at: '19:20',
    stop: 'door',
    surface: on(
      'Front room',
      'Door wall',
      'outside',
      2.6,
      [{ kind: 'door', x: 0.75, y: 0.1, width: 0.95, height: 1.75, factor: 0.7, threshold: 0.22 }, floor(0.08)],
      'wall',
      20,
    ),
    regions: [
      { name: 'sound panel of the door', box: [110, 120, 80, 60] },
      { name: 'foot of the door', box: [100, 222, 100, 8] },
    ],
    finding: {
      title: 'Air comes in under the front door',
      note: 'Closed with a brush strip while we were there; it just clears the mat.',
      this: 'foot of the door',
      that: 'sound panel of the door',
      state: 'closed',
      lengthM: 0.95,
      material: 'brush strip',
    },
    again: { name: 'Front door, again', at: '19:58' },
  },
  {
    name: 'Loft hatch',
    at: '19:24',
    stop: 'hatch',
    surface: on(
      'Stairs',
      'Ceiling',
      'loft',
      1.8,
      [{ kind: 'panel', look: 'hatch', x: 0.5, y: 0.35, width: 0.75, height: 0.6, change: -0.06, rim: 0.16 }],
      'ceiling',
    ),
    regions: [
      { name: 'sound ceiling', box: [20, 190, 40, 30] },
      { name: 'hatch rim, front', box: [100, 160, 110, 16] },
    ],
  },
  {
    name: 'Outside wall',
    at: '19:26',
    stop: 'wall',
    surface: on('Stairs', 'Outside wall', 'outside', 3.2, [
      studs(0.15),
      { kind: 'bay', x: 1.4, y: 0, width: 0.54, height: 1.5, strength: 0.12 },
      ceiling(0),
    ]),
    regions: [],
    found: {
      basis: 'typed',
      title: 'Upper part of one bay is cold, stairs',
      typed: { celsius: 16.1, againstC: 18.3, with: 'Contact thermometer K2' },
      note: 'Straight sides, from the ceiling down to about 1.5 m.',
    },
  },
  {
    name: 'Party wall',
    at: '19:28',
    stop: null,
    surface: on('Stairs', 'Party wall', 'neighbour', 3.2, [], 'wall', 290),
    regions: [],
    found: { basis: 'nothing', title: 'Party wall is even' },
  },
  {
    name: 'Landing corner',
    at: '19:30',
    stop: 'wall',
    surface: on('Stairs', 'Landing corner', 'outside', 2.4, [ceiling(0.2), corner], 'wall', 20),
    regions: [],
    found: {
      basis: 'unsolved',
      title: 'Landing corner colder than the others',
      note: 'A corner of this build, or insulation that stops short above it.',
      next: 'Look from the loft when the ladder is back',
    },
  },
  {
    name: 'Ceiling corner',
    at: '19:34',
    stop: 'ceiling-corners',
    surface: on(
      'Back bedroom',
      'Ceiling',
      'loft',
      2.6,
      [ceiling(0.5), corner, { kind: 'bay', x: 0.4, y: 0.1, width: 1.1, height: 0.42, strength: 0.17 }],
      'ceiling',
    ),
    regions: [],
  },
  {
    name: 'Window',
    at: '19:36',
    stop: 'window',
    surface: on(
      'Back bedroom',
      'Window wall',
      'outside',
      2.4,
      [
        ceiling(0.04),
        { kind: 'window', x: 0.7, y: 0.35, width: 1.0, height: 1.1, paneFactor: 0.62 },
        { kind: 'leak', x: 1.68, y: 1.46, direction: 110, reach: 0.4, strength: 0.3 },
      ],
      'wall',
      20,
    ),
    regions: [],
  },
  {
    name: 'Wall behind the bed',
    at: '19:38',
    stop: 'wall',
    surface: on(
      'Back bedroom',
      'Wall behind the bed',
      'outside',
      3.2,
      [
        studs(0.35),
        { kind: 'panel', look: 'picture', x: 1.9, y: 0.6, width: 0.5, height: 0.65, change: -0.015, rim: 0 },
        { kind: 'bay', x: 0.96, y: 1.1, width: 0.54, height: 1.3, strength: 0.1 },
      ],
      'wall',
      20,
    ),
    regions: [],
  },
  {
    name: 'Radiator',
    at: '19:40',
    stop: null,
    surface: on(
      'Back bedroom',
      'Inner wall',
      'room',
      2.2,
      [{ kind: 'radiator', x: 0.5, y: 0.7, width: 1.2, height: 0.6, flowC: 47, returnC: 36 }, floor(0.1)],
      'wall',
      110,
    ),
    regions: [],
  },
];

/** Made-up, like everything here. */
const TILEBURY = { timeZone: 'Europe/London', latitude: 51.2, longitude: 1 };

function facades(azimuths: number[], wall: Wall = 'brick') {
  return azimuths.map((azimuth) => ({ azimuth, wall }));
}

/** Sites without a visit yet: the rest of the row, and one further away. */
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
  camera: {
    ...STAND_IN_CAMERA.value,
    name: 'Row camera, 320 × 240',
    minDistanceM: 0.3,
    parts: ['Camera', 'Case', 'Charger', 'Memory card', 'Wrist strap', 'Lens cap', 'Short guide'],
    trained: [
      { who: 'Ines at No. 2', at: Date.UTC(2026, 0, 24, 14) },
      { who: 'Tam at the drying shed', at: Date.UTC(2026, 0, 24, 14) },
    ],
    checks: [
      { at: Date.UTC(2025, 10, 8, 10), bath: 'ice', readC: 0.2, expectedC: 0 },
      { at: Date.UTC(2025, 10, 8, 10, 20), bath: 'boiling', readC: 99.1, expectedC: 99.7 },
      { at: Date.UTC(2026, 0, 24, 13), bath: 'ice', readC: 0.4, expectedC: 0 },
      { at: Date.UTC(2026, 0, 24, 13, 20), bath: 'boiling', readC: 99.4, expectedC: 99.8 },
    ],
  } satisfies CameraValue,
  instruments: [
    { name: 'Contact thermometer K2', kind: 'contact', offset: -0.3, uncertainty: 0.4, settleS: 40 },
    { name: 'Hygrometer in the kit', kind: 'hygrometer', offset: 2, uncertainty: 3, settleS: 600 },
  ] as const,
  reflectedC: 20.1,
  emissivity: 0.95,
  rooms: [
    { name: 'Front room', kind: 'living', storey: 0, plan: { x: 0, y: 4, width: 4, depth: 4 } },
    { name: 'Stairs', kind: 'stairs', storey: 0, plan: { x: 0, y: 0, width: 4, depth: 4 } },
    { name: 'Back bedroom', kind: 'bedroom', storey: 1, plan: { x: 0, y: 0, width: 4, depth: 4 } },
  ] satisfies { name: string; kind: RoomKind; storey: number; plan: PlanBox }[],
  /** Metres from the left and the upper edge of the room on the plan. */
  services: [
    { room: 'Front room', kind: 'radiator', x: 0.9, y: 0.2 },
    { room: 'Front room', kind: 'fireplace', x: 0.2, y: 2.4 },
    { room: 'Front room', kind: 'thermostat', x: 3.8, y: 2 },
    { room: 'Stairs', kind: 'breaker-panel', x: 0.2, y: 3.2 },
    { room: 'Back bedroom', kind: 'radiator', x: 0.2, y: 2.9 },
  ] satisfies { room: string; kind: ServiceKind; x: number; y: number }[],
  frames,
  /** Façades without a description: what is behind them is left to chance. */
  outside: [
    { name: 'Outside, south', azimuth: 200, widthM: 5, heightM: 5.1 },
    { name: 'Outside, north', azimuth: 20, widthM: 5, heightM: 5.1 },
  ],
  /** Stops that were answered otherwise than by looking, by a part of their title. */
  answers: [
    { title: 'Loft insulated', answer: 'unreached', reason: 'Locked or no access', note: 'Ladder is lent out until Friday.' },
    { title: 'Boarded-up hatch', answer: 'unsolved', reason: '', note: 'Warm spot above the boards: flue of No. 1 behind it?' },
    { title: 'Never warm', answer: 'seen', reason: '', note: 'Sash rattles, left corner.' },
  ] satisfies { title: string; answer: Answer; reason: string; note: string }[],
  changes: [
    { kind: 'thermostat', what: 'Hall thermostat', was: '18 °C', now: '21 °C', at: '16:00', back: '20:20' },
    { kind: 'blind', what: 'Blind, front room', was: 'down', now: 'up', at: '18:30', back: '20:15' },
    { kind: 'other', what: 'Sofa away from the outside wall', was: 'at the wall', now: '0.5 m away', at: '18:35', back: '20:25' },
  ] as const,
  /** Air by the hygrometer in the front room and a sensor at the north wall. */
  log: [
    { at: '19:05', insideC: 20.8, outsideC: 2.2, humidityPct: 46 },
    { at: '19:25', insideC: 20.6, outsideC: 1.9, humidityPct: 47 },
    { at: '19:45', insideC: 20.5, outsideC: 1.7, humidityPct: 48 },
    { at: '20:10', insideC: 20.4, outsideC: 1.4, humidityPct: 48 },
  ],
};
