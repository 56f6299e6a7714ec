import type { Grid } from '../../ground/grid';
import { hasReading } from '../../ground/hasReading';
import type { FaceBox } from './faceBox';

export interface Tails {
  flow: FaceBox;
  return: FaceBox;
  /** The end of the face that the flow enters: found from temperature, because either valve may be the flow. */
  flowEnd: 'left' | 'right';
  /** What the two read, °C. */
  flowC: number;
  returnC: number;
}

/** Tails hang within this share of the face's width of its ends, and this share of its height below it. */
const SIDE = 0.14;
const BELOW = [0.02, 0.42] as const;
/** Warmer than the wall beside it by so much, K, a column is a pipe. */
const STANDS_OUT_K = 2.5;
const LEAST_ROWS = 3;

/**
 * Finds the two tails under the face of an emitter: the warmest narrow upright thing below each of its ends. Bright valves read
 * low and are left out by themselves, because the longest warm stretch of the column is taken.
 *
 * @param frame - temperatures, °C; NaN for no reading
 * @returns null unless both stand out
 */
export function findTails(frame: Grid, face: FaceBox): Tails | null {
  const reach = Math.max(3, Math.round(SIDE * face.width));
  const left = tailIn(frame, face, face.x - Math.round(reach / 2), face.x + reach);
  const right = tailIn(frame, face, face.x + face.width - reach, face.x + face.width + Math.round(reach / 2));
  if (!left || !right) return null;
  const leftFirst = left.meanC >= right.meanC;
  const [flow, back] = leftFirst ? [left, right] : [right, left];
  return {
    flow: flow.box,
    return: back.box,
    flowEnd: leftFirst ? 'left' : 'right',
    flowC: flow.meanC,
    returnC: back.meanC,
  };
}

function tailIn(
  { width, height, values }: Grid,
  face: FaceBox,
  fromX: number,
  toX: number,
): { box: FaceBox; meanC: number } | null {
  const top = Math.round(face.y + face.height * (1 + BELOW[0]));
  const bottom = Math.min(height - 1, Math.round(face.y + face.height * (1 + BELOW[1])));
  const [from, to] = [Math.max(1, fromX), Math.min(width - 2, toX)];
  if (bottom - top + 1 < LEAST_ROWS || to <= from) return null;
  const at = (x: number, y: number) => values[y * width + x]!;
  // What lies between the columns of a row is the wall: its median.
  const wall = Array.from({ length: bottom - top + 1 }, (_, k) => {
    const row: number[] = [];
    for (let x = from; x <= to; x += 1) if (hasReading(at(x, top + k))) row.push(at(x, top + k));
    return row.sort((a, b) => a - b)[Math.floor(row.length / 2)] ?? NaN;
  });
  let best: { x: number; y: number; rows: number; mean: number; score: number } | null = null;
  for (let x = from; x <= to; x += 1) {
    let [start, sum] = [-1, 0];
    for (let k = 0; k <= wall.length; k += 1) {
      const excess = k < wall.length ? at(x, top + k) - wall[k]! : NaN;
      if (excess >= STANDS_OUT_K) {
        if (start < 0) [start, sum] = [k, 0];
        sum += at(x, top + k);
        continue;
      }
      if (start >= 0 && k - start >= LEAST_ROWS) {
        const rows = k - start;
        const mean = sum / rows;
        const score = rows * (mean - wall[start]!);
        if (!best || score > best.score) best = { x, y: top + start, rows, mean, score };
      }
      start = -1;
    }
  }
  if (!best) return null;
  // Away from the ends of the stretch and one pixel wide: optics mix what lies beside it.
  const inset = best.rows >= 6 ? Math.floor(best.rows / 4) : 0;
  return {
    box: { x: best.x, y: best.y + inset, width: 1, height: Math.max(1, best.rows - 2 * inset) },
    meanC: best.mean,
  };
}
