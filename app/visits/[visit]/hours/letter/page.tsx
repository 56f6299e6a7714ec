import { Letter } from './Letter';

export default function LetterPage() {
  return <Letter />;
}
