import { eq } from 'drizzle-orm';
import { CoreError } from '@core/errors';
import type { Command, CommandAnswer } from '@core/visit/command';
import type { Entity, Row, Values } from '@core/visit/rows';
import type { Connection, Database } from '../connection';
import { isDuplicate } from '../databaseError';
import { command as commandTable } from '../schema';
import { transact } from '../transact';
import { requireOwner } from './ownership';
import { TABLES } from './tables';

export type CommandOutcome =
  | { kind: 'done'; answer: CommandAnswer }
  /** Somebody else changed the row since; nothing was written. `stored` is null when the row is gone. */
  | { kind: 'stale'; stored: Row<Entity> | null };

/** Leaves a transaction that must write nothing. */
class Stale extends Error {
  constructor(readonly stored: Row<Entity> | null) {
    super('stale');
  }
}

/**
 * Carries out one command in one transaction. The same command a second time, also at the same moment, gets its first
 * answer; a command against an older version of its row changes nothing and brings the stored row back.
 *
 * @throws CoreError `not_found`, `bad_input`, `conflict`, `duplicate`
 */
export async function carryOut(db: Database, command: Command): Promise<CommandOutcome> {
  try {
    return await transact(db, async (tx) => {
      // Its name is put down first: whoever sends the same meanwhile waits here, and then finds the answer.
      const claimed = await tx
        .insert(commandTable)
        .ignore()
        .values({ id: command.id, at: new Date(), answer: { version: 0 } });
      if (claimed[0].affectedRows === 0) return { kind: 'done', answer: await answerOf(tx, command.id) };
      const answer = await change(tx, command);
      await tx.update(commandTable).set({ answer }).where(eq(commandTable.id, command.id));
      return { kind: 'done', answer };
    });
  } catch (error) {
    if (error instanceof Stale) return { kind: 'stale', stored: error.stored };
    // Two made the same row at the same moment: the later one is told what is there now.
    const stored = isDuplicate(error) ? await TABLES[command.entity].load(db, command.rowId, false) : null;
    if (stored) return { kind: 'stale', stored };
    throw error;
  }
}

async function answerOf(tx: Connection, id: string): Promise<CommandAnswer> {
  const [before] = await tx.select().from(commandTable).where(eq(commandTable.id, id));
  return before!.answer as CommandAnswer;
}

async function change(tx: Connection, command: Command): Promise<CommandAnswer> {
  const table = TABLES[command.entity];
  // A lock on a row that is not there would stand in the way of all who add others beside it.
  const stored = await table.load(tx, command.rowId, command.version > 0);
  if ((stored?.version ?? 0) !== command.version) throw new Stale(stored);

  if (command.action === 'remove') {
    if (!table.remove) throw new CoreError('bad_input', 'Rows of this kind are not removed.', {}, '');
    await table.remove(tx, command.rowId);
    return { version: 0 };
  }
  // The schema has matched entity and value; TypeScript cannot follow that through the table of tables.
  const value = command.value as Values[typeof command.entity];
  const version = command.version + 1;
  const insert = table.insert as ((c: Connection, id: string, value: unknown) => Promise<unknown>) | undefined;
  if (!stored && !insert) {
    throw new CoreError('not_found', `There is no such ${command.entity}.`, { value: command.rowId }, 'Reload the page.');
  }
  await (requireOwner as (c: Connection, entity: Entity, id: string, value: unknown, stored: unknown) => Promise<void>)(
    tx,
    command.entity,
    command.rowId,
    value,
    stored,
  );
  if (stored) {
    await (table.update as (c: Connection, row: Row<Entity>) => Promise<unknown>)(tx, { id: command.rowId, version, value });
  } else {
    await insert!(tx, command.rowId, value);
  }
  return { version };
}
