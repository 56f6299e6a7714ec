import { v7 as newId } from 'uuid';
import type { Connection } from '@data/connection';
import { OTHER_SITES, ROW_LOAN } from '@data/demo/oldKilnRow';
import * as t from '@data/schema';
import { seedCasa } from './seedCasa';
import { seedRow } from './seedRow';

/** Makes the demo: a winter evening in a row of cottages, a cooled house in summer, and a week of a shared camera. */
export async function seedDemo(db: Connection, onStep: (done: number, total: number) => void = () => undefined): Promise<string> {
  const visitId = await seedRow(db);
  onStep(1, 3);
  await seedLoan(db);
  onStep(2, 3);
  await seedCasa(db);
  return visitId;
}

/** The other homes of the row, and the week in which they share the camera. */
async function seedLoan(db: Connection): Promise<void> {
  await db.insert(t.site).values(OTHER_SITES.map((site) => ({ id: newId(), ...site })));
  const sites = await db.select().from(t.site);
  const { homes, firstDay, lastDay, ...loan } = ROW_LOAN;
  const loanId = newId();
  await db.insert(t.loan).values({
    id: loanId,
    ...loan,
    strictness: 'usual',
    startsAt: new Date(`${firstDay}T09:00:00Z`),
    endsAt: new Date(`${lastDay}T20:00:00Z`),
  });
  await db.insert(t.loanHome).values(
    homes.map(({ site, evenings, ...home }, ordinal) => ({
      id: newId(),
      loanId,
      siteId: sites.find(({ name }) => name.endsWith(site))!.id,
      ordinal,
      ...home,
      presences: evenings.map((day) => ({ day, from: '17:30', to: '22:00' })),
      facades: null,
    })),
  );
}
