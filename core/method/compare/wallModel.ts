import type { Side } from '../../ground/side';
import { ORDINARY_DAYS, shapeOf } from '../weather/ordinaryDays';
import { WALL_FAMILIES, type WallClass } from '../weather/wallFamilies';
import { balancedLoss, type Face, faceAfter, faceMemory, type FaceMemory, type Films } from '../weather/wallFaces';
import { drivesOf, type WallHistory } from '../weather/wallHistory';
import { ABSORPTANCE } from '../weather/wallMemory';

/** Films, W/m²K: ISO 6946; a façade that is looked at stands in less wind, a loft floor in still air. */
const FILMS: Record<Side, Films> = {
  inside: { outer: 20, inner: 7.7 },
  outside: { outer: 15, inner: 7.7 },
  loft: { outer: 8, inner: 7.7 },
};
/** What is not known of the air before a told history, and of the sun in it: kelvin, and as a share; standard. */
const BEFORE_U = 2.5;
const SUN_U = 0.12;

/** A family of walls at one visit: by how well they are insulated, what they lose in balance, and what their face shows. */
export interface FamilyAt {
  /** Loss in balance, as a share of the difference between both airs; falls with insulation. */
  losses: Float64Array;
  /** What the face shows without anything unsure, °C. */
  faces: Float64Array;
  /** What each unsure thing adds to it for 1 of its kind, K. */
  adds: readonly Float64Array[];
}

/** All that a wall of a class may show on one visit. */
export interface WallAt {
  families: readonly FamilyAt[];
  /** Draws how much there is of each unsure thing, into `out`. @param random - 0 … 1, and normally distributed */
  draw(random: () => number, normal: () => number, out: Float64Array): void;
}

/** No family has more walls, and no visit more unsure things. */
export const MOST_OF_A_FAMILY = 8;
export const MOST_UNSURE = ORDINARY_DAYS.length;

/** The air on both sides, and where one stands. */
export interface Standing {
  side: Side;
  insideC: number;
  /** Of the space on the other side of the wall from the house's inside: outdoors, or the loft. */
  outerC: number;
  /** Outdoors; differs from `outerC` only in a space with an air of its own. */
  outsideC: number;
}

/**
 * What walls of a class may show on one visit: under a told history, or after ordinary days.
 *
 * @throws CoreError `malformed` for a history that cannot be used
 */
export function wallAt(wall: WallClass, standing: Standing, history: WallHistory | null): WallAt {
  return history ? afterHistory(wall, standing, history) : afterOrdinaryDays(wall, standing);
}

const faceSeen = (side: Side): Face => (side === 'inside' ? 'inner' : 'outer');

/** A family as its face is seen from a side. */
interface Remembered {
  losses: Float64Array;
  memories: FaceMemory[];
}

const remembered = new Map<string, Remembered[]>();

/** What the faces of a class remember; the same for every visit. */
function memoriesOf(wall: WallClass, side: Side): Remembered[] {
  const key = `${wall} ${side}`;
  const found =
    remembered.get(key) ??
    WALL_FAMILIES[wall].map((family) => ({
      losses: Float64Array.from(family, (layers) => balancedLoss(layers, FILMS[side], faceSeen(side))),
      memories: family.map((layers) => faceMemory(layers, FILMS[side], faceSeen(side))),
    }));
  remembered.set(key, found);
  return found;
}

function afterHistory(wall: WallClass, standing: Standing, history: WallHistory): WallAt {
  const { side } = standing;
  const film = FILMS[side].outer;
  const told = anchored(history, standing);
  const [full, shade] = [drivesOf(told, film), drivesOf(told, film, true)];
  const sunny = told.some(({ sunWm2 }) => sunWm2 > 0);
  const families = memoriesOf(wall, side).map(({ losses, memories }): FamilyAt => {
    const answers = memories.map((memory) => faceAfter(memory, full));
    const faces = Float64Array.from(answers, ({ faceC }) => faceC);
    const before = Float64Array.from(answers, ({ beforeK }) => beforeK);
    const sun = sunny && Float64Array.from(memories, (memory, i) => faces[i]! - faceAfter(memory, shade).faceC);
    return { losses, faces, adds: sun ? [before, sun] : [before] };
  });
  return {
    families,
    draw: (_, normal, out) => {
      out[0] = BEFORE_U * normal();
      out[1] = SUN_U * normal();
    },
  };
}

/**
 * A history that ends at the air that was noted, as its thermometers are not the same; for a space with an air of its own
 * that air, which follows both others as it does now.
 */
function anchored(history: WallHistory, { insideC, outerC, outsideC }: Standing): WallHistory {
  const last = history.at(-1)!;
  const share = Math.min(0.7, Math.max(0, insideC === outsideC ? 0 : (outerC - outsideC) / (insideC - outsideC)));
  const space = (row: WallHistory[number]) => row.outsideC + share * (row.insideC - row.outsideC);
  const [inner, outer] = [insideC - last.insideC, outerC - space(last)];
  return history.map((row) => ({ ...row, insideC: row.insideC + inner, outsideC: space(row) + outer }));
}

function afterOrdinaryDays(wall: WallClass, { side, insideC, outerC }: Standing): WallAt {
  return {
    families: ordinary(wall, side).map(({ losses, adds }): FamilyAt => ({
      losses,
      faces: losses.map((loss) => (side === 'inside' ? insideC - loss * (insideC - outerC) : outerC + loss * (insideC - outerC))),
      adds,
    })),
    draw: (random, _, out) => {
      out.fill(0);
      let at = random();
      const k = ORDINARY_DAYS.findIndex(({ share }) => (at -= share) < 0);
      const { amount } = ORDINARY_DAYS[k] ?? ORDINARY_DAYS[0]!;
      // In a cooled house fronts and cooling go the other way round; the sun does not.
      const turned = insideC < outerC && !ORDINARY_DAYS[Math.max(0, k)]!.sun ? -1 : 1;
      out[Math.max(0, k)] = turned * (amount[0] + random() * (amount[1] - amount[0]));
    },
  };
}

const kept = new Map<string, Pick<FamilyAt, 'losses' | 'adds'>[]>();

/** What ordinary days leave on the faces of each family, for an amount of 1; the same for every visit. */
function ordinary(wall: WallClass, side: Side): Pick<FamilyAt, 'losses' | 'adds'>[] {
  const key = `${wall} ${side}`;
  const found = kept.get(key) ?? afterShapes(memoriesOf(wall, side), side);
  kept.set(key, found);
  return found;
}

function afterShapes(walls: readonly Remembered[], side: Side): Pick<FamilyAt, 'losses' | 'adds'>[] {
  const absorptance = side === 'inside' ? ABSORPTANCE : 0;
  const shapes = ORDINARY_DAYS.map((day) => (day.amount[1] === 0 ? null : shapeOf(day, FILMS[side].outer, absorptance)));
  return walls.map(({ losses, memories }) => ({
    losses,
    adds: shapes.map((shape) => Float64Array.from(memories, (memory) => (shape ? faceAfter(memory, shape).faceC : 0))),
  }));
}
