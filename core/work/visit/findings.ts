import { groupsOf } from '../../ground/groups';
import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';

/** Whether a finding rests on a frame that was taken out of evidence: an upgrade does that, people cannot. */
const isTakenOut = ({ rows }: VisitDocument, { value }: Row<'finding'>) =>
  rows.frame[value.frameId ?? '']?.value.discarded === true;

/** Findings that rested on frames of an invented room, and so count nowhere. */
export function findingsTakenOut(document: VisitDocument): number {
  return Object.values(document.rows.finding).filter((row) => isTakenOut(document, row)).length;
}

/** Findings in the order in which they were recorded. */
export function orderedFindings(document: VisitDocument): Row<'finding'>[] {
  const time = (row: Row<'finding'>) => document.recordedAt[row.id] ?? '9';
  const counting = Object.values(document.rows.finding).filter((row) => !isTakenOut(document, row));
  return counting.sort((a, b) => time(a).localeCompare(time(b)) || a.id.localeCompare(b.id));
}

/** Findings that were recorded at a stop, or on a frame that was taken there. */
export function findingsAt(document: VisitDocument, stopKey: string): Row<'finding'>[] {
  return orderedFindings(document).filter(
    ({ value }) => value.stopKey === stopKey || document.rows.frame[value.frameId ?? '']?.value.stopKey === stopKey,
  );
}

const byFinding = groupsOf<Row<'exhibit'>>(({ value }) => value.findingId);

/** Further pictures of a finding, the oldest first. */
export function exhibitsOf({ rows }: VisitDocument, findingId: string): Row<'exhibit'>[] {
  const own = byFinding(rows.exhibit).get(findingId) ?? [];
  return own.toSorted((a, b) => a.value.addedAt - b.value.addedAt || a.id.localeCompare(b.id));
}

/** Findings that show one of these frames or compare with it: a frame is not taken back under them. */
export function findingsOn(document: VisitDocument, frameIds: ReadonlySet<string>): Row<'finding'>[] {
  const { region } = document.rows;
  const shows = ({ frameId, thatRegionId }: { frameId: string | null; thatRegionId: string | null }) =>
    [frameId, region[thatRegionId ?? '']?.value.frameId].some((id) => id && frameIds.has(id));
  return orderedFindings(document).filter(
    ({ id, value }) => shows(value) || exhibitsOf(document, id).some((exhibit) => shows(exhibit.value)),
  );
}

/** What is still to do, in the order in which it was recorded. */
export function openFindings(document: VisitDocument): Row<'finding'>[] {
  return orderedFindings(document).filter(
    ({ value: { state, basis, tried } }) => state === 'open' && basis !== 'nothing' && !tried,
  );
}

/** What the open fixes take together: metres by material; null metres where only the material is named. */
export function shoppingList(document: VisitDocument): { material: string; lengthM: number | null }[] {
  const metres = new Map<string, number | null>();
  for (const { value } of openFindings(document)) {
    if (value.material === '' && value.lengthM === null) continue;
    const material = value.material || 'material not named';
    const before = metres.get(material) ?? null;
    metres.set(material, value.lengthM === null ? before : (before ?? 0) + value.lengthM);
  }
  return [...metres].map(([material, lengthM]) => ({ material, lengthM }));
}
