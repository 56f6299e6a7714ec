import type { VisitDocument } from '../../model/document';
import type { BalanceAdvice, CannotWhy } from '../../method/heating/balance/state';
import type { Emitter } from './emitters';
import type { JudgedFace } from './faces';
import { heatingOf, warmingOf } from './heatingOf';

export type Tone = 'good' | 'care' | 'poor' | 'none';

export interface EmitterState {
  tone: Tone;
  words: string;
}

export const CANNOT_WORDS: Record<CannotWhy, string> = {
  sludged:
    'Open to its stop and still too little flow: its own way resists more than ways do. Sludge, or a valve that is stuck inside.',
  'undersized-pump':
    'Open to its stop and still too little flow: the house has no more head to give. Pump speed, or pipes too narrow.',
  closed: 'No water, however far its lockshield is open: the valve at its other end, or a stuck pin.',
  'no-heat': 'Nothing is warm: source or pump.',
  sticks: 'Its valve sticks and stands wrong. Free or replace it when the system is drained; never by force.',
  'ends-swapped': 'The return reads hotter than the flow: are its ends exchanged? It is read the other way round now.',
  'not-settled': 'Read before the wait was over: it counts for little. Read it again later.',
};

/** What an emitter is said to be, in two or three words: its face first, then its drop. */
export function emitterState(
  document: VisitDocument,
  emitter: Emitter,
  face: JudgedFace | null,
  drop: number | null,
  advice: BalanceAdvice | null,
): EmitterState {
  const { targetK, toleranceK } = heatingOf(document).value;
  const { bledAt } = warmingOf(document, emitter.id).value;
  const why = advice?.cannot.find(({ emitterId, why: one }) => emitterId === emitter.id && one !== 'not-settled')?.why;
  if (why === 'closed') return { tone: 'poor', words: 'no water' };
  if (why === 'no-heat') return { tone: 'poor', words: 'no heat' };
  switch (face?.pattern) {
    case 'cold-top':
      return bledAt !== null && bledAt > face.takenAt
        ? { tone: 'care', words: 'bled: look again' }
        : { tone: 'care', words: 'air: bleed' };
    case 'cold-bottom':
      // The drop is judged before the face: little water leaves a foot cold by itself.
      return { tone: 'care', words: face.water ? 'sludge low down' : 'cold low down: read its drop' };
    case 'cold-whole':
      return { tone: 'poor', words: 'cold' };
    case 'still-warming':
      return { tone: 'care', words: 'still warming' };
    case 'hidden':
      return { tone: 'care', words: 'hidden' };
    case 'even':
    case 'low-flow':
    case 'unclear':
    case undefined:
      break;
  }
  if (why === 'sludged' || why === 'undersized-pump') return { tone: 'poor', words: 'too little flow' };
  if (drop === null)
    return { tone: 'none', words: face ? (face.pattern === 'low-flow' ? 'read its drop' : 'warm') : 'not read yet' };
  if (Math.abs(drop - targetK) <= toleranceK) return { tone: 'good', words: 'on target' };
  return drop < targetK ? { tone: 'care', words: 'too much flow' } : { tone: 'care', words: 'too little flow' };
}
