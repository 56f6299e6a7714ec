import { database } from '@data/connection';
import { listVisits } from '@data/queries/visits';
import { VisitList } from './VisitList';

export default async function HomePage() {
  const visits = await listVisits(database());
  return <VisitList visits={visits.map((visit) => ({ ...visit, startedAt: visit.startedAt.toISOString() }))} />;
}
