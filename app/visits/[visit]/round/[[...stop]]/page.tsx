import { Round } from '../Round';

export default function RoundPage() {
  return <Round />;
}
