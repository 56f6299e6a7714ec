import { asking } from '@server/asking';
import { listLoans } from '@data/queries/loans';
import { listSites } from '@data/queries/visits';
import { DeskFrame } from '@ui/shell/Desk';
import { PageFrame } from '@ui/shell/PageFrame';
import { loaded } from '../loaded';
import { LoanList } from './LoanList';

export default async function LoansPage() {
  const who = asking();
  const [loans, sites] = await loaded(Promise.all([listLoans(who), listSites(who)]));
  return (
    <PageFrame frame={<DeskFrame here="/loans" heading="One camera, many homes" />}>
      <LoanList loans={loans} sites={sites.map(({ row }) => row)} />
    </PageFrame>
  );
}
