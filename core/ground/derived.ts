/**
 * What follows from parts of a document, computed once for as long as none of these parts changes. Rows are never changed in
 * place, so that it is enough to ask whether they are the same objects.
 *
 * @param parts - what it follows from; the first is an object that each document has its own of
 * @param make - the computation, which reads nothing else
 */
export function derived<D, T>(
  parts: (document: D) => readonly [object, ...unknown[]],
  make: (document: D) => T,
): (document: D) => T {
  const known = new WeakMap<object, { parts: readonly unknown[]; value: T }>();
  return (document) => {
    const now = parts(document);
    const before = known.get(now[0]);
    if (before && before.parts.every((part, i) => part === now[i])) return before.value;
    const value = make(document);
    known.set(now[0], { parts: now, value });
    return value;
  };
}

/**
 * What follows from one object among many, computed once for as long as all that it follows from is the same.
 *
 * @returns asks with the object, the parts that its value follows from, and the computation
 */
export function remembered<T>(): (of: object, parts: readonly unknown[], make: () => T) => T {
  const known = new WeakMap<object, { parts: readonly unknown[]; value: T }>();
  return (of, parts, make) => {
    const before = known.get(of);
    if (before && before.parts.every((part, i) => part === parts[i])) return before.value;
    const value = make();
    known.set(of, { parts, value });
    return value;
  };
}

/** Rows by one of their fields, in the order in which they come. */
export function groupedBy<R>(rows: Iterable<R>, keyOf: (row: R) => string): Map<string, R[]> {
  const groups = new Map<string, R[]>();
  for (const row of rows) {
    const key = keyOf(row);
    const group = groups.get(key);
    if (group) group.push(row);
    else groups.set(key, [row]);
  }
  return groups;
}
