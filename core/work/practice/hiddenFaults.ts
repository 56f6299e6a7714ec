import { losesHeat } from '../../model/houseKinds';
import type { RoomValue } from '../../model/roomRow';
import type { Opening, SurfaceValue } from '../../model/surfaceRow';
import type { Feature } from '../../method/simulate/scene';

/** Where a fault may be put: a surface, the room it belongs to (null outdoors), and a source of chance. */
export interface Spot {
  surface: SurfaceValue;
  room: Pick<RoomValue, 'kind'> | null;
  random: () => number;
  cooled: boolean;
}

/** One kind of hidden thing: where it can be, how often beside the others, and what it is there. */
interface HiddenFault {
  name: string;
  weight: number;
  fits(spot: Spot): boolean;
  make(spot: Spot): Feature;
}

const between = (random: () => number, low: number, high: number) => low + random() * (high - low);
const outer = ({ surface }: Spot) => losesHeat(surface.behind) || surface.kind === 'facade';
const wall = ({ surface }: Spot) => surface.kind === 'wall' || surface.kind === 'facade';
const inside = ({ room }: Spot) => room !== null;
const outdoors = ({ room }: Spot) => room === null;
const has = (kind: Opening['kind']) => (spot: Spot) => spot.surface.openings.some((opening) => opening.kind === kind);
const openingOf = (kind: Opening['kind'], { surface, random }: Spot): Opening => {
  const all = surface.openings.filter((opening) => opening.kind === kind);
  return all[Math.floor(random() * all.length)]!;
};
/** A point that keeps away from the rim. */
const place = ({ surface, random }: Spot) => ({
  x: between(random, 0.15, 0.85) * surface.widthM,
  y: between(random, 0.2, 0.8) * surface.heightM,
});

/** Everything that a survey may find, as descriptions: a new kind of fault is one entry. */
export const HIDDEN_FAULTS: readonly HiddenFault[] = [
  {
    name: 'air from a corner of a window',
    weight: 5,
    fits: (spot) => outer(spot) && has('window')(spot),
    make(spot) {
      const { x, y, width, height } = openingOf('window', spot);
      const left = spot.random() < 0.5;
      const at = { x: left ? x + 0.03 : x + width - 0.03, y: y + height + 0.02 };
      return {
        kind: 'leak',
        ...at,
        direction: left ? 105 : 75,
        reach: between(spot.random, 0.35, 0.7),
        strength: between(spot.random, 0.25, 0.45),
      };
    },
  },
  {
    name: 'a bare bay',
    weight: 4,
    fits: (spot) => outer(spot) && (wall(spot) || spot.surface.kind === 'ceiling'),
    make(spot) {
      const { surface, random } = spot;
      const height = surface.heightM * between(random, 0.35, 0.8);
      return {
        kind: 'bay',
        x: bayAt(spot),
        y: between(random, 0, surface.heightM - height),
        width: 0.54,
        height,
        strength: between(random, 0.08, 0.16),
      };
    },
  },
  {
    name: 'insulation that has sunk',
    weight: 3,
    fits: (spot) => outer(spot) && wall(spot) && inside(spot),
    make: (spot) => ({
      kind: 'slump',
      x: bayAt(spot),
      y: 0.05,
      width: 0.54,
      height: spot.surface.heightM * 0.4,
      strength: between(spot.random, 0.1, 0.17),
    }),
  },
  {
    name: 'insulation that stops short of the eaves',
    weight: 3,
    fits: ({ surface }) => surface.kind === 'ceiling' && (surface.behind === 'loft' || surface.behind === 'outside'),
    make: ({ surface, random }) => ({
      kind: 'slump',
      x: surface.widthM * 0.2,
      y: 0,
      width: surface.widthM * 0.7,
      height: 0.5,
      strength: between(random, 0.1, 0.18),
    }),
  },
  {
    name: 'insulation that does not touch',
    weight: 3,
    fits: (spot) => outer(spot) && inside(spot) && spot.surface.kind !== 'floor',
    make: (spot) => ({
      kind: 'patch',
      ...place(spot),
      radius: between(spot.random, 0.2, 0.4),
      strength: between(spot.random, 0.05, 0.09),
    }),
  },
  {
    name: 'no insulation at all',
    weight: 1,
    fits: (spot) => outer(spot) && wall(spot) && inside(spot),
    make: ({ random }) => ({ kind: 'bare', strength: between(random, 0.08, 0.14) }),
  },
  {
    name: 'air between floorboards',
    weight: 4,
    fits: (spot) => outer(spot) && spot.surface.kind === 'floor' && inside(spot),
    make: ({ random }) => ({
      kind: 'joints',
      spacing: between(random, 0.12, 0.16),
      reach: between(random, 0.5, 1.1),
      strength: between(random, 0.12, 0.22),
    }),
  },
  {
    name: 'a cold stripe of the structure',
    weight: 3,
    fits: (spot) => outer(spot) && wall(spot),
    make({ surface, random }) {
      const lintel = surface.openings.find(({ kind }) => kind === 'window');
      return lintel
        ? {
            kind: 'stripe',
            x: lintel.x - 0.15,
            y: Math.max(0, lintel.y - 0.22),
            width: lintel.width + 0.3,
            height: 0.2,
            strength: between(random, 0.07, 0.12),
          }
        : { kind: 'stripe', x: 0, y: 0, width: surface.widthM, height: 0.16, strength: between(random, 0.07, 0.12) };
    },
  },
  {
    name: 'a cold corner',
    weight: 2,
    fits: (spot) => outer(spot) && inside(spot) && spot.surface.kind === 'wall',
    make: ({ random }) => ({
      kind: 'edge',
      at: random() < 0.5 ? 'left' : 'right',
      inset: 0,
      strength: between(random, 0.18, 0.25),
      reach: 0.5,
    }),
  },
  {
    name: 'damp',
    weight: 2,
    fits: (spot) => inside(spot) && (spot.surface.kind === 'ceiling' || outer(spot)) && spot.surface.kind !== 'floor',
    make: (spot) => ({
      kind: 'damp',
      ...place(spot),
      radius: between(spot.random, 0.2, 0.45),
      wetness: between(spot.random, 0.5, 0.9),
    }),
  },
  {
    name: 'drops on cold metal',
    weight: 1,
    fits: ({ room, surface }) =>
      (room?.kind === 'bathroom' || room?.kind === 'kitchen' || room?.kind === 'utility' || room?.kind === 'cabin') &&
      surface.kind === 'wall',
    make: (spot) => ({
      kind: 'film',
      x: place(spot).x,
      y: spot.surface.heightM - 1,
      width: 0.06,
      height: 0.8,
      metalC: between(spot.random, 6, 9),
    }),
  },
  {
    name: 'a hot pipe',
    weight: 2,
    fits: (spot) => inside(spot) && !spot.cooled,
    make: (spot) => ({
      kind: 'line',
      what: 'hot-pipe',
      points: pipeWay(spot),
      spread: 0.05,
      strength: between(spot.random, 1.2, 3.5),
    }),
  },
  {
    name: 'a cold pipe',
    weight: 1,
    fits: ({ room }) => room !== null && ['kitchen', 'bathroom', 'utility', 'hall'].includes(room.kind),
    make: (spot) => ({
      kind: 'line',
      what: 'cold-pipe',
      points: pipeWay(spot),
      spread: 0.05,
      strength: between(spot.random, 0.7, 1.6),
    }),
  },
  {
    name: 'a cable under load',
    weight: 1,
    fits: (spot) => inside(spot) && spot.surface.kind !== 'floor',
    make: (spot) => ({
      kind: 'line',
      what: 'cable',
      points: pipeWay(spot),
      spread: 0.025,
      strength: between(spot.random, 0.4, 0.9),
    }),
  },
  {
    name: 'a brace',
    weight: 1,
    fits: (spot) => outer(spot) && wall(spot) && spot.surface.mass === 'light',
    make: ({ surface }) => ({
      kind: 'line',
      what: 'brace',
      points: [
        { x: 0.2, y: surface.heightM },
        { x: Math.min(2.4, surface.widthM), y: 0 },
      ],
      spread: 0.05,
      strength: 0.03,
    }),
  },
  {
    name: 'a duct or flue',
    weight: 1,
    fits: (spot) => inside(spot) && spot.surface.kind === 'wall',
    make: (spot) => ({
      kind: 'duct',
      x: between(spot.random, 0.2, 0.7) * spot.surface.widthM,
      width: 0.3,
      running: spot.random() < 0.4,
      airC: spot.cooled ? 14 : 42,
    }),
  },
  {
    name: 'a register that does not close',
    weight: 1,
    fits: (spot) => spot.cooled && (spot.surface.kind === 'ceiling' || spot.surface.kind === 'wall') && inside(spot),
    make: (spot) => ({
      kind: 'register',
      ...place(spot),
      width: 0.3,
      height: 0.15,
      airC: 14,
      reach: between(spot.random, 0.25, 0.45),
    }),
  },
  {
    name: 'a warm box',
    weight: 2,
    fits: (spot) => inside(spot) && spot.surface.kind === 'wall',
    make: (spot) => ({ kind: 'fitting', ...place(spot), radius: 0.05, warmK: between(spot.random, 4, 12) }),
  },
  {
    name: 'something shiny',
    weight: 1,
    fits: ({ room, surface }) => surface.kind === 'wall' && room !== null && room.kind !== 'loft',
    make: (spot) => ({
      kind: 'mirror',
      ...place(spot),
      width: 0.4,
      height: 0.5,
      emissivity: 0.3,
      look: spot.room!.kind === 'bathroom' ? 'tiles' : 'foil',
    }),
  },
  {
    name: 'warmth of the sun',
    weight: 1,
    fits: (spot) => outdoors(spot),
    make: ({ surface, random }) => ({
      kind: 'sun',
      until: surface.widthM * between(random, 0.3, 0.7),
      share: between(random, 0.6, 1),
    }),
  },
  {
    name: 'a pane that has failed',
    weight: 2,
    fits: has('window'),
    make(spot) {
      const { x, y, width, height } = openingOf('window', spot);
      return { kind: 'window', x, y, width, height, paneFactor: 0.64, failed: spot.random() < 0.5 ? 'left' : 'right' };
    },
  },
  {
    name: 'a gap round a letter plate',
    weight: 4,
    fits: has('letter-plate'),
    make(spot) {
      const { x, y, width, height } = openingOf('letter-plate', spot);
      return { kind: 'ring', look: 'letter-plate', x: x + width / 2, y: y + height / 2, radius: width / 2, strength: 0.25 };
    },
  },
  {
    name: 'a gap round a recessed light',
    weight: 4,
    fits: has('light'),
    make(spot) {
      const { x, y, width } = openingOf('light', spot);
      return { kind: 'ring', look: 'light', x: x + width / 2, y: y + width / 2, radius: width / 2, strength: 0.2 };
    },
  },
  {
    name: 'a draughty socket',
    weight: 2,
    fits: (spot) => outer(spot) && inside(spot) && spot.surface.kind === 'wall',
    make: (spot) => ({
      kind: 'ring',
      look: 'socket',
      x: place(spot).x,
      y: spot.surface.heightM - 0.35,
      radius: 0.05,
      strength: between(spot.random, 0.12, 0.25),
    }),
  },
  {
    name: 'a nest',
    weight: 1,
    fits: (spot) => outer(spot) && spot.surface.kind !== 'floor',
    make: (spot) => ({ kind: 'nest', ...place(spot), warmK: between(spot.random, 1, 2.2) }),
  },
  {
    name: 'warm air above a device',
    weight: 1,
    fits: (spot) => inside(spot) && spot.surface.kind === 'wall',
    make: (spot) => ({
      kind: 'streak',
      x: place(spot).x,
      y: spot.surface.heightM - 0.9,
      reach: 0.7,
      warmK: between(spot.random, 0.8, 1.6),
    }),
  },
  {
    name: 'melted snow',
    weight: 3,
    fits: ({ surface }) => surface.kind === 'roof',
    make: (spot) => ({ kind: 'snow', ...place(spot), width: 1.2, height: 0.9, strength: between(spot.random, 0.12, 0.25) }),
  },
];

/** Bays lie between studs, so that a fault never straddles one. */
function bayAt({ surface, random }: Spot): number {
  const bays = Math.max(1, Math.floor((surface.widthM - STUD_FIRST) / STUD_SPACING));
  return STUD_FIRST + 0.03 + Math.floor(random() * bays) * STUD_SPACING;
}

export const STUD_FIRST = 0.3;
export const STUD_SPACING = 0.6;

/** Up, along and up again, as pipes and cables run. */
function pipeWay({ surface, random }: Spot) {
  const x = between(random, 0.2, 0.8) * surface.widthM;
  const y = between(random, 0.35, 0.7) * surface.heightM;
  const to = between(random, 0.1, 0.9) * surface.widthM;
  return [
    { x, y: surface.heightM },
    { x, y },
    { x: to, y },
    { x: to, y: random() < 0.5 ? 0 : y },
  ];
}

/** How many hidden things a surface has, by chance: most have one, some two, some none. */
function howMany(random: () => number): number {
  const chance = random();
  return chance < 0.3 ? 0 : chance < 0.8 ? 1 : 2;
}

/** Draws what is hidden in a surface; the same chance draws the same. */
export function drawHidden(spot: Spot): Feature[] {
  const fitting = HIDDEN_FAULTS.filter((fault) => fault.fits(spot));
  const drawn: Feature[] = [];
  for (let left = howMany(spot.random); left > 0 && fitting.length > 0; left -= 1) {
    let ticket = spot.random() * fitting.reduce((sum, { weight }) => sum + weight, 0);
    const place = fitting.findIndex(({ weight }) => (ticket -= weight) < 0);
    drawn.push(fitting.splice(Math.max(0, place), 1)[0]!.make(spot));
  }
  return drawn;
}
