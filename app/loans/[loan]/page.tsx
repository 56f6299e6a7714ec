import { notFound } from 'next/navigation';
import { CoreError } from '@core/errors';
import { idSchema } from '@core/visit/fields';
import { STAND_IN_CAMERA } from '@core/simulate/standInCamera';
import { database } from '@data/connection';
import { listCameras, listHandovers } from '@data/queries/cameras';
import { loadLoan } from '@data/queries/loans';
import { listSites } from '@data/queries/visits';
import { LoanDesk } from './LoanDesk';

export default async function LoanPage({ params }: { params: Promise<{ loan: string }> }) {
  const { loan: id } = await params;
  if (!idSchema.safeParse(id).success) notFound();
  const db = database();
  const [loaded, sites, cameras, handovers] = await Promise.all([
    loadLoan(db, id).catch((error: unknown) => {
      if (error instanceof CoreError && error.code === 'not_found') notFound();
      throw error;
    }),
    listSites(db),
    listCameras(db),
    listHandovers(db, id),
  ]);
  return (
    <LoanDesk
      loan={loaded.loan}
      homes={loaded.homes}
      sites={sites.map(({ row }) => row)}
      cameras={cameras.filter(({ id: camera, value }) => camera !== STAND_IN_CAMERA.id && !value.archived)}
      handovers={handovers}
    />
  );
}
