import { notFound } from 'next/navigation';
import { CoreError } from '@core/errors';
import { idSchema } from '@core/visit/fields';
import { database } from '@data/connection';
import { loadLoan } from '@data/queries/loans';
import { listSites } from '@data/queries/visits';
import { LoanDesk } from './LoanDesk';

export default async function LoanPage({ params }: { params: Promise<{ loan: string }> }) {
  const { loan: id } = await params;
  if (!idSchema.safeParse(id).success) notFound();
  const db = database();
  const [loaded, sites] = await Promise.all([
    loadLoan(db, id).catch((error: unknown) => {
      if (error instanceof CoreError && error.code === 'not_found') notFound();
      throw error;
    }),
    listSites(db),
  ]);
  return <LoanDesk loan={loaded.loan} homes={loaded.homes} sites={sites.map(({ row }) => row)} />;
}
