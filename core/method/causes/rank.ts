import type { Cause } from './cause';
import { CHECKS, type CheckCode } from './checks';
import type { Circumstance } from './circumstances';
import type { Evidence, Trait } from './evidence';
import { COUNTED, countedAs, counts, logLikelihood, traitLog, type Counted } from './likelihood';
import { CAUSES } from './registry';

/** A check that was made, and what it showed. */
export interface CheckOutcome {
  check: CheckCode;
  outcome: string;
}

/** Something that speaks for or against a cause: by how much, as the logarithm of odds against the other causes. */
export type Argument =
  | { kind: 'trait'; trait: Trait; value: string; weight: number }
  | { kind: 'circumstance'; circumstance: Circumstance; weight: number }
  | { kind: 'check'; check: CheckCode; outcome: string; weight: number };

/** A cause with its share of belief and what speaks for and against it, the strongest first. */
export interface RankedCause {
  cause: Cause;
  /** 0 … 1; over all causes the sum is 1. */
  score: number;
  for: Argument[];
  against: Argument[];
}

/** Everything that is known of a candidate. */
export interface Known {
  evidence: Evidence;
  circumstances: readonly Circumstance[];
  outcomes: readonly CheckOutcome[];
}

/**
 * Ranks what a candidate may be, by Bayes: how often each cause is met, times how likely what is known would be with it.
 *
 * @returns all causes, the likeliest first; none is ever certain
 */
export function rankCauses(
  { circumstances, ...given }: Known,
  causes: readonly Cause[] = CAUSES,
  from: Counted = COUNTED,
): RankedCause[] {
  // A check that was made says itself what a frame had told before: one fact counts once.
  const known: Known = { ...given, circumstances: circumstances.filter((one) => !isAnswered(one, given.outcomes)) };
  const logs = causes.map((cause) => logOdds(cause, known, from));
  const most = Math.max(...logs);
  const masses = logs.map((log) => Math.exp(log - most));
  const total = masses.reduce((sum, mass) => sum + mass, 0);
  const believed = causes.map((cause, i) => ({ cause, score: masses[i]! / total }));
  const hasUnknown = causes.some(({ code }) => code === 'unknown');
  const ranked = believed.map(({ cause, score }) => ({
    cause,
    score: hasUnknown ? (1 - UNFORESEEN) * score + (cause.code === 'unknown' ? UNFORESEEN : 0) : score,
  }));
  return ranked
    .map(({ cause, score }) => ({ cause, score, ...argumentsFor(cause, ranked, known, from) }))
    .sort((a, b) => b.score - a.score);
}

/** What frames can tell by themselves, and the check that would tell the same. */
export const ANSWERS: { readonly [C in Circumstance]?: CheckCode } = {
  'moved-between-frames': 'aside',
  'stayed-between-frames': 'aside',
  'other-side-agrees': 'other-side',
  'other-side-differs': 'other-side',
};

function isAnswered(circumstance: Circumstance, outcomes: readonly CheckOutcome[]): boolean {
  const check = ANSWERS[circumstance];
  return check !== undefined && outcomes.some((made) => made.check === check);
}

/** Nothing is certain from pictures: so much belief stays with what nobody thought of. */
const UNFORESEEN = 0.03;

function logOdds(cause: Cause, { evidence, circumstances, outcomes }: Known, from: Counted): number {
  let log = Math.log(cause.prior) + logLikelihood(cause, evidence, from);
  for (const circumstance of circumstances) log += Math.log(cause.odds?.[circumstance] ?? 1);
  for (const { check, outcome } of outcomes) log += Math.log(outcomeChance(cause, check, outcome));
  return log;
}

/** How often a check comes out so where a cause is at work, 0 … 1. */
export function outcomeChance(cause: Cause, check: CheckCode, outcome: string): number {
  const own = cause.checks[check] as Record<string, number> | undefined;
  return (own ?? (CHECKS[check].otherwise as Record<string, number>))[outcome] ?? LEAST_CHANCE;
}

const LEAST_CHANCE = 0.02;
/** What moves the odds by less is not worth a sentence: a factor of 1.25. */
const WORTH = Math.log(1.25);

/** What speaks for a cause and against it, held against the others as far as they are still believed. */
function argumentsFor(
  cause: Cause,
  ranked: readonly { cause: Cause; score: number }[],
  { evidence, circumstances, outcomes }: Known,
  from: Counted,
): Pick<RankedCause, 'for' | 'against'> {
  const others = ranked.filter((other) => other.cause !== cause);
  const against = (chance: (cause: Cause) => number) => {
    let mass = 0;
    let total = 0;
    for (const other of others) {
      // The unlikely ones count a little too: what would rule out a cause nobody thinks of is still an argument.
      const belief = other.score + LEAST_BELIEF;
      mass += belief * chance(other.cause);
      total += belief;
    }
    return Math.log(chance(cause)) - Math.log(mass / total);
  };
  const all: Argument[] = [
    ...(Object.entries(evidence) as [Trait, string][])
      .filter(([trait]) => counts(cause, trait, evidence))
      .map(([trait, value]) => ({
        kind: 'trait' as const,
        trait,
        value,
        weight: against((one) => {
          const counted = countedAs(one, trait, evidence);
          return Math.exp(traitLog(one, counted, evidence[counted]!, from));
        }),
      })),
    ...circumstances.map((circumstance) => ({
      kind: 'circumstance' as const,
      circumstance,
      weight: against((one) => one.odds?.[circumstance] ?? 1),
    })),
    ...outcomes.map(({ check, outcome }) => ({
      kind: 'check' as const,
      check,
      outcome,
      weight: against((one) => outcomeChance(one, check, outcome)),
    })),
  ];
  const byWeight = [...all].sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
  return {
    for: byWeight.filter(({ weight }) => weight >= WORTH),
    against: byWeight.filter(({ weight }) => weight <= -WORTH),
  };
}

const LEAST_BELIEF = 0.01;
