import { TRAITS, type Evidence, type Trait } from '../../core/method/causes/evidence';
import { logLikelihood, type Counted } from '../../core/method/causes/likelihood';
import { CAUSES } from '../../core/method/causes/registry';

/** One candidate whose cause is known. */
export interface Known {
  cause: string;
  evidence: Evidence;
}

const TRAIT_NAMES = Object.keys(TRAITS) as Trait[];
/** No trait is silenced by the few frames of a trial, and none speaks for all: they overlap. */
const WEIGHTS = [0.4, 0.6, 0.8];
/** Which side is looked at is given, not seen: trials draw it as they like. */
const GIVEN: Partial<Record<Trait, number>> = { side: 0.4 };

function countsOf(rows: readonly Known[]): Counted['counts'] {
  const counts: Record<string, Record<string, Record<string, number>>> = {};
  for (const { cause, evidence } of rows) {
    for (const [trait, value] of Object.entries(evidence)) {
      const values = ((counts[cause] ??= {})[trait] ??= {});
      values[value] = (values[value] ?? 0) + 1;
    }
  }
  return counts;
}

/** Mean of −log of what is believed of the true cause, all causes being met equally often. */
function loss(rows: readonly Known[], from: Counted): number {
  let sum = 0;
  for (const { cause, evidence } of rows) {
    const logs = CAUSES.map((one) => logLikelihood(one, evidence, from));
    const most = Math.max(...logs);
    const total = logs.reduce((all, log) => all + Math.exp(log - most), 0);
    sum -= logs[CAUSES.findIndex(({ code }) => code === cause)]! - most - Math.log(total);
  }
  return sum / rows.length;
}

/**
 * Counts how often each cause shows each value, and finds how much each trait weighs: counted on one half and judged on the other,
 * both ways, so that what is seen by chance gets no weight.
 */
export function fitCounted(rows: readonly Known[], seed: number, frames: number): Counted {
  const halves = [rows.filter((_, i) => i % 2 === 0), rows.filter((_, i) => i % 2 === 1)] as const;
  const counted = halves.map(countsOf);
  const weights: Partial<Record<Trait, number>> = Object.fromEntries(TRAIT_NAMES.map((trait) => [trait, GIVEN[trait] ?? 0.6]));
  const judged = () =>
    (loss(halves[0], { seed, frames, weights, counts: counted[1]! }) +
      loss(halves[1], { seed, frames, weights, counts: counted[0]! })) /
    2;
  for (const trait of TRAIT_NAMES) {
    if (trait in GIVEN) continue;
    let best = { weight: weights[trait]!, loss: Infinity };
    for (const weight of WEIGHTS) {
      weights[trait] = weight;
      const now = judged();
      if (now < best.loss - 1e-4) best = { weight, loss: now };
    }
    weights[trait] = best.weight;
  }
  return { seed, frames, weights, counts: countsOf(rows) };
}
