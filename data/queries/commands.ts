import { eq } from 'drizzle-orm';
import { CoreError } from '@core/errors';
import type { Command, CommandAnswer } from '@core/visit/command';
import type { Entity, Row, Values } from '@core/visit/rows';
import type { Connection, Database } from '../connection';
import { command as commandTable } from '../schema';
import { TABLES } from './tables';

export type CommandOutcome =
  | { kind: 'done'; answer: CommandAnswer }
  /** Somebody else changed the row since; nothing was written. `stored` is null when the row is gone. */
  | { kind: 'stale'; stored: Row<Entity> | null };

/**
 * Carries out one command in one transaction. The same command a second time gets its first answer; a command against an
 * older version of its row changes nothing and brings the stored row back.
 *
 * @throws CoreError `not_found`, `bad_input`, `conflict`
 */
export async function carryOut(db: Database, command: Command): Promise<CommandOutcome> {
  return db.transaction(async (tx) => {
    const [before] = await tx.select().from(commandTable).where(eq(commandTable.id, command.id));
    if (before) return { kind: 'done', answer: before.answer as CommandAnswer };
    const outcome = await change(tx, command);
    if (outcome.kind === 'done') {
      await tx.insert(commandTable).values({ id: command.id, at: new Date(), answer: outcome.answer });
    }
    return outcome;
  });
}

async function change(tx: Connection, command: Command): Promise<CommandOutcome> {
  const table = TABLES[command.entity];
  const stored = await table.load(tx, command.rowId);
  if ((stored?.version ?? 0) !== command.version) return { kind: 'stale', stored };

  if (command.action === 'remove') {
    if (!table.remove) throw new CoreError('bad_input', 'Rows of this kind are not removed.', {}, '');
    await table.remove(tx, command.rowId);
    return { kind: 'done', answer: { version: 0 } };
  }
  // The schema has matched entity and value; TypeScript cannot follow that through the table of tables.
  const value = command.value as Values[typeof command.entity];
  const version = command.version + 1;
  if (stored) {
    await (table.update as (c: Connection, row: Row<Entity>) => Promise<unknown>)(tx, { id: command.rowId, version, value });
  } else {
    const insert = table.insert as ((c: Connection, id: string, value: unknown) => Promise<unknown>) | undefined;
    if (!insert)
      throw new CoreError('not_found', `There is no such ${command.entity}.`, { value: command.rowId }, 'Reload the page.');
    await insert(tx, command.rowId, value);
  }
  return { kind: 'done', answer: { version } };
}
