import { USUAL } from '../ground/usual';
import * as format from '../ground/format';
import type { DisplayUnit } from '../ground/temperature';
import { conditionsOf } from '../work/visit/theVisit';
import type { VisitDocument } from '../model/document';
import type { Fact } from './fact';

/** What the weather and the house were like, with what was not noted, and what the verdict took for it. */
export function conditionFacts(document: VisitDocument, unit: DisplayUnit): Fact[] {
  const c = conditionsOf(document)?.value;
  // Without the air on both sides nothing is judged, and nothing is taken for granted.
  const judged = c !== undefined && c.insideC !== null && c.outsideC !== null;
  const taken = (words: string) => (judged ? `not noted (taken as ${words})` : null);
  const facts: [string, string | null][] = [
    ['Air inside', nullable(c?.insideC, (v) => format.temperature(v, unit))],
    ['Air outside', nullable(c?.outsideC, (v) => format.temperature(v, unit))],
    [
      'Difference',
      c && c.insideC !== null && c.outsideC !== null ? format.difference(Math.abs(c.insideC - c.outsideC), unit) : null,
    ],
    ['Humidity inside', nullable(c?.humidityPct, percent)],
    ['Wind', nullable(c?.windMs, metresASecond) ?? taken(metresASecond(USUAL.windMs))],
    ['Cloud', nullable(c?.cloudPct, percent) ?? taken(percent(USUAL.cloudPct))],
    ['Last sun on a wall', nullable(c?.sunHours, (v) => `${v} h before`)],
    [
      'Last rain',
      nullable(
        c?.rainHours,
        (v) => `${v} h before${judged ? ` (drying since then taken as at ${percent(USUAL.outsideHumidityPct)} humidity)` : ''}`,
      ),
    ],
  ];
  return facts.map(([label, value]) => ({ label, value: value ?? 'not noted' }));
}

const metresASecond = (value: number) => `${format.number(value, 1)} m/s`;
const percent = (value: number) => `${format.number(value, 0)} %`;

function nullable(value: number | null | undefined, show: (value: number) => string): string | null {
  return value === null || value === undefined ? null : show(value);
}
