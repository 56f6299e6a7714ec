import { knownOf, type Argued } from '../model/arguedRow';
import { CHECKS } from '../method/causes/checks';
import { offeredChecks } from '../method/causes/nextCheck';
import { rankCauses } from '../method/causes/rank';
import { argumentSentences } from '../method/causes/words';
import { percent } from '../ground/format';
import type { DisplayUnit } from '../ground/temperature';
import type { Fact } from './fact';

/** A second cause is named from here on. */
const SECOND = 0.1;
const MOST_SENTENCES = 3;

/** What a report says of a cause that was argued: the likeliest, what speaks for and against it, what was checked and what is left to. */
export function causeFacts(argued: Argued, unit: DisplayUnit): Fact[] {
  const ranked = rankCauses(knownOf(argued));
  const [first, second] = [ranked[0]!, ranked[1]!];
  const says = (list: typeof first.for) =>
    argumentSentences(list, first.cause, argued.measured, unit, MOST_SENTENCES)
      .map(({ words }) => words)
      .join(' ');
  const checked = argued.outcomes.map(
    ({ check, outcome }) => `${CHECKS[check].name}: ${(CHECKS[check].outcomes as Record<string, string>)[outcome]}.`,
  );
  const open = offeredChecks(ranked, {
    side: argued.measured.side,
    tools: null,
    loft: true,
    made: argued.outcomes,
    told: argued.circumstances,
  })[0];
  const likely = `${first.cause.name} (${percent(first.score)})`;
  const other = second.score >= SECOND ? `; or ${second.cause.name.toLowerCase()} (${percent(second.score)})` : '';
  return [
    { label: 'Likely cause', value: `${likely}${other}. ${first.cause.gloss}` },
    ...fact('For', says(first.for)),
    ...fact('Against', says(first.against)),
    ...fact('Checked', checked.join(' ')),
    ...(open ? [{ label: 'What would settle it', value: `${open.check.name}. ${open.check.how}` }] : []),
  ];
}

/** The likeliest cause in a few words: `likeliest: missing insulation, 62 %`. */
export function likeliestWords(argued: Argued): string {
  const [first] = rankCauses(knownOf(argued));
  return `likeliest: ${first!.cause.name.toLowerCase()}, ${percent(first!.score)}`;
}

function fact(label: string, value: string): Fact[] {
  return value ? [{ label, value }] : [];
}
