import { asc, desc, eq } from 'drizzle-orm';
import { CoreError } from '@core/ground/errors';
import type { Row } from '@core/model/entities';
import type { Asking } from '../asking';
import { loan, loanHome } from '../schema';
import { rowFrom } from '../rows/read';

/** All loans, the newest first. */
export async function listLoans(asking: Asking): Promise<Row<'loan'>[]> {
  return (await asking.db.select().from(loan).orderBy(desc(loan.from))).map((row) => rowFrom('loan', row));
}

/** A loan and the homes on its waiting list. @throws CoreError `not_found` */
export async function loadLoan(asking: Asking, id: string): Promise<{ loan: Row<'loan'>; homes: Row<'loanHome'>[] }> {
  const [found] = await asking.db.select().from(loan).where(eq(loan.id, id));
  if (!found) throw new CoreError('not_found', 'There is no such loan.', { value: id }, 'Choose a loan from the list.');
  const homes = await asking.db.select().from(loanHome).where(eq(loanHome.loanId, id)).orderBy(asc(loanHome.ordinal));
  return { loan: rowFrom('loan', found), homes: homes.map((row) => rowFrom('loanHome', row)) };
}
