/** How likely it is before anything is seen that the work changed the wall as a whole: for the better, for the worse. */
const BETTER = 0.2;
const WORSE = 0.02;
/** How much a wall that was changed as a whole changed: the spread of the factor, and the most that is thought of. */
const AMOUNT = 0.08;
const MOST = 0.3;
const STEP = 0.002;
/** The least that a wall is taken to lack. */
const LEAST_LACK = 0.05;

/** What all of a wall did between two visits, away from what was fixed. */
export interface Wall {
  /** How far its temperature factor moved, and the standard uncertainty that instruments leave it. */
  level: number;
  levelU: number;
  /** What it lacked to 1 before: 1 − factor. */
  lack: number;
  /** The contrast of its studs and its texture, as a share of what it was; with its standard uncertainty. */
  contrast: number;
  contrastU: number;
}

/**
 * How much of what all of a wall did is the work's doing, and not the camera's or a thermometer's.
 *
 * Both are weighed by Bayes' rule, beginning with a wall that was not changed as a whole. A wall that loses less may have less
 * contrast too, when its studs and its texture shrink with what it lacks to 1, or keep it, when it was filled between them; a
 * camera's level moves and contrast stays.
 *
 * @returns the change of the factor and its standard uncertainty; 0 and 0 while instruments are the likelier reason
 */
export function wholeChange({ level, levelU, lack, contrast, contrastU }: Wall): { mean: number; u: number } {
  const bell = (t: number) => Math.exp(-(t * t) / 2);
  const kept = bell((contrast - 1) / contrastU);
  const none = (1 - BETTER - WORSE) * bell(level / levelU) * kept;
  let [sum, first, second] = [0, 0, 0];
  for (let amount = STEP / 2; amount < MOST; amount += STEP) {
    // Half a bell on each side of nothing.
    const density = (2 * bell(amount / AMOUNT) * STEP) / (AMOUNT * Math.sqrt(2 * Math.PI));
    for (const [change, share] of [
      [amount, BETTER],
      [-amount, WORSE],
    ] as const) {
      const shrunk = bell((contrast - (1 - change / Math.max(LEAST_LACK, lack))) / contrastU);
      const p = (share * density * bell((level - change) / levelU) * (kept + shrunk)) / 2;
      sum += p;
      first += p * change;
      second += p * change * change;
    }
  }
  if (sum <= none) return { mean: 0, u: 0 };
  const mean = first / sum;
  return { mean, u: Math.sqrt(Math.max(0, second / sum - mean * mean)) };
}
