import { Bench } from '../Bench';

export default function BenchPage() {
  return <Bench />;
}
