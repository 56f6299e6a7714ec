import { House } from './House';

export default function HousePage() {
  return <House />;
}
