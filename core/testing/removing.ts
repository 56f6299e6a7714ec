import type { VisitDocument } from '../model/document';
import type { Entity } from '../model/entities';
import { changesOf, questionOf, removalOf } from '../model/removal';
import { calledOf } from '../model/removalWords';
import { papersIn } from './papersOf';

/** What people remove in the interface. A frame and a finding are always asked for, and go with their own words. */
export const REMOVED = [
  'region',
  'frame',
  'photo',
  'finding',
  'exhibit',
  'service',
  'surface',
  'room',
  'pipe',
  'floorTrace',
  'boilerCard',
] as const;

function without(document: VisitDocument, changes: ReturnType<typeof changesOf>): VisitDocument {
  const rows = structuredClone(document.rows) as unknown as Record<Entity, Record<string, { value: unknown }>>;
  for (const { entity, rowId, value } of changes) {
    if (value === null) delete rows[entity][rowId];
    else rows[entity][rowId] = { ...rows[entity][rowId]!, value };
  }
  return { ...document, rows: rows as unknown as VisitDocument['rows'] };
}

type Pixels = (frameId: string) => Float32Array | undefined;

/** Each text of all papers, and how often it is printed. The proof there is of another visit; what it rests on cannot be removed. */
export function printedIn(document: VisitDocument, pixels: Pixels): Map<string, number> {
  const counts = new Map<string, number>();
  for (const sheets of papersIn(document, pixels, false).values())
    for (const text of sheets.flat().map(unnumbered)) counts.set(text, (counts.get(text) ?? 0) + 1);
  return counts;
}

/** Numbers of lines, how many stops there are, and how far valves are opened for a start follow from all that is there. */
const unnumbered = (text: string): string =>
  text
    .replaceAll(/(^|\| )\d+(\s*[⅛¼⅜½⅝¾⅞])?(?= \||$)/g, '$1#')
    .replace(/^\d+ /, '# ')
    .replace(/of \d+ stops/, 'of stops');

/**
 * Removes a row as the interface does, and compares all papers before and after.
 *
 * @param before - what is printed before it
 * @returns null where the removal is refused; `asked`, whether the question named anything; `problem`, what was lost unnamed
 */
export function removing(
  document: VisitDocument,
  entity: (typeof REMOVED)[number],
  rowId: string,
  before: ReadonlyMap<string, number>,
  pixels: Pixels,
): { asked: boolean; problem: string | null } | null {
  const within = (['service', 'surface'] as const).flatMap((kind) =>
    Object.values(document.rows[kind])
      .filter(({ value }) => entity === 'room' && value.roomId === rowId)
      .map(({ id }) => ({ entity: kind, rowId: id })),
  );
  const targets = [...within, { entity, rowId }];
  const removal = removalOf(document, targets);
  const question = questionOf(removal, targets);
  if (question.refused) return null;
  const asked = question.goes !== null || question.without !== null;
  const after = printedIn(without(document, changesOf(removal)), pixels);
  const lost = [...before].filter(([text, n]) => (after.get(text) ?? 0) < n).map(([text]) => text);
  const others = othersLost(document, [...removal.goes, ...removal.forgets, ...removal.dangling], lost);
  if (others.length > 0) return { asked, problem: `${entity}: ${JSON.stringify(question)} lost of ${JSON.stringify(others)}` };
  const unnamed = lost.filter((text) => !allowed(text, ownNames(document, entity, rowId), entity, question));
  if (unnamed.length === 0) return { asked, problem: null };
  return { asked, problem: `${entity} ${rowId}: ${JSON.stringify(question)} lost ${JSON.stringify(unnamed.slice(0, 6))}` };
}

/** How a row is called on paper: what stands in a room by that, too. */
function ownNames(document: VisitDocument, entity: Entity, rowId: string): string[] {
  const { value } = (document.rows as unknown as Record<Entity, Record<string, { value: object }>>)[entity][rowId]!;
  const room = entity === 'service' ? document.rows.room[(value as { roomId: string | null }).roomId ?? ''] : undefined;
  return [calledOf(value), room?.value.name ?? null].filter((name) => name !== null);
}

/** Whether the loss of a text is told: it is of what was chosen itself, or something was named that it may hang on. */
function allowed(
  text: string,
  names: readonly string[],
  entity: Entity,
  question: { goes: string | null; without: string | null },
): boolean {
  if (question.goes !== null || question.without !== null) return true;
  return (
    names.some((name) => text.includes(name)) ||
    (['finding', 'pipe', 'floorTrace', 'boilerCard', 'exhibit'] as Entity[]).includes(entity)
  );
}

/** Names of rows that stay, were not named, and of which a text with their name is printed less often. */
function othersLost(
  document: VisitDocument,
  named: readonly { row: { id: string; value: object } }[],
  lost: readonly string[],
): string[] {
  const known = new Set(named.map(({ row }) => row.id));
  const namedNames = named.map(({ row }) => calledOf(row.value)).filter((one) => one !== null);
  // Those that have sheets or lines of their own; names of places stand in lines of what was removed as well.
  return (['finding', 'pipe', 'floorTrace', 'boilerCard'] as const)
    .flatMap((kind) => Object.values(document.rows[kind] as Record<string, { id: string; value: object }>))
    .filter(({ id, value }) => !known.has(id) && !known.has((value as { frameId?: string }).frameId ?? ''))
    .map(({ value }) => calledOf(value))
    .filter((name) => name !== null && name.length > 4 && !namedNames.some((one) => one.includes(name) || name.includes(one)))
    .filter((name) => lost.some((text) => text.includes(name!) && !namedNames.some((one) => text.includes(one)))) as string[];
}
