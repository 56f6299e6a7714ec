import { asc, desc, eq } from 'drizzle-orm';
import { CoreError } from '@core/errors';
import type { Row } from '@core/visit/rows';
import type { Database } from '../connection';
import { loan, loanHome } from '../schema';
import { loanHomeRow, loanRow } from './rows';

/** All loans, the newest first. */
export async function listLoans(db: Database): Promise<Row<'loan'>[]> {
  return (await db.select().from(loan).orderBy(desc(loan.startsAt))).map(loanRow);
}

/** A loan and the homes on its waiting list. @throws CoreError `not_found` */
export async function loadLoan(db: Database, id: string): Promise<{ loan: Row<'loan'>; homes: Row<'loanHome'>[] }> {
  const [found] = await db.select().from(loan).where(eq(loan.id, id));
  if (!found) throw new CoreError('not_found', 'There is no such loan.', { value: id }, 'Choose a loan from the list.');
  const homes = await db.select().from(loanHome).where(eq(loanHome.loanId, id)).orderBy(asc(loanHome.ordinal));
  return { loan: loanRow(found), homes: homes.map(loanHomeRow) };
}
