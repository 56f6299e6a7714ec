import { and, eq, inArray } from 'drizzle-orm';
import type { Kept } from '@core/paper/kept';
import type { Asking } from '../asking';
import { kept } from '../schema';

/** The result that is kept under a key; null where there is none. */
export async function keptResult({ db }: Asking, kind: keyof Kept, key: string): Promise<Kept[keyof Kept] | null> {
  const [row] = await db
    .select()
    .from(kept)
    .where(and(eq(kept.key, key), eq(kept.kind, kind)));
  return row?.value ?? null;
}

/** Results that are kept under keys; a key without one is left out. */
export async function keptResults({ db }: Asking, keys: readonly string[]): Promise<Map<string, Kept[keyof Kept]>> {
  if (keys.length === 0) return new Map();
  const rows = await db
    .select()
    .from(kept)
    .where(inArray(kept.key, [...keys]));
  return new Map(rows.map((row) => [row.key, row.value]));
}

/** Keeps a result; who was faster has kept the same. */
export async function keepResult<K extends keyof Kept>({ db }: Asking, kind: K, key: string, value: Kept[K]): Promise<void> {
  await db.insert(kept).ignore().values({ kind, key, value });
}
