import { and, eq, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { CoreError } from '@core/errors';
import type { Entity, Row, Values } from '@core/visit/rows';
import type { Connection } from '../connection';
import * as t from '../schema';
import { loanColumns, planColumns, putBackColumns, roomColumns, settingsColumns, stopColumns } from './columns';
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
  photoRow,
  planRow,
  putBackRow,
  regionRow,
  roomRow,
  settingsRowOf,
  siteRow,
  stopRow,
  surfaceRow,
  visitRowOf,
} from './rows';

/** How one kind of row is read and written. Kinds that only an import or a form makes have no `insert`. */
interface Table<E extends Entity> {
  load(connection: Connection, id: string): Promise<Row<E> | null>;
  insert?(connection: Connection, id: string, value: Values[E]): Promise<unknown>;
  update(connection: Connection, row: Row<E>): Promise<unknown>;
  remove?(connection: Connection, id: string): Promise<unknown>;
}

/** A region is never moved to another frame, a finding's pair stays in one frame. */
async function requireRegionsOfFrame(connection: Connection, frameId: string, regionIds: string[]): Promise<void> {
  for (const id of regionIds) {
    const [found] = await connection
      .select({ id: t.region.id })
      .from(t.region)
      .where(and(eq(t.region.id, id), eq(t.region.frameId, frameId)));
    if (!found)
      throw new CoreError('bad_input', 'That region is not on this frame.', { value: id }, 'Choose two regions of one frame.');
  }
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

async function findingWithPair(connection: Connection, id: string) {
  const [found] = await connection
    .select({ finding: t.finding, pair: t.pair })
    .from(t.finding)
    .innerJoin(t.pair, eq(t.pair.id, t.finding.pairId))
    .where(eq(t.finding.id, id))
    .for('update');
  return found;
}

export const TABLES: { [E in Entity]: Table<E> } = {
  region: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.region).where(eq(t.region.id, id)).for('update');
      return found ? regionRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.region).values({ id, ...value }),
    update: (connection, { id, version, value: { name, shape, ordinal } }) =>
      connection.update(t.region).set({ name, shape, ordinal, version }).where(eq(t.region.id, id)),
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

  frame: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.frame).where(eq(t.frame.id, id)).for('update');
      return found ? frameRow(found) : null;
    },
    update: (connection, { id, version, value: { ownScale, ...rest } }) =>
      connection
        .update(t.frame)
        .set({ ...rest, ownLowC: ownScale?.low ?? null, ownHighC: ownScale?.high ?? null, version })
        .where(eq(t.frame.id, id)),
  },

  settings: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.settings).where(eq(t.settings.id, id)).for('update');
      return found ? settingsRowOf(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.settings).values({ id, ...settingsColumns(value) }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.settings)
        .set({ ...settingsColumns(value), version })
        .where(eq(t.settings.id, id)),
    remove: (connection, id) => connection.delete(t.settings).where(eq(t.settings.id, id)),
  },

  visit: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.visit).where(eq(t.visit.id, id)).for('update');
      return found ? visitRowOf(found) : null;
    },
    update: (connection, { id, version, value: { span, startedAt, ...rest } }) =>
      connection
        .update(t.visit)
        .set({ ...rest, ...span, startedAt: new Date(startedAt), version })
        .where(eq(t.visit.id, id)),
  },

  conditions: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.conditions).where(eq(t.conditions.id, id)).for('update');
      return found ? conditionsRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.conditions).values({ id, ...value }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.conditions)
        .set({ ...value, version })
        .where(eq(t.conditions.id, id)),
  },

  site: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.site).where(eq(t.site.id, id)).for('update');
      return found ? siteRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.site).values({ id, ...value }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.site)
        .set({ ...value, version })
        .where(eq(t.site.id, id)),
  },

  intake: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.intake).where(eq(t.intake.id, id)).for('update');
      return found ? intakeRow(found) : null;
    },
    update: (connection, { id, version, value }) =>
      connection
        .update(t.intake)
        .set({ ...value, version })
        .where(eq(t.intake.id, id)),
  },

  plan: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.plan).where(eq(t.plan.id, id)).for('update');
      return found ? planRow(found) : null;
    },
    update: (connection, { id, version, value }) =>
      connection
        .update(t.plan)
        .set({ ...planColumns(value), version })
        .where(eq(t.plan.id, id)),
  },

  loan: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.loan).where(eq(t.loan.id, id)).for('update');
      return found ? loanRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.loan).values({ id, ...loanColumns(value) }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.loan)
        .set({ ...loanColumns(value), version })
        .where(eq(t.loan.id, id)),
  },

  loanHome: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.loanHome).where(eq(t.loanHome.id, id)).for('update');
      return found ? loanHomeRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.loanHome).values({ id, ...value }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.loanHome)
        .set({ ...value, version })
        .where(eq(t.loanHome.id, id)),
    remove: (connection, id) => connection.delete(t.loanHome).where(eq(t.loanHome.id, id)),
  },

  photo: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.photo).where(eq(t.photo.id, id)).for('update');
      return found ? photoRow(found) : null;
    },
    update: (connection, { id, version, value }) =>
      connection
        .update(t.photo)
        .set({ ...value, version })
        .where(eq(t.photo.id, id)),
  },

  finding: {
    async load(connection, id) {
      const found = await findingWithPair(connection, id);
      return found ? findingRow(found.finding, found.pair) : null;
    },
    async insert(connection, id, { thisRegionId, thatRegionId, ...rest }) {
      await requireRegionsOfFrame(connection, rest.frameId, [thisRegionId, thatRegionId]);
      const pairId = await pairOf(connection, thisRegionId, thatRegionId);
      await connection.insert(t.finding).values({ id, ...rest, pairId, recordedAt: new Date() });
    },
    async update(connection, { id, version, value: { thisRegionId, thatRegionId, ...rest } }) {
      await requireRegionsOfFrame(connection, rest.frameId, [thisRegionId, thatRegionId]);
      const before = (await findingWithPair(connection, id))!.pair.id;
      const pairId = await pairOf(connection, thisRegionId, thatRegionId);
      await connection
        .update(t.finding)
        .set({ ...rest, pairId, version })
        .where(eq(t.finding.id, id));
      await dropPairsWithoutFinding(connection, before);
    },
    async remove(connection, id) {
      const before = (await findingWithPair(connection, id))!.pair.id;
      await connection.delete(t.finding).where(eq(t.finding.id, id));
      await dropPairsWithoutFinding(connection, before);
    },
  },

  room: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.room).where(eq(t.room.id, id)).for('update');
      return found ? roomRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.room).values({ id, ...roomColumns(value) }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.room)
        .set({ ...roomColumns(value), version })
        .where(eq(t.room.id, id)),
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
    async load(connection, id) {
      const [found] = await connection.select().from(t.surface).where(eq(t.surface.id, id)).for('update');
      if (!found) return null;
      const { described: _described, ...shown } = found;
      return surfaceRow(shown);
    },
    insert: (connection, id, value) => connection.insert(t.surface).values({ id, ...value }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.surface)
        .set({ ...value, version })
        .where(eq(t.surface.id, id)),
    async remove(connection, id) {
      await moveFramesToNoPlace(connection, { surfaceId: id });
      await connection.delete(t.surface).where(eq(t.surface.id, id));
    },
  },

  stop: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.stop).where(eq(t.stop.id, id)).for('update');
      return found ? stopRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.stop).values({ id, ...stopColumns(value) }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.stop)
        .set({ ...stopColumns(value), version })
        .where(eq(t.stop.id, id)),
    remove: (connection, id) => connection.delete(t.stop).where(eq(t.stop.id, id)),
  },

  putBack: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.putBack).where(eq(t.putBack.id, id)).for('update');
      return found ? putBackRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.putBack).values({ id, ...putBackColumns(value) }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.putBack)
        .set({ ...putBackColumns(value), version })
        .where(eq(t.putBack.id, id)),
    remove: (connection, id) => connection.delete(t.putBack).where(eq(t.putBack.id, id)),
  },

  log: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.log).where(eq(t.log.id, id)).for('update');
      return found ? logRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.log).values({ id, ...value }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.log)
        .set({ ...value, version })
        .where(eq(t.log.id, id)),
    remove: (connection, id) => connection.delete(t.log).where(eq(t.log.id, id)),
  },

  kit: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.kit).where(eq(t.kit.id, id)).for('update');
      return found ? kitRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.kit).values({ id, ...value }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.kit)
        .set({ ...value, version })
        .where(eq(t.kit.id, id)),
    remove: (connection, id) => connection.delete(t.kit).where(eq(t.kit.id, id)),
  },

  kitList: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.kitList).where(eq(t.kitList.id, id)).for('update');
      return found ? kitListRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.kitList).values({ id, ...value }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.kitList)
        .set({ ...value, version })
        .where(eq(t.kitList.id, id)),
    remove: (connection, id) => connection.delete(t.kitList).where(eq(t.kitList.id, id)),
  },

  camera: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.camera).where(eq(t.camera.id, id)).for('update');
      return found ? cameraRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.camera).values({ id, ...value }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.camera)
        .set({ ...value, version })
        .where(eq(t.camera.id, id)),
  },

  instrument: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.instrument).where(eq(t.instrument.id, id)).for('update');
      return found ? instrumentRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.instrument).values({ id, ...value }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.instrument)
        .set({ ...value, version })
        .where(eq(t.instrument.id, id)),
  },

  handover: {
    async load(connection, id) {
      const [found] = await connection.select().from(t.handover).where(eq(t.handover.id, id)).for('update');
      return found ? handoverRow(found) : null;
    },
    insert: (connection, id, value) => connection.insert(t.handover).values({ id, ...value }),
    update: (connection, { id, version, value }) =>
      connection
        .update(t.handover)
        .set({ ...value, version })
        .where(eq(t.handover.id, id)),
  },
};
