import { v7 as newId } from 'uuid';
import type { Asking } from '@data/asking';
import { OTHER_SITES, ROW_LOAN } from '@data/demo/oldKilnRow';
import * as t from '@data/schema';
import { seedCasa } from './seedCasa';
import { seedRow } from './seedRow';
import { seedLeak } from './seedLeak';
import { seedReturn } from './seedReturn';
import { seedSignal } from './seedSignal';

/** Makes the demo: a winter evening in a row of cottages, a cooled house in summer, a home before and after works, a leak, a heating system to practise on, and a week of a shared camera. */
export async function seedDemo(asking: Asking, onStep: (done: number, total: number) => void = () => undefined): Promise<string> {
  const visitId = await seedRow(asking);
  onStep(1, 6);
  await seedLoan(asking);
  onStep(2, 6);
  await seedReturn(asking);
  await seedLeak(asking);
  onStep(3, 6);
  await seedSignal(asking);
  onStep(4, 6);
  await seedCasa(asking);
  return visitId;
}

/** The other homes of the row, and the week in which they share the camera. */
async function seedLoan(asking: Asking): Promise<void> {
  await asking.db.insert(t.site).values(OTHER_SITES.map((site) => ({ id: newId(), ...site })));
  const sites = await asking.db.select().from(t.site);
  const { homes, firstDay, lastDay, ...loan } = ROW_LOAN;
  const loanId = newId();
  await asking.db.insert(t.loan).values({
    id: loanId,
    ...loan,
    practice: true,
    strictness: 'usual',
    from: Date.parse(`${firstDay}T09:00:00Z`),
    to: Date.parse(`${lastDay}T20:00:00Z`),
  });
  await asking.db.insert(t.loanHome).values(
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
