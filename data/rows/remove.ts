import { and, getTableColumns, inArray, notInArray, sql } from 'drizzle-orm';
import { ENTITIES, type Entity } from '@core/model/entities';
import { entityOf } from '@core/model/entityOf';
import { CoreError } from '@core/ground/errors';
import type { Connection } from '../connection';
import { placeIdOf, type Changed } from './changes';
import type { Places } from './places';
import { hangsOn } from './read';
import { tableOf } from './tables';

/** Stored rows by their kind. */
type Stored = Record<string, unknown> & { id: string; version: number };
type Hanging = Map<Entity, Stored[]>;

/** All kinds, those first on which nothing hangs. */
const fromLeaves = () => [...ENTITIES].reverse().map(({ name }) => name);

/** Columns that name bytes. */
function bytesColumns(entity: Entity): string[] {
  return Object.entries(getTableColumns(tableOf(entity))).flatMap(([key, column]) =>
    column.getSQLType() === 'binary(32)' ? [key] : [],
  );
}

/** These rows and everything that hangs on them: their ids, and the hashes of their bytes. */
async function withWhatHangs(connection: Connection, entity: Entity, ids: readonly string[]): Promise<Hanging> {
  const found: Hanging = new Map();
  for (const name of fromLeaves()) {
    const condition = hangsOn(connection, name, { [entity]: ids });
    if (!condition) continue;
    const table = tableOf(name);
    const columns = Object.fromEntries(['id', 'version', ...bytesColumns(name)].map((key) => [key, table[key]!]));
    const rows = (await connection.select(columns).from(table).where(condition)) as Stored[];
    if (rows.length > 0) found.set(name, rows);
  }
  return found;
}

const idsOf = (rows: readonly Stored[] | undefined) => (rows ?? []).map(({ id }) => id);

/**
 * Removes rows of one kind with everything that hangs on them; pointers from elsewhere are cleared.
 *
 * @returns all rows that are gone or were changed, and the bytes that may be needed no more
 * @throws CoreError `conflict` when something else needs one of them
 */
export async function removeRows(
  tx: Connection,
  places: Places,
  entity: Entity,
  ids: readonly string[],
): Promise<{ changed: Changed[]; bytes: string[] }> {
  const hanging = await withWhatHangs(tx, entity, ids);
  await places.learn(ids.map((id) => ({ kind: entity, id })));
  const placeId = placeIdOf(places.of(entity, ids[0]!));
  const changed: Changed[] = [];
  for (const name of fromLeaves()) {
    for (const [field, pointer] of Object.entries(entityOf(name).points)) {
      const gone = idsOf(hanging.get(pointer!.kind as Entity));
      if (gone.length === 0 || pointer!.whenGone === 'stays') continue;
      const table = tableOf(name);
      const own = idsOf(hanging.get(name));
      const points = and(inArray(table[field]!, gone), own.length > 0 ? notInArray(table.id, own) : undefined);
      const others = (await tx.select().from(table).where(points)) as Stored[];
      if (others.length === 0) continue;
      if (pointer!.whenGone === 'refuse') throw stillNeeded(pointer!.kind, name, others[0]!);
      await tx
        .update(table)
        .set({ [field]: null, version: sql`${table.version} + 1` })
        .where(points);
      await places.learn(idsOf(others).map((id) => ({ kind: name, id })));
      for (const { id, version } of others)
        changed.push({ entity: name, rowId: id, version: version + 1, placeId: placeIdOf(places.of(name, id)) });
    }
  }
  const bytes: string[] = [];
  for (const name of fromLeaves()) {
    const gone = hanging.get(name);
    if (!gone) continue;
    await tx.delete(tableOf(name)).where(inArray(tableOf(name).id, idsOf(gone)));
    changed.push(...gone.map(({ id, version }) => ({ entity: name, rowId: id, version, placeId })));
    for (const key of bytesColumns(name)) bytes.push(...gone.map((row) => row[key] as string));
  }
  return { changed, bytes: [...new Set(bytes)] };
}

function stillNeeded(kind: string, by: Entity, row: Stored): CoreError {
  const called = row.title ?? row.name;
  const [what, other] = [entityOf(kind).label, entityOf(by).label];
  return new CoreError(
    'conflict',
    `This ${what} belongs to a ${other}${typeof called === 'string' ? `: "${called}"` : ''}.`,
    {},
    `Remove the ${other} first.`,
  );
}
