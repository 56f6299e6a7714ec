import { Intake } from './Intake';

export default function QuestionPage() {
  return <Intake />;
}
