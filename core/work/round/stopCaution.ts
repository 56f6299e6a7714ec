import type { RoomKind } from '../../model/houseKinds';
import type { VisitKind } from '../../model/visitKinds';
import type { Place } from './lookFor';
import { PART_WORDS, type Part } from './parts';

/** Parts that somebody may think of opening or drilling. */
const OPENED: ReadonlySet<Part> = new Set<Part>(['floor', 'wall', 'inner-wall', 'ceiling', 'ceiling-below', 'loft-floor']);

/**
 * What may hurt somebody at a stop, short; local codes and licensed people come first. null where nothing more than usual
 * does.
 *
 * @param kind - why the survey is wanted
 * @param room - null outdoors, and for what lies in no room
 */
export function stopCaution(
  part: Part,
  { side, cooled, day }: Place,
  kind: VisitKind | null = null,
  room: RoomKind | null = null,
): string | null {
  const all = [PART_WORDS[part].caution];
  if (side === 'loft' && cooled) all.push('A loft under the sun is hot: minutes only, water, somebody below who knows.');
  if (side === 'outside' && !day) all.push('In the dark with a torch; nobody on a roof or a ladder.');
  if (kind === 'open-up' && OPENED.has(part))
    all.push(
      'Before anything is opened or drilled: gas, cables, heating runs, tensioned tendons. Dust may hold silica, asbestos or lead.',
    );
  if (kind === 'open-up' && part === 'inner-wall')
    all.push('A circuit is loaded to trace it only within its rating, for minutes, with somebody beside it.');
  if (kind === 'no-heat' && part === 'radiator')
    all.push('Before bleeding: heating off and cold, a towel, a key; hot water comes out under pressure.');
  if (room === 'cabin')
    all.push(
      'A fuel heater in a small shell needs a carbon monoxide alarm and an open vent. Foam gives off fumes: doors open, no flame.',
    );
  return all.filter((words) => words !== null).join(' ') || null;
}
