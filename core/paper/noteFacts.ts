import { roundOf, stopRowOf } from '../work/round/round';
import * as format from '../ground/format';
import type { DisplayUnit } from '../ground/temperature';
import { localTime } from '../ground/localTime';
import { siteOf } from '../work/visit/theVisit';
import type { VisitDocument } from '../model/document';
import type { Fact } from './fact';

/** What was noted, spoken and probed on the round, stop by stop, with its time. */
export function noteFacts(document: VisitDocument, unit: DisplayUnit): Fact[] {
  const { timeZone } = siteOf(document);
  const recordings = Object.values(document.rows.recording);
  return roundOf(document).groups.flatMap(({ name, stops }) =>
    stops.flatMap(({ key, title }): Fact[] => {
      const { note, probes, answeredAt } = stopRowOf(document, key).value;
      const at = answeredAt === null ? '' : ` (${localTime(answeredAt, timeZone)})`;
      const spoken = recordings.filter(({ value }) => value.stopKey === key);
      const words = [
        ...(note ? [`“${note}”${at}`] : []),
        ...probes.map((probe) => `${format.temperature(probe.celsius, unit)} by ${probe.with.toLowerCase()}`),
        ...spoken.map(({ value }) => `spoken note of ${Math.round(value.seconds)} s (${localTime(value.takenAt, timeZone)})`),
      ];
      return words.length === 0 ? [] : [{ label: `${name}, ${title.toLowerCase()}`, value: words.join('; ') }];
    }),
  );
}
