/**
 * Where a value comes from. What nobody said, read or computed is assumed: a usual value stands in for it, is used, and is named
 * as that wherever it is shown or printed.
 */
export type Source = 'said' | 'file' | 'logger' | 'computed' | 'assumed';

/** A value that always is there, with where it comes from. */
export interface Known<T> {
  value: T;
  source: Source;
}

export const ASSUMED = 'assumed, as usual';

/** What was said, else what is usual. */
export function orUsual<T>(said: T | null, usual: T): Known<T> {
  return said === null ? { value: usual, source: 'assumed' } : { value: said, source: 'said' };
}

/** Words of a value, marked where nobody said it: `60 °C (assumed, as usual)`. */
export function marked(words: string, { source }: Pick<Known<unknown>, 'source'>): string {
  return source === 'assumed' ? `${words} (${ASSUMED})` : words;
}

/** A row's value in which usual values stand for what nobody said. */
export type Filled<V, K extends keyof V> = Omit<V, K> & { [P in K]: NonNullable<V[P]> } & {
  /** Fields that nobody said. */
  assumed: K[];
};

/**
 * Puts usual values where nobody said any.
 *
 * @param usual - of the fields that may stay unsaid
 */
export function filled<V extends object, K extends keyof V>(value: V, usual: { [P in K]: NonNullable<V[P]> }): Filled<V, K> {
  const assumed = (Object.keys(usual) as K[]).filter((field) => value[field] === null);
  return { ...value, ...Object.fromEntries(assumed.map((field) => [field, usual[field]])), assumed } as Filled<V, K>;
}

/** `Assumed, as usual: outer diameter 22 mm, wall 1 mm.`; empty where all was said. */
export function assumedLine(facts: readonly string[]): string {
  return facts.length === 0 ? '' : `Assumed, as usual: ${facts.join(', ')}.`;
}
