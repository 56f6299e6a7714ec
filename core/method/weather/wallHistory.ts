import * as z from 'zod';
import { CoreError } from '../../ground/errors';
import { type Drives, STEP_MINUTES } from './wallFaces';
import { ABSORPTANCE } from './wallMemory';

/** What a wall stood in before a frame: rows in the order of time, minutes at most 0; the frame was taken at 0. */
export const wallHistorySchema = z.array(
  z.object({
    minutes: z.number().max(0),
    insideC: z.number().min(-60).max(70),
    outsideC: z.number().min(-80).max(60),
    /** Sun on the wall, W/m². */
    sunWm2: z.number().min(0).max(1500),
  }),
);
export type WallHistory = z.infer<typeof wallHistorySchema>;

/** Older air says nothing of a wall today. */
const LONGEST_MINUTES = 5 * 1440;
/** What is told must reach so far back, and up to the frame within so much, min. */
const SHORTEST_MINUTES = 12 * 60;
const FRESH_MINUTES = 60;
/** Between two rows that lie farther apart nobody knows what the air did, min. */
const LONGEST_GAP_MINUTES = 180;

/** Why a history cannot be used; null where it can. */
export function historyProblem(history: WallHistory): string | null {
  const first = history[0];
  if (!first || history.length < 2) return 'it holds fewer than two rows';
  if (first.minutes > -SHORTEST_MINUTES) return `it begins less than ${SHORTEST_MINUTES / 60} h before the frame`;
  if (history.at(-1)!.minutes < -FRESH_MINUTES) return `it ends more than ${FRESH_MINUTES} minutes before the frame`;
  for (let i = 1; i < history.length; i += 1) {
    const gap = history[i]!.minutes - history[i - 1]!.minutes;
    if (gap <= 0) return 'its rows are not in the order of time';
    if (gap > LONGEST_GAP_MINUTES) return `it has a hole of ${Math.round(gap / 60)} h`;
  }
  return null;
}

/**
 * A history at steps of ten minutes, straight between its rows.
 *
 * @param shade - leaves the sun out
 * @returns sol-air temperature outside and air inside, °C
 * @throws CoreError `malformed` where {@link historyProblem} has one
 */
export function drivesOf(history: WallHistory, outerFilm: number, shade = false): Drives {
  const problem = historyProblem(history);
  if (problem !== null)
    throw new CoreError('malformed', `The history of the wall cannot be used: ${problem}.`, {}, 'Give about 48 hours.');
  const from = Math.max(history[0]!.minutes, -LONGEST_MINUTES);
  const count = Math.floor(-from / STEP_MINUTES) + 1;
  const outerC = new Float64Array(count);
  const innerC = new Float64Array(count);
  let row = 0;
  for (let i = 0; i < count; i += 1) {
    const at = -(count - 1 - i) * STEP_MINUTES;
    while (row < history.length - 2 && history[row + 1]!.minutes <= at) row += 1;
    const [a, b] = [history[row]!, history[row + 1]!];
    const share = Math.min(1, Math.max(0, (at - a.minutes) / (b.minutes - a.minutes)));
    const between = (key: 'insideC' | 'outsideC' | 'sunWm2') => a[key] + share * (b[key] - a[key]);
    outerC[i] = between('outsideC') + (shade ? 0 : (ABSORPTANCE * between('sunWm2')) / outerFilm);
    innerC[i] = between('insideC');
  }
  return { outerC, innerC };
}
