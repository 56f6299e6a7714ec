import type { VisitDocument } from '../model/document';
import * as format from '../ground/format';
import type { DisplayUnit } from '../ground/temperature';
import { isPractice } from '../work/visit/practice';
import { onlyRow, siteOf } from '../work/visit/theVisit';
import { householderLetter } from './householderLetter';

/** What a week of weather says of a visit's hours. */
export interface LetterWeek {
  season: 'heated' | 'cooled';
  /** Its best hours, the best first; ms since 1970. */
  slots: readonly { from: number; to: number }[];
  /** Which weather that is, in words. */
  weather: string;
}

/**
 * The letter as it follows from the visit. An hour is proposed by weather or typed; without either it names none.
 *
 * @param week - null where there is no weather
 */
export function letterOf(document: VisitDocument, week: LetterWeek | null, unit: DisplayUnit): string {
  const { insideC, season, slot: settled } = onlyRow(document, 'plan').value;
  const { kind, people, ownHome } = onlyRow(document, 'intake').value;
  const site = siteOf(document);
  const slot = settled ?? week?.slots[0] ?? null;
  return householderLetter({
    siteName: site.name,
    kind,
    slot: slot && { from: slot.from, to: slot.to },
    timeZone: site.timeZone,
    inside: insideC === null ? null : format.temperature(insideC, unit, 0),
    season: week?.season ?? (season === 'cooled' ? 'cooled' : 'heated'),
    people,
    ownHome,
    outdoors: site.facades.length > 0,
    // An hour that is none of the board's was typed.
    weather: week && slot && week.slots.some(({ from, to }) => from === slot.from && to === slot.to) ? week.weather : null,
    practice: isPractice(document),
  });
}
