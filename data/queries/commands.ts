import { eq } from 'drizzle-orm';
import type { Change, Command, CommandAnswer, Stale } from '@core/model/command';
import type { Entity } from '@core/model/entities';
import type { Asking } from '../asking';
import type { Connection } from '../connection';
import { isDuplicate } from '../databaseError';
import { noteChanges, placeIdOf, type Changed } from '../rows/changes';
import { Places } from '../rows/places';
import { loadStored, rowFrom } from '../rows/read';
import { removeRows } from '../rows/remove';
import { putRows } from '../rows/write';
import { command as commandTable } from '../schema';
import { transact } from '../transact';
import { dropUnused } from './blobs';

export type CommandOutcome =
  | { kind: 'done'; answer: CommandAnswer }
  /** Somebody else changed some of the rows since; nothing was written. */
  | { kind: 'stale'; stale: Stale[] };

/** Leaves a transaction that must write nothing. */
class Refused extends Error {
  constructor(readonly stale: Stale[]) {
    super('stale');
  }
}

type Stored = Awaited<ReturnType<typeof loadStored>>[number];

/**
 * Carries out one step in one transaction, whole or not at all. The same command a second time, also at the same moment, gets
 * its first answer; one against older versions of its rows changes nothing and brings all of them back as they are stored.
 *
 * @throws CoreError `not_found`, `bad_input`, `bad_region`, `conflict`, `duplicate`
 */
export async function carryOut(asking: Asking, command: Command): Promise<CommandOutcome> {
  try {
    const { answer, bytes } = await transact(asking.db, async (tx) => {
      // Its name is put down first: whoever sends the same meanwhile waits here, and then finds the answer.
      const claimed = await tx
        .insert(commandTable)
        .ignore()
        .values({ id: command.id, at: Date.now(), answer: { versions: {} } });
      if (claimed[0].affectedRows === 0) return { answer: await answerOf(tx, command.id), bytes: [] };
      const done = await carryOutIn(tx, command.changes);
      await tx.update(commandTable).set({ answer: done.answer }).where(eq(commandTable.id, command.id));
      return done;
    });
    await dropUnused(asking.db, bytes);
    return { kind: 'done', answer };
  } catch (error) {
    if (error instanceof Refused) return { kind: 'stale', stale: error.stale };
    // Two made the same row at the same moment: the later one is told what is there now.
    const stale = isDuplicate(error) ? staleAmong(command.changes, await storedOf(asking.db, command.changes, false)) : [];
    if (stale.length > 0) return { kind: 'stale', stale };
    throw error;
  }
}

async function answerOf(tx: Connection, id: string): Promise<CommandAnswer> {
  const [before] = await tx.select().from(commandTable).where(eq(commandTable.id, id));
  return before!.answer as CommandAnswer;
}

/** The rows that changes are about, as they are stored. */
async function storedOf(connection: Connection, changes: readonly Change[], locked: boolean): Promise<Map<string, Stored>> {
  const found = new Map<string, Stored>();
  for (const entity of new Set(changes.map((one) => one.entity))) {
    const own = changes.filter((one) => one.entity === entity);
    const ids = (known: boolean) => own.filter(({ version }) => version > 0 === known).map(({ rowId }) => rowId);
    // A lock on a row that is not there would stand in the way of all who add others beside it.
    const rows = [
      ...(await loadStored(connection, entity, ids(true), locked)),
      ...(await loadStored(connection, entity, ids(false))),
    ];
    for (const row of rows) found.set(row.id, row);
  }
  return found;
}

function staleAmong(changes: readonly Change[], stored: ReadonlyMap<string, Stored>): Stale[] {
  return changes.flatMap(({ entity, rowId, version }) => {
    const row = stored.get(rowId);
    return (row?.version ?? 0) === version ? [] : [{ entity, rowId, stored: row ? rowFrom<Entity>(entity, row) : null }];
  });
}

/** Changes that follow each other and are of one kind, so that they are written together. */
function runsOf(changes: readonly Change[]): Change[][] {
  const runs: Change[][] = [];
  for (const change of changes) {
    const last = runs.at(-1);
    if (last && last[0]!.entity === change.entity && last[0]!.action === change.action) last.push(change);
    else runs.push([change]);
  }
  return runs;
}

const idsOf = (changes: readonly Change[]) => changes.map(({ rowId }) => rowId);

async function carryOutIn(tx: Connection, changes: readonly Change[]): Promise<{ answer: CommandAnswer; bytes: string[] }> {
  const stored = await storedOf(tx, changes, true);
  const stale = staleAmong(changes, stored);
  if (stale.length > 0) throw new Refused(stale);
  const places = new Places(tx);
  const changed: Changed[] = [];
  const bytes: string[] = [];
  const versions: Record<string, number> = {};
  for (const run of runsOf(changes)) {
    const { entity, action } = run[0]!;
    if (action === 'remove') {
      const gone = await removeRows(tx, places, entity, idsOf(run));
      changed.push(...gone.changed);
      bytes.push(...gone.bytes);
      for (const rowId of idsOf(run)) versions[rowId] = 0;
      continue;
    }
    const puts = run.flatMap((one) =>
      one.action === 'put' ? [{ rowId: one.rowId, value: one.value, stored: stored.get(one.rowId) ?? null }] : [],
    );
    const put = await putRows(tx, places, entity, puts);
    await places.learn(idsOf(run).map((id) => ({ kind: entity, id })));
    for (const [rowId, version] of put) {
      versions[rowId] = version;
      changed.push({ entity, rowId, version, placeId: placeIdOf(places.of(entity, rowId)) });
    }
  }
  await noteChanges(tx, changed);
  return { answer: { versions }, bytes };
}
