import type { Place } from './lookFor';
import type { Part } from './parts';

/**
 * What is usually found at each part of a round, to be recorded in one tap; anything else is typed. A surveyor may read and
 * edit this table.
 */
const TITLES: Record<Part, (cold: string) => string[]> = {
  complaint: (cold) => [`A ${cold} patch`, 'Air comes in', 'Damp patch'],
  own: (cold) => [`A ${cold} patch`, 'Air comes in', 'Damp patch'],
  door: (cold) => ['Air comes in at the door', `${capital(cold)} door panel`],
  floor: (cold) => ['Air comes in at the skirting', `${capital(cold)} floor edge`],
  cupboard: (cold) => [`${capital(cold)} back of the cupboard`, 'Damp in the cupboard'],
  radiator: () => ['Radiator cold along the top', 'Radiator cold low in the middle', 'Radiator cold all over'],
  source: () => ['Pipe without lagging', 'Heat where a valve is shut'],
  fixture: () => ['Drops under it', 'Cool patch that spreads'],
  register: () => ['Weaker than its neighbours', 'Air beside the register'],
  socket: () => ['Air comes in at the socket'],
  panel: () => ['One breaker warmer than its like'],
  flue: () => ['Open though unused'],
  sill: (cold) => ['Air comes in under the sill', `${capital(cold)} wall under the sill`],
  window: (cold) => ['Air comes in at the sash', `${capital(cold)} frame corner`, 'Pane unlike its neighbours'],
  wall: (cold) => [`A ${cold} field in the wall`, `${capital(cold)} corner`, 'Damp patch'],
  'inner-wall': () => ['A line that may be a pipe', 'Damp patch'],
  'ceiling-corners': (cold) => [`${capital(cold)} ceiling edge`, 'Mould risk in the corner'],
  ceiling: (cold) => [`A ${cold} field in the ceiling`, 'Damp patch'],
  'ceiling-below': () => ['Damp patch below the wet room'],
  hatch: (cold) => ['Air comes in round the hatch', `${capital(cold)} hatch lid`],
  light: () => ['Air comes in round the light'],
  vent: () => ['Vent open though closed', 'Air comes in beside the vent'],
  appliances: () => ['Heat at a seal', 'Warm although off'],
  'loft-floor': () => ['Insulation missing', 'Insulation pushed aside'],
  'loft-eaves': () => ['Insulation stops short of the eaves', 'Insulation pushed away from the eaves'],
  'facade-left': () => ['A field unlike the wall around it', 'Heat leaves at an edge'],
  'facade-right': () => ['A field unlike the wall around it', 'Heat leaves at an edge'],
  history: () => ['The change still shows'],
};

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

/** Usual findings at a part, in words that are true of its side and season. */
export function findingTitles(part: Part, { side, cooled }: Place): string[] {
  return TITLES[part]((side === 'inside') === cooled ? 'warm' : 'cold');
}
