import { isDisturbed } from '../../method/water/stack';
import type { LeakFound } from '../../method/water/timelapse';
import * as format from '../../ground/format';
import type { DisplayUnit } from '../../ground/temperature';

/** What a series says: the result, and what else belongs to it. */
export interface LeakWords {
  state: 'waiting' | 'nothing' | 'standing' | 'found';
  result: string;
  more: string;
}

/** Before anybody opens a floor. */
export const OPENING_CAUTIONS = [
  'Gas pipes, cables and heating loops may lie in it: trace them first, and switch off.',
  'A slab may hold tensioned tendons: never cut one that may.',
  'Cutting sets silica dust free; old floors and glues may hold asbestos.',
  'Hot water scalds. Damp places: mould, foul water, live parts.',
  'A small pilot hole first, where it is allowed. Repairs belong to the licensed; local codes come first.',
] as const;

const WAYS = [
  'to the right',
  'below on the right',
  'below',
  'below on the left',
  'to the left',
  'above on the left',
  'above',
  'above on the right',
];

/** What a series says, in words. @param metresEach - what a pixel shows; null where no sizes are known */
export function leakWords(
  { source, enough, moreMinutes, confidence, slopeMax, dropped, frames, standing }: LeakFound,
  unit: DisplayUnit,
  metresEach: number | null,
): LeakWords {
  const left = `${leftOut(dropped.length)}${passedBy(frames.filter(isDisturbed).length)}`;
  if (!enough)
    return {
      state: 'waiting',
      result: 'Not long enough yet.',
      more: `${moreMinutes === null ? 'Under this floor a leak would not show for hours.' : `Go on for about ${Math.max(1, Math.round(moreMinutes))} minutes.`}${left}`,
    };
  if (!source && standing.length > 0)
    return {
      state: 'standing',
      result: `Nothing new grew; ${standing.length === 1 ? 'a place was' : `${standing.length} places were`} ${standing[0]!.contrast > 0 ? 'warm' : 'cold'} before the water ran.`,
      more: `A leak that runs since yesterday looks so; a pipe in use or the sun may too. Shut the ${standing[0]!.contrast > 0 ? 'hot' : 'cold'} side for an hour or two and watch ${standing.length === 1 ? 'it' : 'them'} ${standing[0]!.contrast > 0 ? 'cool' : 'warm up'}: a leak’s place does.${left}`,
    };
  if (!source)
    return {
      state: 'nothing',
      result: 'Nothing here behaves like a leak.',
      more: `What warmed did so at its own rate, wandered, or has sharp edges. So no leak shows under this view; of what lies beside it that says nothing.${left}`,
    };
  const sure = `${Math.round(100 * confidence)} % sure`;
  if (!source.inside)
    return {
      state: 'found',
      result: `It comes out beside the view, ${WAYS[Math.round(source.direction! / 45) % 8]!} (${sure}).`,
      more: `Turn the camera there and take another series.${left}`,
    };
  return {
    state: 'found',
    result: `${source.kind === 'line' ? 'It comes out at the circle and runs along the line' : 'It comes out in the circle'} (${sure}).`,
    more: `The circle, ${reach(source.radius!, metresEach)} to each side, holds it nine times of ten. Fastest rise: ${format.difference(slopeMax!, unit)} a minute.${left}`,
  };
}

const WHY_NOT: Record<LeakFound['others'][number]['why'], string> = {
  edges: 'sharp edges, or it wanders: a thing or the sun, not heat from below',
  pace: 'not as late or as wide as heat that comes through this floor',
  weaker: 'behaves like a leak too, but something else stands out more',
};

/** A place that stood out before anything was run, in words. */
export function standingWords({ contrast }: LeakFound['standing'][number], unit: DisplayUnit): string {
  return `${format.difference(Math.abs(contrast), unit)} ${contrast > 0 ? 'warmer' : 'colder'} than around it in the first frames`;
}

/** What else grew, and why that is not the leak, in words. */
export function otherWords({ why }: LeakFound['others'][number]): string {
  return WHY_NOT[why];
}

/** How far a circle reaches, in what a tape shows where that is known. */
function reach(pixels: number, metresEach: number | null): string {
  if (metresEach === null) return `${Math.max(1, Math.round(pixels))} pixels`;
  return `about ${Math.max(1, Math.round(100 * pixels * metresEach))} cm`;
}

function leftOut(frames: number): string {
  if (frames === 0) return '';
  return frames === 1
    ? ' 1 frame shows another view and was left out.'
    : ` ${frames} frames show another view and were left out.`;
}

function passedBy(frames: number): string {
  if (frames === 0) return '';
  return ` Something passed through ${frames === 1 ? '1 frame' : `${frames} frames`}; it was taken out.`;
}
