import { axisOf, type Axis } from './axis';
import { OWN_RATE } from './growth';
import { lineStart } from './lineStart';
import type { Patch } from './patches';
import { seriesOf, without, type Series } from './series';
import { again, dotSource, leftOfBins, lineSource, poolSource, type Known, type Source } from './source';
import { riseAt } from './spots';
import type { Stack } from './stack';
import type { Standing } from './standing';

/** A source with how far its patch stands out, in spreads of the map. */
export type Found = Source & { z: number };

/** A model that leaves much more than noise, squared, is none: edges that are sharp, things that wander. */
const HOPELESS = 5;
/** What is left over of each value beyond noise speaks against a leak so many times: real ones leave less than 1.2. */
const LEFT_AGAINST = 10;
/** Values that are this unusual for a leak under such a floor speak against one; and together with what is left over. */
const MOST_UNUSUAL = 22;
const MOST_AGAINST = 30;
/** A patch that hardly stands out may be chance: less may speak against it. */
const FAINT_Z = 10;
const MOST_AGAINST_FAINT = 18;
/** … and none is believed beside something that stands out so many times as far: the sun wanders, and leaves traces. */
const OUTDONE = 5;
/** Where it was warm before, a camera that creeps shows changes of its own: what stands out less there is not believed. */
const RIM_Z = 20;
/** What a change may fall short of what is said: rates of its own and noise so many times, and a share of it. */
const UNSURE = 3;
const MODEL_SHARE = 0.3;
/** What heat from below cannot show leaves more than this of each value, in noises. */
const BLURRED = 1.55;
/** What stands out less may be chance, and is not told of. */
const TOLD_Z = 8;
/** What belongs to a leak lies this near to where it grew most, and this far around it is looked at, in λ. */
const FARTHEST = 12;
const MARGIN = 3.5;
/** A line explains a patch better than a pool by so much, or it is none; one that is shorter looks like a pool. */
const LINE_BETTER = 100;
const SHORTEST_LINE = 12;
const LONGISH = 1.5;
/** A pool is what is usual: a dot must explain a patch better by so much; and an unusual pool more, and then it is none of a leak. */
const POOL_BETTER = -30;
const UNUSUAL_BETTER = 60;
/** Places farther than this from a dot, in λ, that leave so much over are something else that happens nearby. */
const BESIDE = 1.5;
const SOMETHING_ELSE = 6;
/** A place that is found once more lies this near, in λ. */
const NEAR = 1;

/**
 * What grew and is not the leak that is stated. edges: sharp, or wandering, as of a thing or the sun; pace: not as deep, as wide or
 * as late as a leak under this floor; weaker: as a leak does, but another stands out more.
 */
export interface Other {
  /** In pixels of the stack. */
  x: number;
  y: number;
  why: 'edges' | 'pace' | 'weaker';
}

/**
 * The patch that is a leak, with where the water comes out; null when none is. And what else stands out beyond chance, with why it
 * is not that.
 *
 * @param standing - places that were warm before, in pixels of the stack
 */
export function chooseSource(
  stack: Stack,
  noise: number,
  patches: readonly Patch[],
  known: (patch: Patch) => Known,
  standing: readonly Pick<Standing, 'x' | 'y' | 'radius'>[] = [],
): { leak: Found | null; others: Other[] } {
  const candidates = patches.map((patch) => {
    const candidate = candidateOf(stack, noise, patch, known(patch));
    return { patch, ...candidate, real: changedSo(stack, noise, candidate.found, candidate.known) };
  });
  const [leaks, others] = [candidates.filter(isLeak), candidates.filter((one) => !isLeak(one))];
  const loudest = Math.max(0, ...others.map(({ found }) => found.z));
  const onRim = ({ x, y }: Source) => standing.some((place) => Math.hypot(x - place.x, y - place.y) < place.radius);
  const best = leaks
    .filter(({ found }) => found.z >= FAINT_Z || OUTDONE * found.z > loudest)
    .filter(({ found }) => found.z >= RIM_Z || !onRim(found))
    .sort((p, q) => q.found.z - p.found.z)[0];
  return {
    leak: best ? { ...best.found, ...placed(best) } : null,
    others: candidates
      .filter((one) => one !== best && one.found.z >= TOLD_Z)
      .map((one) => ({ x: one.patch.x, y: one.patch.y, why: whyNot(one) })),
  };
}

function whyNot(candidate: Candidate): Other['why'] {
  if (isLeak(candidate)) return 'weaker';
  return candidate.found.each > BLURRED ? 'edges' : 'pace';
}

interface Candidate {
  found: Found;
  series: Series;
  known: Known;
  /** Whether the place changed as much as the source would have it, `changedSo`. */
  real: boolean;
}

/** The place once more, by noise alone: a leak is told from others with room for what models lack, its place is not. */
function placed({ found, series, known }: Candidate): Pick<Source, 'x' | 'y' | 'u' | 'direction' | 'length'> {
  if (found.kind === 'line') return lineStart(series, found, known);
  const exact = { ...series, spreads: series.sharp };
  const anew = again(exact, found, known);
  const { x, y, u, direction, length } = Math.hypot(anew.x - found.x, anew.y - found.y) < NEAR * known.lambda ? anew : found;
  return { x, y, u, direction, length };
}

/**
 * Steady rates are taken out of every course, and so a thing that warms ever slower looks like cold that grows. A leak changes its
 * place by what it is said to, but for a rate of its own.
 */
function changedSo({ width, height, rises, times }: Stack, noise: number, found: Found, known: Known): boolean {
  const [x, y] = [Math.round(found.x), Math.round(found.y)];
  if (x < 0 || y < 0 || x >= width || y >= height) return true;
  const end = times.at(-1)!;
  const said = found.amount * (riseAt([0, 0], end, found.floor, found.spots) - riseAt([0, 0], 0, found.floor, found.spots));
  const changed = rises.at(-1)![y * width + x]! - rises[0]![y * width + x]!;
  const short = known.sign * (said - changed);
  return !(short > UNSURE * (OWN_RATE * end + noise) + MODEL_SHARE * Math.abs(said));
}

/**
 * Whether a patch behaves like a leak: its heat has the sign that is looked for, its values are usual for one, and the model leaves hardly
 * more than noise over. Heat from one place is followed well; along a line it comes from more than the line near its start.
 */
function isLeak({ found: { kind, each, unusual, z, amount }, known, real }: Candidate): boolean {
  if (amount * known.sign <= 0 || !real) return false;
  if (kind !== 'line' && each > BLURRED) return false;
  return unusual + LEFT_AGAINST * Math.max(0, each - 1) < (z < FAINT_Z ? MOST_AGAINST_FAINT : MOST_AGAINST);
}

function candidateOf(stack: Stack, noise: number, patch: Patch, known: Known): Omit<Candidate, 'real'> {
  const xs = patch.members.map((at) => at % stack.width);
  const ys = patch.members.map((at) => Math.floor(at / stack.width));
  const series = seriesOf(stack, noise, around(patch, xs, ys, known.lambda));
  const first = bestDot(series, startsOf(patch, stack, known.lambda), beginsOf(known));
  const line = lineOf(series, axisOf(xs, ys, patch.heights), known);
  if (first.each > HOPELESS && !line && poolSource(series, patch, known).each > HOPELESS)
    return { found: { ...first, z: patch.z }, series, known };
  const calm = calmed(series, first, known.lambda);
  const point = calm === series ? first : dotSource(calm, [first.x, first.y], known);
  const leaning = poolSource(calm, point, known);
  const excess = Math.sqrt(Math.max(0, (point.floor.lambda / known.lambda) ** 2 - 1));
  const needed = leaning.unusual < MOST_UNUSUAL ? POOL_BETTER : UNUSUAL_BETTER;
  const spot = leaning.cost < point.cost - needed ? leaning : point;
  const least = calm === series ? spot.cost : Math.min(first.cost, poolSource(series, first, known).cost);
  if (!line || line.cost > least - LINE_BETTER || line.unusual > MOST_UNUSUAL)
    return { found: { ...spot, excess, z: patch.z }, series: calm, known };
  return { found: { ...line, excess, z: patch.z }, series, known };
}

function around(patch: Patch, xs: readonly number[], ys: readonly number[], lambda: number) {
  const [far, margin] = [FARTHEST * lambda, MARGIN * lambda];
  const bounds = (at: number, members: readonly number[]) =>
    [Math.max(Math.min(...members), at - far) - margin, Math.min(Math.max(...members), at + far) + margin] as const;
  const [[left, right], [top, bottom]] = [bounds(patch.x, xs), bounds(patch.y, ys)];
  return (x: number, y: number) => x >= left && x <= right && y >= top && y <= bottom;
}

/** A moment that is not told is sought from the one that the map shows best, and from the usual one. */
function beginsOf(known: Known): Known[] {
  return known.begin === known.on ? [known] : [known, { ...known, begin: known.on }];
}

function bestDot(series: Series, starts: readonly (readonly [number, number])[], knowns: readonly Known[]): Source {
  return knowns.flatMap((known) => starts.map((at) => dotSource(series, at, known))).sort((p, q) => p.cost - q.cost)[0]!;
}

/** A series without what happens beside a dot and is none of it. */
function calmed(series: Series, source: Source, lambda: number): Series {
  const left = leftOfBins(series, source);
  const reach = BESIDE * Math.max(lambda, source.floor.lambda);
  return without(series, (p, x, y) => left[p]! > SOMETHING_ELSE && Math.hypot(x - source.x, y - source.y) > reach);
}

/** Where a fit begins: on the patch, and beside the view for one that its rim cuts. */
function startsOf({ x, y }: Patch, { width, height }: Stack, lambda: number): (readonly [number, number])[] {
  const [near, out] = [2 * lambda, 2.5 * lambda];
  const starts: (readonly [number, number])[] = [[x, y]];
  if (x < near) starts.push([-out, y]);
  if (x > width - 1 - near) starts.push([width - 1 + out, y]);
  if (y < near) starts.push([x, -out]);
  if (y > height - 1 - near) starts.push([x, height - 1 + out]);
  return starts;
}

/** Water along a patch that is longer than wide, from either of its ends; null for another patch. */
function lineOf(series: Series, axis: Axis, known: Known): Source | null {
  if (axis.length < SHORTEST_LINE || axis.length < LONGISH * axis.width) return null;
  const half = Math.max(4, axis.length / 2 - known.lambda);
  const lines = [axis.direction, axis.direction + Math.PI].map((direction) => {
    const at = [axis.x - half * Math.cos(direction), axis.y - half * Math.sin(direction)] as const;
    return lineSource(series, { at, direction, length: 2 * half }, known);
  });
  const best = lines.map((one) => forward(series, one, known)).sort((p, q) => p.cost - q.cost)[0]!;
  return best.length > SHORTEST_LINE ? best : null;
}

/** A line of which more lies behind the leak than before it runs the other way. */
function forward(series: Series, found: Source, known: Known): Source {
  const back = Math.abs(found.values[9]!);
  if (back <= found.length) return found;
  const { x, y, direction, length } = found;
  const values = found.values.slice();
  values[6] = direction + Math.PI;
  values[7] = Math.log(back);
  values[9] = length;
  return lineSource(series, { at: [x, y], direction: values[6], length: back }, known, values);
}
