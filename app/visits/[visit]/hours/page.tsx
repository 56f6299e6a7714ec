import { Hours } from './Hours';

export default function HoursPage() {
  return <Hours />;
}
