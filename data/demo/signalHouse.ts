import type { PlanSide } from '@core/model/houseKinds';
import type { TailKind } from '@core/method/heating/balance/state';
import type { EmitterBuild } from '@core/method/heating/build';
import type { RoomKind } from '@core/model/houseKinds';

interface DemoRadiator {
  /** Of the heating system to practise on. */
  radiator: string;
  /** Where it stands: at which side of its room, and how far along, m. */
  side: PlanSide;
  alongM: number;
  build: EmitterBuild;
  widthM: number;
  /** As its plate says; null where nobody can read it. */
  ratedW: number | null;
  /** Lockshield as it is found. */
  turns: number;
  turnsOpen: number;
  needW: number;
  sludge: number;
  /** Its tails: most were taped for an earlier visit. */
  tail: TailKind;
  flowEnd: 'left' | 'right';
}

interface DemoRoom extends DemoRadiator {
  name: string;
  kind: RoomKind;
  storey: number;
  plan: [x: number, y: number, width: number, depth: number];
}

const room = (name: string, kind: RoomKind, storey: number, plan: DemoRoom['plan'], radiator: DemoRadiator): DemoRoom => ({
  name,
  kind,
  storey,
  plan,
  ...radiator,
});

const radiator = (
  id: string,
  [side, alongM]: [PlanSide, number],
  [widthM, ratedW]: [number, number | null],
  [turns, turnsOpen]: [number, number],
  needW: number,
  more: Partial<DemoRadiator> = {},
): DemoRadiator => ({
  radiator: id,
  side,
  alongM,
  build: 'double-one-fins',
  widthM,
  ratedW,
  turns,
  turnsOpen,
  needW,
  sludge: 0,
  tail: 'taped',
  flowEnd: 'left',
  ...more,
});

const right = { flowEnd: 'right' } as const;

/** A converted railway signal house: ten radiators on one circuit, none balanced, one with air, one with sludge. */
export const SIGNAL_HOUSE_DEMO = {
  site: 'Signal House',
  visit: {
    title: 'Season start',
    question: 'Why do the bathroom and the box room stay cold while the hall is too warm?',
    startedAt: Date.UTC(2026, 1, 10, 15, 30),
  },
  intake: {
    complaints: [
      { place: 'Bathroom', what: 'Lukewarm in the morning' },
      { place: 'Hall', what: 'Far too warm' },
    ],
    history: [{ what: 'New boiler, old radiators', when: '2021' }],
    people: 'A couple and a lodger',
    access: 'Ring the platform bell',
  },
  conditions: {
    insideC: 19.5,
    outsideC: 3.2,
    humidityPct: 46,
    windMs: 2,
    windFromDeg: 230,
    cloudPct: 90,
    sunHours: 20,
    heatingHours: 48,
    airHours: 24,
    rainHours: 9,
  },
  flowSetC: 60,
  rooms: [
    room('Hall', 'hall', 0, [4, 4, 2, 4], radiator('hall', ['left', 2], [0.64, 900], [4, 4], 520)),
    room('Front room', 'living', 0, [0, 4, 4, 4], radiator('front-room', ['front', 2], [1.28, 1800], [1.25, 4.5], 1150, right)),
    room(
      'Dining room',
      'living',
      0,
      [6, 4, 3, 4],
      radiator('dining-room', ['front', 1.5], [1, 1400], [1.25, 4], 900, { sludge: 0.2 }),
    ),
    room(
      'Kitchen',
      'kitchen',
      0,
      [0, 0, 5, 4],
      radiator('kitchen', ['back', 1.5], [0.72, null], [3.5, 3.5], 700, { tail: 'bare' }),
    ),
    room('Utility', 'utility', 0, [5, 0, 4, 4], radiator('utility', ['back', 2], [0.4, 500], [1.25, 4], 300, right)),
    room('Landing', 'hall', 1, [5, 4, 4, 2], radiator('landing', ['right', 1], [0.5, 700], [1.25, 4], 420)),
    room('Front bedroom', 'bedroom', 1, [0, 4, 5, 4], radiator('front-bedroom', ['front', 2.5], [0.92, 1300], [4.5, 4.5], 760)),
    room('Back bedroom', 'bedroom', 1, [0, 0, 5, 4], radiator('back-bedroom', ['back', 2.5], [0.8, null], [1.25, 4], 690, right)),
    room(
      'Box room',
      'bedroom',
      1,
      [5, 6, 4, 2],
      radiator('box-room', ['front', 2], [0.44, 600], [1.25, 3.5], 380, { tail: 'painted' }),
    ),
    room('Bathroom', 'bathroom', 1, [5, 0, 4, 4], radiator('bathroom', ['back', 2], [0.56, 800], [4, 4], 520, right)),
  ],
};

/** All of them are as high, m. */
export const RADIATOR_HEIGHT_M = 0.6;
