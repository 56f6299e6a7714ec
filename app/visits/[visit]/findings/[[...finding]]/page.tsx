import { Findings } from '../Findings';

export default function FindingsPage() {
  return <Findings />;
}
