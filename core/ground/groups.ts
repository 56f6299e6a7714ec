import { groupedBy } from './derived';

interface Change {
  /** The record before; held weakly, so that no chain of all earlier ones is kept. */
  from: WeakRef<object>;
  ids: readonly string[];
}

/** How records of rows came about. */
const changes = new WeakMap<object, Change>();

/** Says that a record is an earlier one in which only these rows changed, came or went: so groups need not be made anew. */
export function changedFrom(record: object, from: object, ids: readonly string[]): void {
  changes.set(record, { from: new WeakRef(from), ids });
}

type Groups<R> = ReadonlyMap<string, readonly R[]>;

/**
 * Rows of a record by what they hang on, made once for each record. Where it is known how a record came about, only the
 * groups of rows that changed are others: the rest stay the same lists. Rows stand in no particular order in their group.
 */
export function groupsOf<R extends { id: string }>(
  keyOf: (row: R) => string,
): (record: Readonly<Record<string, R>>) => Groups<R> {
  const known = new WeakMap<object, Groups<R>>();
  const fromEarlier = (record: Readonly<Record<string, R>>): Groups<R> | null => {
    const change = changes.get(record);
    const earlier = change?.from.deref() as Readonly<Record<string, R>> | undefined;
    const before = earlier && known.get(earlier);
    if (!change || !before) return null;
    const groups = new Map(before);
    for (const id of change.ids) {
      const [was, is] = [earlier[id], record[id]];
      if (was) withGroup(groups, keyOf(was), (rows) => rows.filter((row) => row.id !== id));
      if (is) withGroup(groups, keyOf(is), (rows) => [...rows, is]);
    }
    return groups;
  };
  return (record) => {
    const groups = known.get(record) ?? fromEarlier(record) ?? groupedBy(Object.values(record), keyOf);
    known.set(record, groups);
    return groups;
  };
}

function withGroup<R>(groups: Map<string, readonly R[]>, key: string, change: (rows: readonly R[]) => readonly R[]): void {
  const rows = change(groups.get(key) ?? []);
  if (rows.length > 0) groups.set(key, rows);
  else groups.delete(key);
}
