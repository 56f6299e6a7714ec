import { earlierVisits } from '@data/queries/visits';
import { asking } from '@server/asking';
import { loaded } from '../../../../loaded';
import { Proof } from '../Proof';

export default async function ProofPage({ params }: { params: Promise<{ visit: string; pair?: string[] }> }) {
  const { visit } = await params;
  return <Proof visits={await loaded(earlierVisits(asking(), visit))} />;
}
