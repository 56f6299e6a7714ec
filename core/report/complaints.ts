import type { VisitDocument } from '../document';
import type { Outcome } from '../round/coverage';
import { roundOf, stopRowOf } from '../round/round';
import { roomIn, stopKeyOf } from '../round/stops';
import { orderedFindings } from '../visit/findings';
import { framesOf } from '../visit/frames';
import type { IntakeValue } from '../visit/intakeRow';
import { roomsOf } from '../visit/theVisit';
import type { Fact } from './fact';

/** A complaint is answered by what was found in the place that it names, by its own stop, or by whether the place was looked at. */
export function complaintFacts(document: VisitDocument, complaints: IntakeValue['complaints']): Fact[] {
  const { outcomes } = roundOf(document);
  return complaints.map(({ id, place, what }) => {
    const room = roomIn(roomsOf(document), place);
    const frames = framesOf(document).filter(({ value }) => room && value.roomId === room.id);
    const ids = new Set(frames.map((frame) => frame.id));
    const titles = orderedFindings(document)
      .filter(({ value }) => ids.has(value.frameId))
      .map(({ value }) => value.title);
    const key = stopKeyOf(id, 'complaint');
    const outcome = outcomes.get(key) ?? null;
    const { reason, note } = stopRowOf(document, key).value;
    const own =
      outcome === null
        ? null
        : `${OUTCOME_WORDS[outcome]}${[reason, note]
            .filter(Boolean)
            .map((words) => `: ${words}`)
            .join('')}`;
    const looked = frames.length > 0 ? 'Looked at, nothing recorded there' : 'Not looked at';
    const answers = [
      ...(titles.length > 0 ? [`Found there: ${titles.join('; ')}`] : []),
      ...(own !== null && (titles.length === 0 || note || reason) ? [own] : []),
    ];
    const said = (answers.length > 0 ? answers : [looked]).map((words) => (/[.!?]$/.test(words) ? words : `${words}.`));
    return { label: place, value: `${what}. ${said.join(' ')}` };
  });
}

const OUTCOME_WORDS: Record<NonNullable<Outcome>, string> = {
  seen: 'Something is to be seen there',
  nothing: 'Looked at, nothing to be seen',
  unreached: 'Could not be reached',
  unsolved: 'Unsolved',
};
