import * as format from '../units/format';
import type { DisplayUnit } from '../units/temperature';
import { conditionsOf } from '../visit/theVisit';
import type { VisitDocument } from '../document';
import type { Fact } from './fact';

/** What the weather and the house were like, with what was not noted. */
export function conditionFacts(document: VisitDocument, unit: DisplayUnit): Fact[] {
  const c = conditionsOf(document)?.value;
  const facts: [string, string | null][] = [
    ['Air inside', nullable(c?.insideC, (v) => format.temperature(v, unit))],
    ['Air outside', nullable(c?.outsideC, (v) => format.temperature(v, unit))],
    [
      'Difference',
      c && c.insideC !== null && c.outsideC !== null ? format.difference(Math.abs(c.insideC - c.outsideC), unit) : null,
    ],
    ['Humidity inside', nullable(c?.humidityPct, (v) => `${format.number(v, 0)} %`)],
    ['Wind', nullable(c?.windMs, (v) => `${format.number(v, 1)} m/s`)],
    ['Last sun on a wall', nullable(c?.sunHours, (v) => `${v} h before`)],
    ['Last rain', nullable(c?.rainHours, (v) => `${v} h before`)],
  ];
  return facts.map(([label, value]) => ({ label, value: value ?? 'not noted' }));
}

function nullable(value: number | null | undefined, show: (value: number) => string): string | null {
  return value === null || value === undefined ? null : show(value);
}
