import { v7 as newId } from 'uuid';
import type { IntakeValue } from '@core/model/intakeRow';

type Lines = {
  complaints: Omit<IntakeValue['complaints'][number], 'id' | 'answer'>[];
  history: Omit<IntakeValue['history'][number], 'id'>[];
};

/** What the demo says of complaints and history, each line with a name of its own. */
export function intakeOf<I extends Lines>(intake: I) {
  const named = <L extends object>(lines: readonly L[]) => lines.map((line) => ({ id: newId(), ...line }));
  return {
    ...intake,
    complaints: named(intake.complaints.map((one) => ({ ...one, answer: '' }))),
    history: named(intake.history),
  };
}
