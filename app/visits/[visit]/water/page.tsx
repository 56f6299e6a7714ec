import { Water } from './Water';

export default function WaterPage() {
  return <Water />;
}
