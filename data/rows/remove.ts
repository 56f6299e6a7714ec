import { getTableColumns, inArray, sql } from 'drizzle-orm';
import { ENTITIES, type Entity } from '@core/model/entities';
import { entityOf } from '@core/model/entityOf';
import { forgetting, namedIn, referencesOf, type WhenGone } from '@core/model/reference';
import { calledOf, removalQuestion, type Called, type RemovalQuestion } from '@core/model/removalWords';
import { CoreError } from '@core/ground/errors';
import type { Connection } from '../connection';
import { placeIdOf, type Changed } from './changes';
import { Places } from './places';
import { hangsOn, loadStored, rowFrom } from './read';
import { tableOf } from './tables';
import { columnsOf } from './write';

/** Stored rows by their kind. */
type Stored = Record<string, unknown> & { id: string; version: number };
type Going = Map<Entity, Stored[]>;
/** Rows to hang on, by kind. */
type Asked = Record<string, readonly string[]>;

/** All kinds, those first on which nothing hangs. */
const fromLeaves = () => [...ENTITIES].reverse().map(({ name }) => name);

/** Columns that name bytes. */
function bytesColumns(entity: Entity): string[] {
  return Object.entries(getTableColumns(tableOf(entity))).flatMap(([key, column]) =>
    column.getSQLType() === 'binary(32)' ? [key] : [],
  );
}

/**
 * These rows, everything that hangs on them, and what says nothing without them: their ids, and the hashes of their bytes.
 */
async function withWhatGoes(connection: Connection, entity: Entity, ids: readonly string[]): Promise<Going> {
  const going: Going = new Map();
  let asked: Asked = { [entity]: ids };
  while (Object.keys(asked).length > 0) {
    for (const name of fromLeaves()) {
      const condition = hangsOn(connection, name, asked);
      if (!condition) continue;
      const table = tableOf(name);
      const columns = Object.fromEntries(['id', 'version', ...bytesColumns(name)].map((key) => [key, table[key]!]));
      const rows = (await connection.select(columns).from(table).where(condition)) as Stored[];
      const known = new Set(idsOf(going.get(name)));
      going.set(name, [...(going.get(name) ?? []), ...rows.filter(({ id }) => !known.has(id))]);
    }
    asked = {};
    for (const name of fromLeaves()) {
      const known = new Set(idsOf(going.get(name)));
      const naming = await namingRows(connection, name, going, 'cascade');
      const along = naming.map(({ row }) => row.id).filter((id) => !known.has(id));
      if (along.length > 0) asked[name] = along;
    }
  }
  return going;
}

const idsOf = (rows: readonly Stored[] | undefined) => (rows ?? []).map(({ id }) => id);

/** Rows of a kind that name something of what goes, in a reference of some sort. */
async function namingRows(
  connection: Connection,
  name: Entity,
  going: Going,
  whenGone: WhenGone,
): Promise<{ row: Stored; field: string; kind: string }[]> {
  const { schema } = entityOf(name);
  const table = tableOf(name);
  const found: { row: Stored; field: string; kind: string }[] = [];
  for (const { field, deep, reference } of referencesOf(schema)) {
    const gone = idsOf(going.get(reference.kind as Entity));
    if (reference.whenGone !== whenGone || gone.length === 0) continue;
    if (!deep) {
      const rows = (await connection.select().from(table).where(inArray(table[field]!, gone))) as Stored[];
      found.push(...rows.map((row) => ({ row, field, kind: reference.kind })));
      continue;
    }
    // What lies within a list cannot be asked for by an index: the few rows of the place that have such a list are looked into.
    const condition = hangsOn(connection, name, await placeOf(connection, reference.kind, gone[0]!));
    const rows = condition ? ((await connection.select().from(table).where(condition)) as Stored[]) : [];
    const isGone = new Set(gone);
    for (const row of rows)
      if (namedIn(schema, rowFrom<Entity>(name, row).value).some((one) => one.field === field && isGone.has(one.id)))
        found.push({ row, field, kind: reference.kind });
  }
  return found;
}

/** The visit that a row lies in, else its site: what lies there may name it. */
async function placeOf(connection: Connection, kind: string, id: string): Promise<Asked> {
  const places = new Places(connection);
  await places.learn([{ kind, id }]);
  const { visit, site } = places.of(kind, id) ?? {};
  return visit ? { visit: [visit] } : site ? { site: [site] } : {};
}

/**
 * Removes rows of one kind with everything that hangs on them and what says nothing without them; what names them elsewhere
 * forgets them. The same rules as `core/model/removal.ts`, over all that is stored.
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
  const going = await withWhatGoes(tx, entity, ids);
  await places.learn(ids.map((id) => ({ kind: entity, id })));
  const placeId = placeIdOf(places.of(entity, ids[0]!));
  const isGone = new Map([...going].map(([name, rows]) => [name as string, new Set(idsOf(rows))]));
  const changed: Changed[] = [];
  for (const name of fromLeaves()) {
    const stays = ({ row }: { row: Stored }) => !isGone.get(name)?.has(row.id);
    const [needed] = (await namingRows(tx, name, going, 'refuse')).filter(stays);
    if (needed) throw stillNeeded(needed.kind, name, needed.row);
    const naming = (await namingRows(tx, name, going, 'forget')).filter(stays);
    const others = [...new Map(naming.map(({ row }) => [row.id, row])).values()];
    if (others.length === 0) continue;
    const { schema } = entityOf(name);
    await forget(tx, name, others, (value) => forgetting(schema, value, (kind, id) => isGone.get(kind)?.has(id) ?? false));
    await places.learn(idsOf(others).map((id) => ({ kind: name, id })));
    for (const { id, version } of others)
      changed.push({ entity: name, rowId: id, version: version + 1, placeId: placeIdOf(places.of(name, id)) });
  }
  const bytes: string[] = [];
  for (const name of fromLeaves()) {
    const gone = going.get(name);
    if (!gone || gone.length === 0) continue;
    await tx.delete(tableOf(name)).where(inArray(tableOf(name).id, idsOf(gone)));
    changed.push(...gone.map(({ id, version }) => ({ entity: name, rowId: id, version, placeId })));
    for (const key of bytesColumns(name)) bytes.push(...gone.map((row) => row[key] as string));
  }
  return { changed, bytes: [...new Set(bytes)] };
}

/**
 * What people are asked before rows are removed for good: by the same rules as the removal itself.
 *
 * @param ids - rows of the kind that are to go
 */
export async function askRemoval(connection: Connection, entity: Entity, ids: readonly string[]): Promise<RemovalQuestion> {
  const going = await withWhatGoes(connection, entity, ids);
  const called = (name: Entity, rows: readonly Stored[]) => rows.map((row): Called => ({ entity: name, called: calledOf(row) }));
  const goes: Called[] = [];
  const refused: Called[] = [];
  const without: Called[] = [];
  for (const { name } of ENTITIES) {
    const gone = new Set(idsOf(going.get(name)));
    const stays = ({ row }: { row: Stored }) => !gone.has(row.id);
    const naming = async (whenGone: WhenGone) => {
      const found = (await namingRows(connection, name, going, whenGone)).filter(stays).map(({ row }) => row);
      return called(name, [...new Map(found.map((row) => [row.id, row])).values()]);
    };
    refused.push(...(await naming('refuse')));
    without.push(...(await naming('forget')), ...(await naming('stays')));
    const along = [...gone].filter((id) => name !== entity || !ids.includes(id));
    goes.push(...called(name, await loadStored(connection, name, along)));
  }
  return removalQuestion({ refused, goes, without });
}

/** Writes what is left of values whose rows name something that goes; rows that are left alike are written together. */
async function forget(
  tx: Connection,
  name: Entity,
  rows: readonly Stored[],
  left: <V extends object>(value: V) => V,
): Promise<void> {
  const table = tableOf(name);
  const alike = new Map<string, { columns: Record<string, unknown>; ids: string[] }>();
  for (const row of rows) {
    const { value } = rowFrom<Entity>(name, row);
    const [before, after] = [value, left(value)].map((one) => columnsOf(name, one)) as [Stored, Stored];
    const columns = Object.fromEntries(Object.entries(after).filter(([key, now]) => now !== before[key]));
    const key = JSON.stringify(columns);
    const same = alike.get(key);
    if (same) same.ids.push(row.id);
    else alike.set(key, { columns, ids: [row.id] });
  }
  for (const { columns, ids } of alike.values())
    await tx
      .update(table)
      .set({ ...columns, version: sql`${table.version} + 1` })
      .where(inArray(table.id, ids));
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
