import { believable } from '../../ground/clean';
import type { Grid } from '../../ground/grid';
import { CoreError } from '../../ground/errors';
import { projected, type Homography } from '../../ground/homography';
import { Template, type Fit, type Way } from './template';
import { guesses } from './guesses';
import { rescaled } from './maps';
import { sameness, samenessShown, standsOut } from './sameness';
import { plainer } from './similarity';
import { singular } from './singular';
import { featuresOf, textureOf, type Evening, type Texture } from './texture';

/** Widths at which two frames are brought onto each other, from coarse to fine. */
const COARSE = 48;
const MIDDLE = 80;
const FINE = 160;
const FULL = 320;
/** What is broader than this share of the width is no texture: while the place is looked for, and while it is made exact. */
const BROAD = { looking: 1 / 16, exact: 1 / 36 };
const EVENING: Record<'looking' | 'exact', Evening> = { looking: { bound: 3, floor: 0.6 }, exact: { bound: 5, floor: 2 } };
/** What goes on for this share of the width repeats or is an edge of the room. */
const ONGOING = 0.06;
/** How many candidates are followed at each width. */
const KEPT = { coarse: 16, near: 8, middle: 5, fine: 2 };
/**
 * Below this two frames show different things, or too little to say; and where they do not stand out from the same shifted aside.
 * It is asked of all that could be shared: where the half is, chance is greater by √2.
 */
const LEAST_SAME = 0.33;
const LEAST_OUTSTANDING = 5.2;
/** On a bare wall less is enough, where what little there is agrees: of 230 wrong pairs none came so far. */
const BARE_WALL = { overlap: 0.75, same: 0.2, outstanding: 5.4, blocks: 2, shown: 0.5 };
const EXACT: Way = { rounds: 8, kind: 'projective', robust: true };
const LEAST_OVERLAP = 0.4;
/** Another place that is nearly as good as the best: which one is right cannot be said. */
const AS_GOOD = 0.7;

export interface Registration {
  /** Nine numbers, row by row: takes a pixel of the earlier frame to the later one, on the plane of the wall. */
  transform: Homography;
  /** How far places of both still lie apart, pixels of the later frame: the middle one of all blocks. */
  residualPx: number;
  /** Share of the earlier frame that the later one shows, 0 … 1. */
  overlap: number;
  /** How far both show the same, 0 … 1. */
  sameness: number;
}

/**
 * Finds where each pixel of one frame lies in another of the same wall: shift, turn to 8°, scale 0.85 … 1.15, perspective, three
 * fifths shared or more. Warm and cold may be exchanged; what was fixed, moved or does not lie on the wall has no say.
 *
 * @param before, after - temperatures, °C; NaN without a reading
 * @throws cannot-register when they show different things, too little, or could lie on each other in several ways
 */
export function register(before: Grid, after: Grid): Registration {
  const [a, b] = [believable(before)?.grid, believable(after)?.grid];
  if (!a || !b) throw cannot('One of the frames has no readings.');
  if (Math.min(a.width, a.height, b.width, b.height) < 24) throw cannot('One of the frames has too few pixels.');
  const exact = [textureOf(a, BROAD.exact), textureOf(b, BROAD.exact)] as const;
  const { at, best, other, middle } = candidates(a, b, exact);
  if (!best) throw cannot('Nothing in one frame was found in the other.');
  const middleH = rescaled(best.h, [at, middle.width], [at, middle.width]);
  const same = sameness(...middle.once, middleH);
  if (!believed(middle.once, middleH, same, best.overlap))
    throw cannot('The frames show different things, or too little to tell.');
  if (other && other.sameness > AS_GOOD * best.sameness)
    throw cannot('What the frames show repeats: they fit onto each other in more than one way.');
  const plain = plainer(middle.template, middle.b, middleH);
  const full = Math.min(FULL, a.width, b.width);
  const [fullA, fullB] = exact.map((texture) => featuresOf(texture, full, EVENING.exact)) as [Grid, Grid];
  const last = new Template(fullA);
  const start = plain.similar
    ? rescaled(plain.h, [middle.width, full], [middle.width, full])
    : rescaled(best.h, [at, full], [at, full]);
  const { h, overlap } = last.fitted(fullB, start, {
    rounds: 4,
    kind: plain.similar ? 'similar' : 'projective',
    robust: true,
  });
  return {
    transform: rescaled(h, [full, a.width], [full, b.width]),
    residualPx: (last.residual(fullB, h) * b.width) / full,
    overlap,
    sameness: Math.abs(same),
  };
}

/** Whether a map shows the same thing in both pictures. */
function believed([a, b]: readonly [Grid, Grid], h: Homography, same: number, overlap: number): boolean {
  const likeness = Math.abs(same) * Math.sqrt(overlap);
  const outstanding = standsOut(a, b, h, same);
  if (likeness >= LEAST_SAME) return outstanding >= LEAST_OUTSTANDING;
  if (overlap < BARE_WALL.overlap || likeness < BARE_WALL.same || outstanding < BARE_WALL.outstanding) return false;
  const shown = samenessShown(a, b, h);
  return shown.blocks >= BARE_WALL.blocks && Math.sign(same) * shown.same >= BARE_WALL.shown;
}

/** Both pictures at the middle width, where noise is small and what is there only once is sharp enough. */
interface Middle {
  width: number;
  template: Template;
  b: Grid;
  once: readonly [Grid, Grid];
}

interface Candidate {
  h: Homography;
  overlap: number;
  sameness: number;
}

function candidates(
  a: Grid,
  b: Grid,
  exact: readonly [Texture, Texture],
): { at: number; best?: Candidate; other?: Candidate; middle: Middle } {
  const looking = [textureOf(a, BROAD.looking), textureOf(b, BROAD.looking)] as const;
  const once = (width: number) =>
    looking.map((texture) => singular(featuresOf(texture, width, EVENING.looking), Math.round(width * ONGOING))) as [Grid, Grid];
  const whole = (width: number) => exact.map((texture) => featuresOf(texture, width, EVENING.exact)) as [Grid, Grid];
  const widths = [COARSE, MIDDLE, FINE].map((width) => Math.min(width, a.width, b.width)) as [number, number, number];
  const [coarse, middle, fine] = widths;
  const up = (fits: readonly { h: Homography }[], from: number, to: number) =>
    fits.map(({ h }) => rescaled(h, [from, to], [from, to]));

  const [coarseA, coarseB] = once(coarse);
  const affine = new Template(coarseA);
  const first = guesses(coarseA, coarseB).slice(0, KEPT.coarse);
  const coarsely = (fits: readonly { h: Homography }[], rounds: number) =>
    distinct(
      fits.map(({ h }) => affine.fitted(coarseB, h, { rounds, kind: 'affine', robust: false })),
      coarseA,
      1.2,
    );
  const near = coarsely(coarsely(first, 3).slice(0, KEPT.near), 6);

  const [middleA, middleB] = once(middle);
  const projective = new Template(middleA);
  const nearer = distinct(
    up(near.slice(0, KEPT.middle), coarse, middle).map((h) =>
      projective.fitted(middleB, h, { rounds: 12, kind: 'projective', robust: false }),
    ),
    middleA,
    2,
  );
  const [robustA, robustB] = whole(middle);
  const robust = new Template(robustA);
  const placed = nearer
    .slice(0, KEPT.fine)
    .filter(({ like }) => Math.abs(like) > AS_GOOD * Math.abs(nearer[0]!.like))
    .map(({ h }) => robust.fitted(robustB, h, EXACT));

  const [fineA, fineB] = whole(fine);
  const [onceA, onceB] = onceOf(fineA, fineB);
  const whole160 = new Template(fineA);
  const found = distinct(
    up(placed, middle, fine).map((h) => whole160.fitted(fineB, h, EXACT)),
    fineA,
    9,
  )
    .map(({ h, like, overlap }) => ({ h, overlap, sameness: Math.sign(like) * sameness(onceA, onceB, h) }))
    .sort((p, q) => q.sameness - p.sameness);
  return {
    at: fine,
    best: found[0],
    other: found[1],
    middle: { width: middle, template: robust, b: robustB, once: onceOf(robustA, robustB) },
  };
}

/** What is there only once in both. */
function onceOf(a: Grid, b: Grid): readonly [Grid, Grid] {
  return [a, b].map((grid) => singular(grid, Math.round(a.width * ONGOING))) as [Grid, Grid];
}

/** Fits that are not the same one again, the likeliest first. @param apart - pixels */
function distinct(fits: readonly Fit[], { width, height }: Grid, apart: number): Fit[] {
  const corners = [0.2, 0.8].flatMap((u) => [0.2, 0.8].map((v) => [u * width, v * height] as const));
  const far = (p: Fit, q: Fit) =>
    Math.max(
      ...corners.map((at) => {
        const [one, other] = [projected(p.h, at), projected(q.h, at)];
        return Math.hypot(one[0] - other[0], one[1] - other[1]);
      }),
    );
  const kept: Fit[] = [];
  for (const fit of fits.filter(({ overlap }) => overlap > LEAST_OVERLAP).sort((p, q) => Math.abs(q.like) - Math.abs(p.like)))
    if (kept.every((other) => far(fit, other) > apart)) kept.push(fit);
  return kept;
}

function cannot(message: string): CoreError {
  return new CoreError(
    'cannot-register',
    message,
    {},
    'Take the later frame from the same place, or mark the same points in both by hand.',
  );
}
