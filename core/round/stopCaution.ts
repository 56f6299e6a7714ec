import type { Place } from './lookFor';
import { PART_WORDS, type Part } from './parts';

/** What may hurt somebody at a stop, short; local codes and licensed people come first. null where nothing more than usual does. */
export function stopCaution(part: Part, { side, cooled, day }: Place): string | null {
  const all = [PART_WORDS[part].caution];
  if (side === 'loft' && cooled) all.push('A loft under the sun is hot: minutes only, water, somebody below who knows.');
  if (side === 'outside' && !day) all.push('In the dark with a torch; nobody on a roof or a ladder.');
  return all.filter((words) => words !== null).join(' ') || null;
}
