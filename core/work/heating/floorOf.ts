import { CoreError } from '../../ground/errors';
import type { Grid } from '../../ground/grid';
import { floorLoops, type FloorLoops } from '../../method/heating/floor';
import type { FloorTraceValue } from '../../model/floorTraceRow';
import { hasReading } from '../../ground/hasReading';

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

/** How a floor has warmed from one frame to the next: its mean, and how far its runs stand out. K. */
export interface FloorGrowth {
  meanK: number;
  /** Then and now; null unless both show runs. */
  contrastsK: [number, number] | null;
}

/** Compares two frames of one floor, each in its own box; the earlier first. */
export function floorGrowth(...frames: [[Grid, FloorTraceValue], [Grid, FloorTraceValue]]): FloorGrowth {
  const [then, now] = frames.map(([grid, trace]) => ({ mean: meanIn(grid, trace), contrast: contrastOf(grid, trace) })) as [
    { mean: number; contrast: number | null },
    { mean: number; contrast: number | null },
  ];
  return {
    meanK: now.mean - then.mean,
    contrastsK: then.contrast === null || now.contrast === null ? null : [then.contrast, now.contrast],
  };
}

function contrastOf(grid: Grid, trace: FloorTraceValue): number | null {
  const found = floorReading(grid, trace);
  if ('why' in found) return null;
  const warm = found.runs.filter(({ cold }) => !cold);
  return warm.length === 0 ? null : warm.reduce((sum, { contrastK }) => sum + contrastK, 0) / warm.length;
}

function meanIn({ width, height, values }: Grid, { box }: FloorTraceValue): number {
  let sum = 0;
  let n = 0;
  for (let y = box.y; y < Math.min(height, box.y + box.height); y += 1)
    for (let x = box.x; x < Math.min(width, box.x + box.width); x += 1) {
      const value = values[y * width + x]!;
      if (!hasReading(value)) continue;
      sum += value;
      n += 1;
    }
  return sum / n;
}
