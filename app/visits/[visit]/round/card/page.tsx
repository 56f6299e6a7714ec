import { Card } from './Card';

export default function CardPage() {
  return <Card />;
}
