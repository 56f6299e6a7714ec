import { and, eq, sql } from 'drizzle-orm';
import type { MySqlColumn, MySqlTable } from 'drizzle-orm/mysql-core';
import { v7 as newId } from 'uuid';
import { CoreError } from '@core/errors';
import type { Entity, Row, Values } from '@core/visit/rows';
import type { Connection } from '../connection';
import * as t from '../schema';
import {
  frameColumns,
  loanColumns,
  planColumns,
  putBackColumns,
  roomColumns,
  settingsColumns,
  stopColumns,
  visitColumns,
} from './columns';
import {
  cameraRow,
  conditionsRow,
  findingRow,
  frameRow,
  handoverRow,
  instrumentRow,
  intakeRow,
  kitListRow,
  kitRow,
  loanHomeRow,
  loanRow,
  logRow,
  materialRow,
  photoRow,
  planRow,
  probeRow,
  putBackRow,
  regionRow,
  roomRow,
  sequenceRow,
  settingsRowOf,
  siteRow,
  stopRow,
  surfaceRow,
  visitRowOf,
} from './rows';

/** How one kind of row is read and written. Kinds that only an import or a form makes have no `insert`. */
interface Table<E extends Entity> {
  /** @param locked - held against others until the transaction ends */
  load(connection: Connection, id: string, locked: boolean): Promise<Row<E> | null>;
  insert?(connection: Connection, id: string, value: Values[E]): Promise<unknown>;
  update(connection: Connection, row: Row<E>): Promise<unknown>;
  remove?(connection: Connection, id: string): Promise<unknown>;
}

/** The pair of two regions, made when it is not there yet. */
async function pairOf(connection: Connection, thisRegionId: string, thatRegionId: string): Promise<string> {
  const same = and(eq(t.pair.thisRegionId, thisRegionId), eq(t.pair.thatRegionId, thatRegionId));
  const [found] = await connection.select({ id: t.pair.id }).from(t.pair).where(same);
  if (found) return found.id;
  const id = newId();
  await connection.insert(t.pair).values({ id, thisRegionId, thatRegionId });
  return id;
}

/** Pairs that no finding states any more hold their regions for nothing. */
async function dropPairsWithoutFinding(connection: Connection, pairId: string): Promise<void> {
  const [used] = await connection.select({ id: t.finding.id }).from(t.finding).where(eq(t.finding.pairId, pairId));
  if (!used) await connection.delete(t.pair).where(eq(t.pair.id, pairId));
}

/** Frames of any visit that lie there keep their pixels and lose their place. */
async function moveFramesToNoPlace(connection: Connection, place: { roomId?: string; surfaceId?: string }): Promise<void> {
  const there = place.roomId === undefined ? eq(t.frame.surfaceId, place.surfaceId!) : eq(t.frame.roomId, place.roomId);
  await connection
    .update(t.frame)
    .set({ ...(place.roomId === undefined ? {} : { roomId: null }), surfaceId: null, version: sql`${t.frame.version} + 1` })
    .where(there);
}

async function findingWithPair(connection: Connection, id: string, locked: boolean) {
  const asked = connection
    .select({ finding: t.finding, pair: t.pair })
    .from(t.finding)
    .innerJoin(t.pair, eq(t.pair.id, t.finding.pairId))
    .where(eq(t.finding.id, id));
  const [found] = await (locked ? asked.for('update') : asked);
  return found;
}

/** What tables of rows that people edit have in common. */
type RowTable = MySqlTable & { id: MySqlColumn };

/**
 * A kind of row that is read and written as it stands, but for the shape of its columns.
 *
 * @param toColumns - from the value to columns, where the two differ
 * @param may - `add`: rows come by commands, not only by an import or a form; `remove`: they may go
 */
function plain<E extends Entity, Stored>(
  table: RowTable,
  toRow: (stored: Stored) => Row<E>,
  may: { add?: boolean; remove?: boolean },
  toColumns: (value: Values[E]) => object = (value) => value,
): Table<E> {
  return {
    async load(connection, id, locked) {
      const asked = connection.select().from(table).where(eq(table.id, id));
      const [found] = await (locked ? asked.for('update') : asked);
      return found ? toRow(found as Stored) : null;
    },
    update: (connection, { id, version, value }) =>
      connection
        .update(table)
        .set({ ...toColumns(value), version })
        .where(eq(table.id, id)),
    ...(may.add && { insert: (connection, id, value) => connection.insert(table).values({ id, ...toColumns(value) }) }),
    ...(may.remove && { remove: (connection, id) => connection.delete(table).where(eq(table.id, id)) }),
  };
}

const BOTH = { add: true, remove: true };

/** What stands behind a simulated surface is for no one to see. */
function surfaceOf({ described: _described, ...shown }: typeof t.surface.$inferSelect): Row<'surface'> {
  return surfaceRow(shown);
}

export const TABLES: { [E in Entity]: Table<E> } = {
  region: {
    ...plain(t.region, regionRow, { add: true }),
    async remove(connection, id) {
      const [stated] = await connection
        .select({ title: t.finding.title })
        .from(t.finding)
        .innerJoin(t.pair, eq(t.pair.id, t.finding.pairId))
        .where(eq(t.pair.thisRegionId, id))
        .union(
          connection
            .select({ title: t.finding.title })
            .from(t.finding)
            .innerJoin(t.pair, eq(t.pair.id, t.finding.pairId))
            .where(eq(t.pair.thatRegionId, id)),
        );
      if (stated) {
        throw new CoreError(
          'conflict',
          `This region belongs to the finding "${stated.title}".`,
          { value: id },
          'Remove the finding first, or move the region instead.',
        );
      }
      await connection.delete(t.region).where(eq(t.region.id, id));
    },
  },
  frame: plain(t.frame, frameRow, {}, frameColumns),
  settings: plain(t.settings, settingsRowOf, BOTH, settingsColumns),
  visit: plain(t.visit, visitRowOf, {}, visitColumns),
  conditions: plain(t.conditions, conditionsRow, { add: true }),
  site: plain(t.site, siteRow, { add: true }),
  intake: plain(t.intake, intakeRow, {}),
  plan: plain(t.plan, planRow, {}, planColumns),
  loan: plain(t.loan, loanRow, { add: true }, loanColumns),
  loanHome: plain(t.loanHome, loanHomeRow, BOTH),
  photo: plain(t.photo, photoRow, {}),
  finding: {
    async load(connection, id, locked) {
      const found = await findingWithPair(connection, id, locked);
      return found ? findingRow(found.finding, found.pair) : null;
    },
    async insert(connection, id, { thisRegionId, thatRegionId, ...rest }) {
      const pairId = await pairOf(connection, thisRegionId, thatRegionId);
      await connection.insert(t.finding).values({ id, ...rest, pairId, recordedAt: new Date() });
    },
    async update(connection, { id, version, value: { thisRegionId, thatRegionId, ...rest } }) {
      const before = (await findingWithPair(connection, id, true))!.pair.id;
      const pairId = await pairOf(connection, thisRegionId, thatRegionId);
      await connection
        .update(t.finding)
        .set({ ...rest, pairId, version })
        .where(eq(t.finding.id, id));
      await dropPairsWithoutFinding(connection, before);
    },
    async remove(connection, id) {
      const before = (await findingWithPair(connection, id, true))!.pair.id;
      await connection.delete(t.finding).where(eq(t.finding.id, id));
      await dropPairsWithoutFinding(connection, before);
    },
  },

  room: {
    ...plain(t.room, roomRow, { add: true }, roomColumns),
    async remove(connection, id) {
      await moveFramesToNoPlace(connection, { roomId: id });
      const surfaces = await connection.select({ id: t.surface.id }).from(t.surface).where(eq(t.surface.roomId, id));
      if (surfaces.length > 0) {
        throw new CoreError(
          'conflict',
          'This room still has surfaces.',
          { value: id },
          'Reload the page; another tab added one. Then remove the room again.',
        );
      }
      await connection.delete(t.room).where(eq(t.room.id, id));
    },
  },
  surface: {
    ...plain(t.surface, surfaceOf, { add: true }),
    async remove(connection, id) {
      await moveFramesToNoPlace(connection, { surfaceId: id });
      await connection.delete(t.surface).where(eq(t.surface.id, id));
    },
  },
  stop: plain(t.stop, stopRow, BOTH, stopColumns),
  putBack: plain(t.putBack, putBackRow, BOTH, putBackColumns),
  log: plain(t.log, logRow, BOTH),
  kit: plain(t.kit, kitRow, BOTH),
  kitList: plain(t.kitList, kitListRow, BOTH),
  camera: plain(t.camera, cameraRow, { add: true }),
  instrument: plain(t.instrument, instrumentRow, { add: true }),
  handover: plain(t.handover, handoverRow, { add: true }),
  sequence: plain(t.sequence, sequenceRow, BOTH),
  probe: plain(t.probe, probeRow, BOTH),
  material: plain(t.material, materialRow, { add: true }),
};
