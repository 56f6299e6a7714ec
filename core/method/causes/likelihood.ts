import type { Cause } from './cause';
import counted from './counted.json';
import { TRAITS, type Evidence, type Trait } from './evidence';

/** What was counted on simulated frames with truth, and how much each trait weighs; made by `npm run calibrate`. */
export interface Counted {
  /** That the frames were drawn with. */
  seed: number;
  frames: number;
  /** Traits say in part the same: each counts by less than one. */
  weights: { readonly [T in Trait]?: number };
  /** How many of the frames of a cause showed each value. */
  counts: { readonly [cause: string]: { readonly [T in Trait]?: { readonly [value: string]: number } } };
}

export const COUNTED = counted as Counted;

/** So many counted frames speak as loudly as the handbook at its firmest. */
const SPEAKS = 30;
/** A value that nobody ever saw is rare, not impossible. */
const RARE = 0.5;
const USUAL_WEIGHT = 0.6;

/**
 * How likely a value of a trait is where a cause is at work: the handbook's word and what was counted, together.
 *
 * @returns 0 … 1; over the values of a trait the sum is 1
 */
export function likelihood(cause: Cause, trait: Trait, value: string, from: Counted): number {
  const values = TRAITS[trait];
  const said = (cause.expects[trait] ?? {}) as Record<string, number>;
  const seen = from.counts[cause.code]?.[trait] ?? {};
  const seenAll = sum(Object.values(seen));
  const share = seenAll > 0 ? Math.min(1, SPEAKS / seenAll) : 0;
  const mass = (v: string) => (said[v] ?? 0) + share * (seen[v] ?? 0) + RARE;
  return mass(value) / sum(values.map(mass));
}

/** What one trait adds: its likelihood by its weight, and what physics says of it in full. */
export function traitLog(cause: Cause, trait: Trait, value: string, from: Counted): number {
  const limit = (cause.limits?.[trait] as Record<string, number> | undefined)?.[value] ?? 1;
  return weightOf(trait, from) * Math.log(likelihood(cause, trait, value, from)) + Math.log(limit);
}

/** Weight of a trait in the sum. */
function weightOf(trait: Trait, from: Counted): number {
  return from.weights[trait] ?? USUAL_WEIGHT;
}

/** Logarithm of how likely all that is known is, each trait by its weight. */
export function logLikelihood(cause: Cause, evidence: Evidence, from: Counted): number {
  const all = Object.entries(evidence) as [Trait, string][];
  return sum(
    all.filter(([trait]) => counts(cause, trait, evidence)).map(([trait, value]) => traitLog(cause, trait, value, from)),
  );
}

/**
 * Whether a trait counts for a cause. On a known side in a known season colder or warmer and loss or gain are one fact: it
 * counts once, as what the cause is known by.
 */
export function counts(cause: Cause, trait: Trait, evidence: Evidence): boolean {
  return trait === countedAs(cause, trait, evidence);
}

/** The trait as which a fact counts for a cause. */
export function countedAs(cause: Cause, trait: Trait, evidence: Evidence): Trait {
  if (trait !== 'tone' && trait !== 'sign') return trait;
  if (evidence.tone === undefined || evidence.sign === undefined) return trait;
  return cause.expects.tone !== undefined ? 'tone' : 'sign';
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}
