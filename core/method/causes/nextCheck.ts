import type { Cause } from './cause';
import { CHECKS, type Check, type CheckCode } from './checks';
import type { Side } from '../../ground/side';
import type { Circumstance } from './circumstances';
import { ANSWERS, outcomeChance, type CheckOutcome, type RankedCause } from './rank';

/** A check with what each outcome would mean before it is made. */
export interface OfferedCheck {
  code: CheckCode;
  check: Check;
  /** Expected gain, bits. */
  bits: number;
  outcomes: {
    outcome: string;
    words: string;
    /** How likely it is to come. */
    chance: number;
    /** The likeliest cause after it, and how far it is believed then. */
    then: { cause: Cause; score: number };
  }[];
}

/** What can be done here. */
export interface Possible {
  side: Side;
  /** Tools that were packed; null where nobody made a list: then all are. */
  tools: ReadonlySet<string> | null;
  /** Whether a loft can be looked into from here. */
  loft: boolean;
  made: readonly CheckOutcome[];
  /** What frames have told already. */
  told: readonly Circumstance[];
}

/** A check of a minute is worth as many bits as one of a day is worth this many more. */
const PER_DECADE = 0.22;
/** What has to be opened is the last thing to do. */
const OPENED = 0.25;
/** Less is no reason to do anything, bits. */
const WORTH_BITS = 0.02;

/**
 * The checks that are possible here, the one first that would settle most for its time.
 *
 * Information is the expected fall of the entropy of the ranking (Lindley 1956).
 */
export function offeredChecks(ranked: readonly RankedCause[], possible: Possible): OfferedCheck[] {
  const before = entropy(ranked.map(({ score }) => score));
  const offers = (Object.entries(CHECKS) as [CheckCode, Check][])
    .filter(([code, check]) => isPossible(code, check, possible))
    .map(([code, check]): OfferedCheck => {
      let bits = before;
      const outcomes = Object.entries(check.outcomes).map(([outcome, words]) => {
        const masses = ranked.map(({ cause, score }) => score * outcomeChance(cause, code, outcome));
        const chance = masses.reduce((sum, mass) => sum + mass, 0);
        const after = masses.map((mass) => mass / chance);
        bits -= chance * entropy(after);
        const best = after.indexOf(Math.max(...after));
        return { outcome, words, chance, then: { cause: ranked[best]!.cause, score: after[best]! } };
      });
      return { code, check, bits, outcomes };
    });
  const worth = ({ bits, check }: OfferedCheck) =>
    (bits * (check.licensed ? OPENED : 1)) / (1 + PER_DECADE * Math.log10(check.minutes));
  return offers.filter(({ bits }) => bits >= WORTH_BITS).sort((a, b) => worth(b) - worth(a));
}

function isPossible(code: CheckCode, check: Check, { side, tools, loft, made, told }: Possible): boolean {
  if (made.some((done) => done.check === code)) return false;
  if (told.some((circumstance) => ANSWERS[circumstance] === code)) return false;
  // In a loft or a garage most of what can be done indoors can be done.
  if (check.from !== 'both' && (check.from === 'outside') !== (side === 'outside')) return false;
  if (code === 'loft' && !loft) return false;
  return check.tool === null || tools === null || tools.has(check.tool);
}

function entropy(shares: readonly number[]): number {
  return -shares.reduce((sum, share) => (share > 0 ? sum + share * Math.log2(share) : sum), 0);
}
