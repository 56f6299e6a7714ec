import { asking } from '@server/asking';
import { listLoans } from '@data/queries/loans';
import { listSites } from '@data/queries/visits';
import { loaded } from '../loaded';
import { LoanList } from './LoanList';

export default async function LoansPage() {
  const who = asking();
  const [loans, sites] = await loaded(Promise.all([listLoans(who), listSites(who)]));
  return <LoanList loans={loans} sites={sites.map(({ row }) => row)} />;
}
