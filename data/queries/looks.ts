import { inArray } from 'drizzle-orm';
import type { FrameLook } from '@core/work/findings/seen';
import type { Asking } from '../asking';
import { look } from '../schema';

/** Keys that are asked for in one statement. */
const AT_ONCE = 200;

/** Looks that are kept under keys; a key without one is left out. */
export async function keptLooks({ db }: Asking, keys: readonly string[]): Promise<Map<string, FrameLook>> {
  const found = new Map<string, FrameLook>();
  for (let from = 0; from < keys.length; from += AT_ONCE) {
    const rows = await db
      .select()
      .from(look)
      .where(inArray(look.key, keys.slice(from, from + AT_ONCE)));
    for (const row of rows) found.set(row.key, row.found);
  }
  return found;
}

/** Keeps a look; who was faster has kept the same. */
export async function keepLook({ db }: Asking, key: string, found: FrameLook): Promise<void> {
  await db.insert(look).ignore().values({ key, found });
}
