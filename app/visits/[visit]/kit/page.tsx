import { Kit } from './Kit';

export default function KitPage() {
  return <Kit />;
}
