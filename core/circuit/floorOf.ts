import { CoreError } from '../errors';
import type { Grid } from '../detect/grid';
import { floorLoops, type FloorLoops } from '../heating/floor';
import type { FloorTraceValue } from '../heating/rows/floorTraceRow';

/** Runs of a floor in its box; why not, where none can be read. */
export function floorReading(grid: Grid, { box }: FloorTraceValue): FloorLoops | { why: string } {
  try {
    return floorLoops(grid, box) ?? { why: 'No evenly spaced warm lines show in the box: too early, too even, or none there.' };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return { why: `${error.message} ${error.hint}` };
  }
}

const share = (value: number) => `${Math.round(100 * value)} %`;

/** What a floor shows, sentence by sentence. */
export function floorWords(found: FloorLoops | { why: string }, { box, widthM, note }: FloorTraceValue): string[] {
  if ('why' in found) return [found.why];
  const { runs, spacingPx, gaps, warmShare } = found;
  const spacing =
    widthM === null
      ? `${spacingPx} pixels apart (measure the box for metres)`
      : `${((100 * spacingPx * widthM) / box.width).toFixed(0)} cm apart`;
  const cold = runs.filter((run) => run.cold);
  const numbers = cold.map((run) => runs.indexOf(run) + 1).join(', ');
  return [
    `${runs.length} runs, ${spacing}; they show in ${share(warmShare)} of the box.`,
    ...(cold.length > 0
      ? [`Run ${numbers} stays cold, counted from the upper or left side: a loop without flow, or one that is not there.`]
      : []),
    ...gaps.map(
      ({ share: part, looks }) =>
        `${share(part)} of it shows no run (outlined): ${
          looks === 'cold'
            ? 'as cold as an unheated floor: never covered by a loop, or wet.'
            : 'about as warm as its surroundings: something lies or lay on it.'
        }${note === '' ? '' : ` Noted: ${note}.`}`,
    ),
  ];
}
