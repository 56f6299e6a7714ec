import { eq, inArray, sql } from 'drizzle-orm';
import type { Entity } from '@core/model/entities';
import { entityOf } from '@core/model/entityOf';
import { CoreError } from '@core/ground/errors';
import { boundsOf } from '@core/method/frame/region';
import type { RegionValue } from '@core/model/regionRow';
import type { Connection } from '../connection';
import { frame } from '../schema';
import { lastVersions } from './changes';
import { requireNamed, type Places } from './places';
import { rowFrom } from './read';
import { SHAPES } from './shapes';
import { tableOf, type RowTable } from './tables';

/** The columns of a value. */
export function columnsOf(entity: Entity, value: object): Record<string, unknown> {
  const shape = SHAPES[entity] as { toColumns(value: object): Record<string, unknown> } | undefined;
  return shape ? shape.toColumns(value) : { ...value };
}

/** A row that is to be stored over what is there; `stored` is null for a new one. */
export interface Put {
  rowId: string;
  value: object;
  stored: (Record<string, unknown> & { id: string; version: number }) | null;
}

/** Rows in one statement. */
const AT_ONCE = 500;

/**
 * Stores rows of one kind: new ones, and others over what is there.
 *
 * @returns their new versions by id
 * @throws CoreError `not_found`, `bad_input`, `bad_region`, `duplicate`
 */
export async function putRows(
  tx: Connection,
  places: Places,
  entity: Entity,
  puts: readonly Put[],
): Promise<Map<string, number>> {
  const { addable, label } = entityOf(entity);
  const added = puts.filter(({ stored }) => stored === null);
  if (added.length > 0 && !addable)
    throw new CoreError('not_found', `There is no such ${label}.`, { value: added[0]!.rowId }, 'Reload the page.');
  for (const put of puts) requireSameOwner(entity, put);
  await requireNamed(
    places,
    entity,
    puts.map(({ rowId, value, stored }) => ({ rowId, value, isNew: stored === null })),
  );
  if (entity === 'region') await requireOnFrames(tx, puts as unknown as { value: RegionValue }[]);
  const table = tableOf(entity);
  const last = await lastVersions(
    tx,
    added.map(({ rowId }) => rowId),
  );
  const versions = new Map(puts.map(({ rowId, stored }) => [rowId, (stored?.version ?? last.get(rowId) ?? 0) + 1]));
  for (let from = 0; from < added.length; from += AT_ONCE) {
    const chunk = added.slice(from, from + AT_ONCE);
    await tx
      .insert(table)
      .values(chunk.map(({ rowId, value }) => ({ id: rowId, version: versions.get(rowId), ...columnsOf(entity, value) })));
  }
  const changed = puts.filter(({ stored }) => stored !== null);
  const columnsFor = ({ rowId, value }: Put) => ({ ...columnsOf(entity, value), version: versions.get(rowId) });
  if (addable && changed.length > 1) await updateTogether(tx, table, changed, columnsFor);
  else for (const put of changed) await tx.update(table).set(columnsFor(put)).where(eq(table.id, put.rowId));
  return versions;
}

/** Many rows that are there, and whose values hold all that their table asks for, in few statements instead of one each. */
async function updateTogether(
  tx: Connection,
  table: RowTable,
  puts: readonly Put[],
  columnsFor: (put: Put) => Record<string, unknown>,
): Promise<void> {
  const set = Object.fromEntries(
    Object.keys(columnsFor(puts[0]!)).map((key) => [key, sql`values(${sql.identifier(table[key]!.name)})`]),
  );
  for (let from = 0; from < puts.length; from += AT_ONCE) {
    const rows = puts.slice(from, from + AT_ONCE).map((put) => ({ id: put.rowId, ...columnsFor(put) }));
    await tx.insert(table).values(rows).onDuplicateKeyUpdate({ set });
  }
}

/** Whose a row is was said when it was made. */
function requireSameOwner(entity: Entity, { value, stored }: Put): void {
  if (!stored) return;
  const { parent, fixed } = entityOf(entity);
  const before = rowFrom(entity, stored).value as Record<string, unknown>;
  for (const field of [...(parent ? [parent.field] : []), ...fixed]) {
    if (before[field] === (value as Record<string, unknown>)[field]) continue;
    throw new CoreError(
      'bad_input',
      `${field} is said when this is made, and does not change.`,
      { argument: field },
      'Make a new one instead.',
    );
  }
}

/** A region has to touch its frame. */
async function requireOnFrames(tx: Connection, puts: readonly { value: RegionValue }[]): Promise<void> {
  const ids = [...new Set(puts.map(({ value }) => value.frameId))];
  const found = await tx
    .select({ id: frame.id, width: frame.width, height: frame.height })
    .from(frame)
    .where(inArray(frame.id, ids));
  const sizes = new Map(found.map((one) => [one.id, one]));
  for (const { value } of puts) {
    if (value.shape.kind === 'beyond') continue;
    const size = sizes.get(value.frameId)!;
    const { x, y, width, height } = boundsOf(value.shape);
    if (x < size.width && y < size.height && x + width > 0 && y + height > 0) continue;
    throw new CoreError(
      'bad_region',
      'The region lies beside its frame.',
      { range: `x 0 … ${size.width - 1}, y 0 … ${size.height - 1}` },
      'Move it onto the frame.',
    );
  }
}
