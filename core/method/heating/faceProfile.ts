import type { Grid } from '../../ground/grid';
import { hasReading } from '../../ground/hasReading';
import type { FaceBox } from './faceBox';

/** How cold the foot of a face is against what its water implies. */
export type Foot = 'as-its-water' | 'colder-than-its-water';

/** Columns a face is looked at in, and the strips of it: below its head, and at its foot, as shares of its height. */
const COLUMNS = 10;
const HEAD = [0.03, 0.15] as const;
const FOOT = [0.84, 0.97] as const;
/** The outermost columns show what the water does where mud lies low in the middle. */
const ENDS = 1;
/** Channels far from the inlet get less water, or more: a logarithm of the fall off by this share and more is no mud. */
const UNLIKE = 0.17;
/** Mud takes at least this share of what the water would give at the foot, and so many kelvin, in so many columns side by side. */
const LEAST_TAKEN = 0.2;
const LEAST_K = 1.5;
const LEAST_COLUMNS = 2;
/** Least excess of a return over the room that is reckoned with, K. */
const LEAST_RETURN_K = 2;

/**
 * Holds the foot of a face against the fall of its own water: in a clean panel the excess over the room falls as a geometric row
 * from flow to return, so that a foot far below half of the flow's excess may be all that its water gives. Mud is colder than
 * that.
 *
 * @param returnC - of the water at its outlet; null where nobody read it: then the two ends of the face tell, as far as they can
 */
export function footOf(frame: Grid, box: FaceBox, airC: number, flowC: number, returnC: number | null): Foot {
  const [head, foot] = [columnsOf(frame, box, airC, HEAD), columnsOf(frame, box, airC, FOOT)];
  const [atHead, atFoot] = [(HEAD[0] + HEAD[1]) / 2, (FOOT[0] + FOOT[1]) / 2];
  const between = atFoot - atHead;
  // From strip to strip; steel and camera take the same share of both.
  const told =
    returnC === null
      ? null
      : between * Math.log(Math.max(LEAST_RETURN_K, Math.min(returnC, flowC) - airC) / Math.max(LEAST_RETURN_K, flowC - airC));
  const fall = (k: number) => Math.log(Math.max(0.5, foot[k]!) / Math.max(1, head[k]!));
  const mean = (from: number, to: number) => {
    let sum = 0;
    for (let k = from; k < to; k += 1) sum += fall(k);
    return sum / (to - from);
  };
  const [left, right] = [mean(0, ENDS), mean(COLUMNS - ENDS, COLUMNS)];
  let [run, longest] = [0, 0];
  for (let k = 0; k < COLUMNS; k += 1) {
    const across = k / (COLUMNS - 1);
    const byEnds = left + (right - left) * across;
    // Where both are known the warmer foot is expected: mud at the ends lowers one, a return read low the other.
    const expected = told === null ? byEnds : Math.max(byEnds, told * (1 + UNLIKE));
    const waterK = Math.max(1, head[k]!) * Math.exp(expected);
    const taken = waterK - foot[k]!;
    run = taken > Math.max(LEAST_K, LEAST_TAKEN * waterK) ? run + 1 : 0;
    longest = Math.max(longest, run);
  }
  return longest >= LEAST_COLUMNS ? 'colder-than-its-water' : 'as-its-water';
}

/** Mean excess over the room of a strip, column by column, K. */
function columnsOf({ width, values }: Grid, box: FaceBox, airC: number, [from, to]: readonly [number, number]): number[] {
  return Array.from({ length: COLUMNS }, (_, k) => {
    const x0 = box.x + Math.round((0.03 + (0.94 * k) / COLUMNS) * box.width);
    const x1 = box.x + Math.round((0.03 + (0.94 * (k + 1)) / COLUMNS) * box.width);
    let [sum, n] = [0, 0];
    for (let y = box.y + Math.floor(from * box.height); y < box.y + Math.ceil(to * box.height); y += 1)
      for (let x = x0; x < Math.max(x0 + 1, x1); x += 1) {
        const value = values[y * width + x]!;
        if (!hasReading(value)) continue;
        sum += value - airC;
        n += 1;
      }
    return n === 0 ? 0 : sum / n;
  });
}
