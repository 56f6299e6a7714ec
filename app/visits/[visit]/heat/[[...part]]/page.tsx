import { Heat } from '../Heat';

export default function HeatPage() {
  return <Heat />;
}
