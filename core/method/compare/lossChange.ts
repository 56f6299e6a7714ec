import { normalFrom, seededRandom } from '../../ground/random';
import { type FamilyAt, MOST_OF_A_FAMILY, MOST_UNSURE, type WallAt } from './wallModel';

/** What somebody said of the work: only places, the wall as a whole, or nothing. */
export const WORKS = ['places', 'whole-wall'] as const;
export type WorkSaid = (typeof WORKS)[number] | null;
/** How likely it is, before anything is seen, that the work made the wall better as a whole; walls hardly ever get worse as a whole. */
const WHOLE: Record<'places' | 'whole-wall' | 'not-said', number> = { places: 0.01, 'whole-wall': 0.95, 'not-said': 0.2 };
/** Texture that does neither tells so little against a wall. */
const UNTOLD = 0.1;
/** How often a place is left, gets better and gets worse, before anything is seen; a place that is left moves by so much of its loss. */
const LEFT = 0.45;
const GETS_BETTER = 0.43;
const GETS_WORSE = 0.12;
const LEFT_SPREAD = 0.04;
/** The most that a place gets better, as a share of its loss; and worse. */
const MOST_BETTER = 0.95;
const MOST_WORSE = 1.5;
/** A loss is taken as at least this. */
const LEAST_LOSS = 0.01;
/** By how much a wall changes as a whole, as a share of its loss. */
const LEAST_SHARE = 0.1;
const MOST_SHARE = 0.65;

/** Draws; the change that they state scatters by less than a hundredth of its uncertainty. */
const DRAWS = 12_000;
const SEED = 20_260;
/** How often a place is built as the wall around it but for its insulation. */
const SAME_FAMILY = 0.6;
/** A face that no wall of its family shows is that much less likely for each so many kelvin. */
const BEYOND_K = 0.7;
/** Where the walls of a class show a level this seldom, weighed by how well it is known, they do not show it at all. */
const NEVER = 1e-5;
/** Along a family a face must move so much of what it would in balance, to be read as loss. */
const LEAST_SLOPE = 0.15;

/** One visit as it was seen. */
export interface VisitSeen {
  wall: WallAt;
  /** What all of the wall shows, °C, and how well that level is known, K. */
  levelC: number;
  levelU: number;
  /** Air on the side looked from, °C; less air on the other side, K. */
  hereC: number;
  driveK: number;
}

/** A place against the wall around it, K, on both visits; what is unsure of the second against the first, K. */
export interface PlaceSeen {
  beforeK: number;
  afterK: number;
  u: number;
}

/** Texture of the wall on the later visit as a share of the earlier one, standard uncertainty beside it. */
export interface Contrast {
  kept: number;
  u: number;
}

/** Loss of a place in balance, as a share of the difference between both airs, before; how much less it is; how sure that is. */
export interface Loss {
  lost: number;
  less: number;
  u: number;
}

export interface LossChange {
  /** Whether the wall was changed as a whole or not, whichever is the likelier. */
  likely: Loss;
  /** If it is the other way, and how probable that is, 0 … 0.5. */
  otherwise: Loss & { probability: number };
  /** Over both. */
  all: Loss;
}

/**
 * How much less each place loses than before, as it would be in balance: Bayes' rule over walls of the class under what they
 * stood in, whether the wall as a whole was changed, the level of the camera on each visit, and what is not known of the
 * history. A place moves along a family of walls by its insulation.
 *
 * @param texture - null where it says nothing
 * @returns means and standard deviations of what remains possible; null where no wall of the class shows such levels; the same for
 * the same arguments
 *
 * Linear in draws and places; some 50 ms for twelve places.
 */
export function lossChanges(
  visits: readonly [VisitSeen, VisitSeen],
  texture: Contrast | null,
  work: WorkSaid,
  places: readonly PlaceSeen[],
): LossChange[] | null {
  const random = seededRandom(SEED);
  const normal = normalFrom(random);
  const families = visits[0].wall.families.length;
  const better = WHOLE[work ?? 'not-said'];
  // Written anew for each draw: twenty thousand arrays would cost more than what is in them.
  const pair = (length: number) => [new Float64Array(length), new Float64Array(length)] as const;
  const [draws, around, beside] = [pair(MOST_UNSURE), pair(MOST_OF_A_FAMILY), pair(MOST_OF_A_FAMILY)];
  const sums = places.map(() => ({ left: new Moments(), changed: new Moments() }));
  let shown = 0;
  for (let n = 0; n < DRAWS; n += 1) {
    const own = Math.floor(random() * families);
    const insulated = random();
    const kind = random();
    const share = LEAST_SHARE + random() * (MOST_SHARE - LEAST_SHARE);
    const saved = kind < better ? share : 0;
    for (const v of [0, 1] as const) {
      visits[v].wall.draw(random, normal, draws[v]);
      facesOf(visits[v].wall.families[own]!, draws[v], around[v]);
    }
    const [first, second] = around;
    const { losses } = visits[0].wall.families[own]!;
    const at = insulated * (losses.length - 1);
    const loss = along(losses, at, losses.length);
    const level = along(first, at, losses.length);
    const later = along(second, placeOnFamily(losses, loss * (1 - saved)), losses.length);
    let weight = bell((visits[0].levelC - level) / visits[0].levelU) * bell((visits[1].levelC - later) / visits[1].levelU);
    shown += weight / DRAWS;
    if (texture !== null && weight > 0) {
      const [now, then] = [level - visits[0].hereC, later - visits[1].hereC].map((lack, v) => lack / visits[v as 0 | 1].driveK);
      const kept = bell((texture.kept - 1) / texture.u);
      const follows = bell((texture.kept - Math.min(4, Math.max(0, then! / now!))) / texture.u);
      weight *= UNTOLD + (kept + follows) / 2;
    }
    const other = random() < SAME_FAMILY ? own : Math.floor(random() * families);
    const noise = normal();
    if (weight < 1e-12) continue;
    if (other !== own) for (const v of [0, 1] as const) facesOf(visits[v].wall.families[other]!, draws[v], beside[v]);
    const [one, two] = other === own ? around : beside;
    const scale = visits[0].wall.families[other]!.losses;
    for (let k = 0; k < places.length; k += 1) {
      const { beforeK, afterK, u } = places[k]!;
      const before = lossBy(scale, one, level + beforeK, visits[0].driveK, random());
      const after = lossBy(scale, two, later + afterK + u * noise, visits[1].driveK, random());
      const less = before.loss - after.loss;
      const w = weight * before.weight * after.weight * usual(less / Math.max(LEAST_LOSS, before.loss));
      sums[k]![saved === 0 ? 'left' : 'changed'].add(w, before.loss, less);
    }
  }
  if (shown < NEVER) return null;
  return sums.map(({ left, changed }) => {
    const [likely, otherwise] = left.weight >= changed.weight ? [left, changed] : [changed, left];
    const all = left.with(changed);
    return {
      likely: likely.loss(),
      otherwise: { ...otherwise.loss(), probability: otherwise.weight / all.weight },
      all: all.loss(),
    };
  });
}

/** Weighed sums of what remains possible. */
class Moments {
  constructor(
    public weight = 0,
    private lost = 0,
    private less = 0,
    private square = 0,
  ) {}

  add(weight: number, lost: number, less: number): void {
    this.weight += weight;
    this.lost += weight * lost;
    this.less += weight * less;
    this.square += weight * less * less;
  }

  with(other: Moments): Moments {
    return new Moments(this.weight + other.weight, this.lost + other.lost, this.less + other.less, this.square + other.square);
  }

  loss(): Loss {
    const mean = this.less / this.weight;
    return { lost: this.lost / this.weight, less: mean, u: Math.sqrt(Math.max(0, this.square / this.weight - mean * mean)) };
  }
}

/** How usual it is that a place loses so much less, as a share of its loss; a density. */
function usual(share: number): number {
  const left = (LEFT * bell(share / LEFT_SPREAD)) / (LEFT_SPREAD * Math.sqrt(2 * Math.PI));
  const moved = share > 0 ? GETS_BETTER / MOST_BETTER : GETS_WORSE / MOST_WORSE;
  const beyond = Math.max(0, share - MOST_BETTER, -share - MOST_WORSE);
  return left + moved * bell(beyond / LEFT_SPREAD) + 1e-6;
}

const bell = (t: number) => Math.exp(-(t * t) / 2);

/** Faces of a family with what is unsure of the visit. */
function facesOf({ faces, adds }: FamilyAt, draws: Float64Array, sum: Float64Array): void {
  sum.set(faces);
  for (let k = 0; k < adds.length; k += 1) {
    const draw = draws[k]!;
    if (draw === 0) continue;
    const add = adds[k]!;
    for (let i = 0; i < add.length; i += 1) sum[i]! += draw * add[i]!;
  }
}

/** Between two of a family. */
function along(values: Float64Array, at: number, count: number): number {
  const i = Math.min(count - 2, Math.max(0, Math.floor(at)));
  return values[i]! + (at - i) * (values[i + 1]! - values[i]!);
}

/** Where on its family a wall of a loss lies; beyond its ends straight on. Losses fall along it. */
function placeOnFamily(losses: Float64Array, loss: number): number {
  let i = 0;
  while (i < losses.length - 2 && losses[i + 1]! > loss) i += 1;
  return i + (losses[i]! - loss) / (losses[i]! - losses[i + 1]!);
}

/**
 * What a face of a temperature loses, by its family: where several walls of it show that face, one of them; where none does, as
 * in balance from the nearest, and the less likely for it.
 *
 * @param one - 0 … 1, picks
 */
function lossBy(
  losses: Float64Array,
  faces: Float64Array,
  faceC: number,
  driveK: number,
  one: number,
): { loss: number; weight: number } {
  let [found, total] = [NaN, 0];
  let [nearest, distance] = [0, Infinity];
  for (let i = 0; i < losses.length; i += 1) {
    const off = Math.abs(faceC - faces[i]!);
    if (off < distance) [nearest, distance] = [i, off];
    if (i === losses.length - 1) break;
    const [a, b] = [faces[i]!, faces[i + 1]!];
    if (a === b || (faceC - a) * (faceC - b) > 0) continue;
    const span = losses[i + 1]! - losses[i]!;
    // A flat piece of the way shows one face for many losses.
    const share = Math.min(1 / LEAST_SLOPE, Math.abs((span * driveK) / (b - a)));
    total += share;
    if (one * total <= share) found = losses[i]! + (span * (faceC - a)) / (b - a);
  }
  if (total > 0) return { loss: found, weight: 1 };
  return { loss: losses[nearest]! - (faceC - faces[nearest]!) / driveK, weight: 1 / (1 + (distance / BEYOND_K) ** 2) };
}
