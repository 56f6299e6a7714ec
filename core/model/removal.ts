import type { Entity, Row, Values } from './entities';
import { ENTITIES } from './entities';
import { entityOf, parentOf } from './entityOf';
import { forgetting, namedIn } from './reference';
import type { StopValue } from './stopRow';
import { calledOf, removalQuestion, type Called, type RemovalQuestion } from './removalWords';

/** Rows by kind and id, as far as somebody holds them. */
export interface Holding {
  rows: { [E in Entity]?: Record<string, Row<E>> };
}

/** A row of some kind. */
export interface Held {
  entity: Entity;
  row: Row<Entity>;
}

/** A row that names something that is to go, and the field in which it does. */
export interface Naming extends Held {
  field: string;
}

/** What follows from removing some rows. */
export interface Removal {
  /** All that goes, what hangs on others first: the rows themselves, what hangs on them, what says nothing without them. */
  goes: Held[];
  /** Rows that stay, and what is left of their values. */
  forgets: (Naming & { value: Values[Entity] })[];
  /** Rows that stay as they are and point nowhere. */
  dangling: Naming[];
  /** Rows that must not lose what they name: nothing can be removed while there are any. */
  refused: Naming[];
}

/**
 * All that follows from removing some rows, among the rows that are held. The same rules hold in the database
 * (`data/rows/remove.ts`), for what nobody holds.
 *
 * @param targets - rows that are to be removed
 */
export function removalOf(held: Holding, targets: readonly { entity: Entity; rowId: string }[]): Removal {
  const gone = new Set(targets.map(({ entity, rowId }) => `${entity} ${rowId}`));
  const isGone = (kind: string, id: string) => gone.has(`${kind} ${id}`);
  const all = ENTITIES.flatMap(({ name, schema }) =>
    Object.values((held.rows[name] ?? {}) as Record<string, Row<Entity>>).map((row) => {
      const parent = parentOf(name, row.value as unknown as Record<string, unknown>);
      return { entity: name as Entity, row, parent, named: namedIn(schema, row.value) };
    }),
  );
  // What goes along may take others along in turn.
  for (let before = -1; before !== gone.size;) {
    before = gone.size;
    for (const { entity, row, parent, named } of all) {
      const along =
        (parent && isGone(parent.kind, parent.id)) || named.some((one) => one.whenGone === 'cascade' && isGone(one.kind, one.id));
      if (along) gone.add(`${entity} ${row.id}`);
    }
  }
  const places = all.filter(({ entity, row }) => isGone(entity, row.id)).flatMap(({ row }) => [row.id, ...idsWithin(row.value)]);
  const removal: Removal = { goes: [], forgets: [], dangling: [], refused: [] };
  for (const { entity, row, named } of all) {
    if (isGone(entity, row.id)) {
      removal.goes.unshift({ entity, row });
      continue;
    }
    // The keys of stops name what they stand at: a room, a wall, an opening in it.
    if (entity === 'stop' && isAnswered(row.value as StopValue) && places.some((id) => (row.value as StopValue).key.includes(id)))
      removal.dangling.push({ entity, row, field: 'key' });
    for (const field of new Set(named.filter((one) => isGone(one.kind, one.id)).map((one) => one.field))) {
      const [{ whenGone } = { whenGone: 'stays' }] = named.filter((one) => one.field === field && isGone(one.kind, one.id));
      const naming = { entity, row, field };
      if (whenGone === 'refuse') removal.refused.push(naming);
      else if (whenGone === 'stays') removal.dangling.push(naming);
      else removal.forgets.push({ ...naming, value: forgetting(entityOf(entity).schema, row.value, isGone) });
    }
  }
  return removal;
}

/** Ids of parts that lie in a value, such as the openings of a wall. */
function idsWithin(value: unknown): string[] {
  if (typeof value !== 'object' || value === null) return [];
  const own = 'id' in value && typeof value.id === 'string' ? [value.id] : [];
  return [...own, ...Object.values(value).flatMap(idsWithin)];
}

/** Whether something was said at a stop: what was not answered loses nothing. */
const isAnswered = ({ answer, note, probes }: StopValue): boolean => answer !== null || note !== '' || probes.length > 0;

/** Changes of rows that carry a removal out, so that one step of undo brings back all of it. */
export function changesOf({ forgets, goes }: Removal): { entity: Entity; rowId: string; value: Values[Entity] | null }[] {
  return [
    ...forgets.map(({ entity, row, value }) => ({ entity, rowId: row.id, value })),
    ...goes.map(({ entity, row }) => ({ entity, rowId: row.id, value: null })),
  ];
}

/** What people are asked before a removal that touches more than what they chose. */
export function questionOf(removal: Removal, targets: readonly { rowId: string }[]): RemovalQuestion {
  const chosen = new Set(targets.map(({ rowId }) => rowId));
  const called = (rows: readonly Held[]): Called[] =>
    [...new Map(rows.map((one) => [one.row.id, one])).values()].map(({ entity, row }) => ({
      entity,
      called: calledOf(row.value),
    }));
  return removalQuestion({
    refused: called(removal.refused),
    goes: called(removal.goes.filter(({ row }) => !chosen.has(row.id))),
    without: called([...removal.forgets, ...removal.dangling]),
  });
}
