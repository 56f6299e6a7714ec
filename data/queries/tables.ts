import { and, eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { CoreError } from '@core/errors';
import type { Entity, Row, Values } from '@core/visit/rows';
import type { Connection } from '../connection';
import * as t from '../schema';
import {
  conditionsRow,
  findingRow,
  frameRow,
  intakeRow,
  loanHomeRow,
  loanRow,
  photoRow,
  planRow,
  regionRow,
  settingsRowOf,
  siteRow,
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

function settingsColumns({ level, ownerId, ...fields }: Values['settings']) {
  return {
    ...fields,
    visitId: level === 'visit' ? ownerId : null,
    frameId: level === 'frame' ? ownerId : null,
    regionId: level === 'region' ? ownerId : null,
  };
}

function planColumns({ slot, ...rest }: Values['plan']) {
  return { ...rest, slotFrom: slot && new Date(slot.from), slotTo: slot && new Date(slot.to) };
}

function loanColumns({ from, to, ...rest }: Values['loan']) {
  return { ...rest, startsAt: new Date(from), endsAt: new Date(to) };
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
};
