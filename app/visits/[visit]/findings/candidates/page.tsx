import { Candidates } from './Candidates';

export default function CandidatesPage() {
  return <Candidates />;
}
