import type { Feature } from '@core/method/simulate/scene';
import type { SurfaceKind } from '@core/model/houseKinds';

/** A wall that was looked at before and after the works. */
export interface ReturnedWall {
  room: string;
  name: string;
  kind: SurfaceKind;
  width: number;
  height: number;
  before: Feature[];
  /** What the works left of it. */
  after: Feature[];
  regions: { name: string; box: [x: number, y: number, width: number, height: number] }[];
  finding: { title: string; note: string; this: string; that: string };
}

const studs = (first: number): Feature => ({ kind: 'studs', first, spacing: 0.6, width: 0.05, strength: 0.028 });
const ceiling: Feature = { kind: 'edge', at: 'ceiling', inset: 0.1, strength: 0.11, reach: 0.45 };
const corner: Feature = { kind: 'edge', at: 'right', inset: 0.05, strength: 0.13, reach: 0.35 };

const gableSound: Feature[] = [
  ceiling,
  corner,
  studs(0.24),
  { kind: 'window', x: 2.25, y: 0.7, width: 0.9, height: 1.1, paneFactor: 0.66 },
  { kind: 'ring', look: 'socket', x: 0.5, y: 2.3, radius: 0.05, strength: 0.04 },
];
const sash: Feature = { kind: 'leak', x: 2.27, y: 1.82, direction: 80, reach: 0.55, strength: 0.4 };
const emptyBay: Feature = { kind: 'bay', x: 0.87, y: 0.3, width: 0.54, height: 1.1, strength: 0.13 };

const northSound: Feature[] = [
  ceiling,
  studs(0.36),
  { kind: 'ring', look: 'socket', x: 3.0, y: 2.25, radius: 0.05, strength: 0.05 },
  { kind: 'ring', look: 'socket', x: 0.7, y: 2.3, radius: 0.05, strength: 0.03 },
];
const slump: Feature = { kind: 'bay', x: 1.59, y: 0.2, width: 0.54, height: 0.7, strength: 0.12 };

/** No. 3 of the row, twice: before a weekend of works, and sixteen days later. The second wall was left for the autumn. */
export const OLD_KILN_RETURN = {
  site: 'Old Kiln Row · No. 3',
  rooms: [
    { name: 'Bedroom', kind: 'bedroom', storey: 1, plan: { x: 0, y: 0, width: 4, depth: 4 } },
    { name: 'Study', kind: 'living', storey: 0, plan: { x: 0, y: 0, width: 4, depth: 4 } },
  ] as const,
  before: {
    title: 'Before the works',
    question: 'Which walls and windows are worth a weekend?',
    at: '2026-02-10T19:30:00Z',
    air: { insideC: 20.1, outsideC: 0.4, humidityPct: 47 },
  },
  after: {
    title: 'After the works',
    question: 'Did the weekend help?',
    at: '2026-02-26T19:40:00Z',
    air: { insideC: 19.2, outsideC: 5.3, humidityPct: 52 },
  },
  weather: { windMs: 1.2, windFromDeg: 240, cloudPct: 90, sunHours: 50, rainHours: 40, heatingHours: 48, airHours: 48 },
  /** Nobody comes back to exactly the same place, m. */
  moved: { x: 0.14, y: -0.06, aside: 0.08, farther: 1.03 },
  walls: [
    {
      room: 'Bedroom',
      name: 'Gable wall',
      kind: 'wall',
      width: 3.6,
      height: 2.7,
      before: [...gableSound, emptyBay, sash],
      after: [...gableSound, { ...emptyBay, strength: 0.02 }, { ...sash, strength: 0.05 }],
      regions: [
        { name: 'sound wall', box: [136, 70, 34, 40] },
        { name: 'bay left of the window', box: [84, 44, 32, 72] },
        { name: 'sill', box: [196, 166, 24, 22] },
      ],
      finding: {
        title: 'Bay left of the window holds no insulation',
        note: 'Straight edges from stud to stud. Filled through two holes, holes plugged.',
        this: 'bay left of the window',
        that: 'sound wall',
      },
    },
    {
      room: 'Study',
      name: 'North wall',
      kind: 'wall',
      width: 3.6,
      height: 2.7,
      before: [...northSound, slump],
      after: [...northSound, slump],
      regions: [
        { name: 'sound wall', box: [60, 120, 40, 40] },
        { name: 'top of the bay', box: [148, 30, 32, 40] },
      ],
      finding: {
        title: 'Insulation has slumped at the top of a bay',
        note: 'Level lower edge. Left for the autumn.',
        this: 'top of the bay',
        that: 'sound wall',
      },
    },
  ] satisfies ReturnedWall[] as ReturnedWall[],
};
