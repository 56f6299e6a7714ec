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
  'low-flow': [
    'Clean as far as its face tells: little water cools far on its way down. Its drop comes first, the face after it.',
    'Read flow and return. A large drop asks for a wider lockshield, not for a flush.',
  ],
  'cold-top': [
    'Hot water scalds and is under pressure: heating off and cool before a vent is opened, a towel under it.',
    'Air lies along the top. Bleed it until water comes without bubbles, the top storey first.',
    'Some bleed while low-temperature heat runs; off is safer, and a running pump can draw air in where it sucks.',
    'Then bring the system back to the cold pressure that its maker marks, and listen again in some days.',
  ],
  'cold-bottom': [
    'Colder low down than flow and return make it: that speaks for sludge. Note cold share and drop; a flush is proven only at a like drop.',
    'Heating off, cool and isolated before it is agitated; what stays is flushed, alone and both ways. Vents and feeds are back before anything heats.',
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
