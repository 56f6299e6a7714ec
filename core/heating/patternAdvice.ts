import type { Pattern } from './pattern';

/** What to do about the pattern of an emitter, in the order in which it is done; the caution comes first where there is one. */
export function patternAdvice(pattern: Pattern, minutesOn: number | null): string[] {
  return ADVICE[pattern].concat(
    minutesOn === null && (pattern === 'still-warming' || pattern === 'cold-whole')
      ? ['Note when the heat came on: minutes tell a late emitter from a dead one.']
      : [],
  );
}

const ADVICE: Record<Pattern, string[]> = {
  even: ['Warm all over: nothing to do here but its drop.'],
  'cold-top': [
    'Hot water scalds and is under pressure: heating off and cool before a vent is opened, a towel under it.',
    'Air lies along the top. Bleed it until water comes without bubbles, the top storey first.',
    'Some bleed while low-temperature heat runs; off is safer, and a running pump can draw air in where it sucks.',
    'Then bring the system back to the cold pressure that its maker marks, and listen again in some days.',
  ],
  'cold-bottom': [
    'Cold low in the middle speaks for sludge: note the cold share, agitate, and see whether it shrinks.',
    'What stays is flushed, alone and both ways; vents and feeds are back before anything heats.',
  ],
  'cold-whole': [
    'Look whether its head is turned down and both valves are open; count the turns, so that they can be put back.',
    'A pin can stick in its seat: free it by pressing, never with force on a body under pressure.',
    'Feel the pipe below: cold there too, and the water does not reach it.',
  ],
  'still-warming': ['Warm at one end only: the water is still on its way. Come back in ten minutes before anything is turned.'],
  hidden: ['Something hangs or stands before it. Take it away, wait some minutes, and take the frame again.'],
  unclear: ['No pattern that tells a fault. Wait until it is hot, stand square to it, and take the frame again.'],
};
