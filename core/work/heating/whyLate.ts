import type { Emitter } from './emitters';
import type { JudgedFace } from './faces';

/** Why an emitter is late or cold, the likeliest first, by what is known of it. */
export function whyLate(emitter: Emitter, place: number, count: number, face: JudgedFace | null): string[] {
  const reasons: string[] = [];
  const { headOpen, sticks } = emitter.row.value;
  if (!headOpen) reasons.push('Its head is turned down: open it, and write it on the put-back list.');
  if (face?.pattern === 'cold-top') reasons.push('Air along its top: bleed it, cool, with the pump off.');
  if (face?.pattern === 'cold-bottom') reasons.push('Sludge low down takes its flow.');
  if (emitter.turns !== null && emitter.turns < 0.5) reasons.push('Its lockshield is nearly shut.');
  if (sticks) reasons.push('Its valve is noted as stuck.');
  if (face?.pattern === 'still-warming') reasons.push('Warm at one end: the water is on its way, with little flow.');
  if (place > 0.7 * count)
    reasons.push(`It is ${place} of ${count} on the run: the last ones come late until the circuit is balanced.`);
  if (reasons.length === 0) reasons.push('Feel both its pipes: cold there too is a valve that is shut, or a pin that sticks.');
  return reasons;
}
