import { database } from '@data/connection';
import { listLoans } from '@data/queries/loans';
import { listSites } from '@data/queries/visits';
import { loaded } from '../loaded';
import { LoanList } from './LoanList';

export default async function LoansPage() {
  const db = database();
  const [loans, sites] = await loaded(Promise.all([listLoans(db), listSites(db)]));
  return <LoanList loans={loans} sites={sites.map(({ row }) => row)} />;
}
