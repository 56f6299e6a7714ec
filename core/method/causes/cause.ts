import type { CheckCode, Outcome } from './checks';
import type { Circumstance } from './circumstances';
import type { Trait, TraitValue } from './evidence';

/**
 * One thing that a candidate may be. All of it is data that a person can read and correct:
 * the sum of `expects` says how firmly the handbook's word stands beside what was counted on simulated frames.
 */
export interface Cause {
  /** As the command line names it. */
  code: string;
  /** In plain words, as a heading. */
  name: string;
  /** What is going on, in one sentence. */
  gloss: string;
  /** Nothing to mend. */
  harmless: boolean;
  /** How often it is met beside the others before anything is looked at. */
  prior: number;
  /** How many of so many such places show each value of a trait; what is not named is rare. */
  expects: { readonly [T in Trait]?: { readonly [V in TraitValue<T>]?: number } };
  /** What physics hardly allows it: how many times less likely such a value makes it. */
  limits?: { readonly [T in Trait]?: { readonly [V in TraitValue<T>]?: number } };
  /** What it usually shows, as the second half of a sentence that speaks against it. */
  usually: { readonly [T in Trait]?: string };
  /** How many times likelier a circumstance makes it (below 1: less likely). */
  odds?: { readonly [C in Circumstance]?: number };
  /** How often each outcome of a check comes if this is the cause; checks that are not named come out as they do for anything. */
  checks: { readonly [C in CheckCode]?: { readonly [O in Outcome<C>]?: number } };
}
