import { notFound } from 'next/navigation';
import { idSchema } from '@core/ground/fields';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { asking } from '@server/asking';
import { listCameras, listHandovers } from '@data/queries/cameras';
import { loadLoan } from '@data/queries/loans';
import { listSites } from '@data/queries/visits';
import { DeskFrame } from '@ui/shell/Desk';
import { PageFrame } from '@ui/shell/PageFrame';
import { loaded } from '../../loaded';
import { LoanDesk } from './LoanDesk';

export default async function LoanPage({ params }: { params: Promise<{ loan: string }> }) {
  const { loan: id } = await params;
  if (!idSchema.safeParse(id).success) notFound();
  const who = asking();
  const [{ loan, homes }, sites, cameras, handovers] = await loaded(
    Promise.all([loadLoan(who, id), listSites(who), listCameras(who), listHandovers(who, id)]),
  );
  return (
    <PageFrame frame={<DeskFrame here="/loans" heading={loan.value.name} />}>
      <LoanDesk
        loan={loan}
        homes={homes}
        sites={sites.map(({ row }) => row)}
        cameras={cameras.filter(({ id: camera, value }) => camera !== STAND_IN_CAMERA.id && !value.archived)}
        handovers={handovers}
      />
    </PageFrame>
  );
}
