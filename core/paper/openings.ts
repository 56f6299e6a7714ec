import { turnWords } from '../work/heating/balance';
import { emittersOf } from '../work/heating/emitters';
import { warmingOrder } from '../work/heating/warmingOrder';
import type { VisitDocument } from '../model/document';
import { openingsByOrder } from '../method/heating/byOrder';
import { assumedLine } from '../ground/source';
import { USUAL } from '../ground/usual';
import type { Block } from './block';

/** A card for the school without instruments: openings by order of warming, and what to feel for. */
export function openingBlocks(document: VisitDocument): Block[] {
  const emitters = emittersOf(document);
  const { order, minutes } = warmingOrder(document, 0);
  const sorted = [
    ...order.flatMap((id) => emitters.find((one) => one.id === id) ?? []),
    ...emitters.filter(({ id }) => !order.includes(id)),
  ];
  const openings = openingsByOrder(sorted.map(({ told }) => told.turnsOpen));
  const uncounted = sorted.filter(({ told }) => told.assumed.includes('turnsOpen')).map(({ name }) => name);
  return [
    {
      kind: 'text',
      text:
        order.length > 1
          ? 'In the order in which they became warm. The first is opened little, the last fully, the others between.'
          : 'In the order of the run: nobody noted yet who became warm first. The first is opened little, the last fully, the others between.',
    },
    {
      kind: 'table',
      head: ['', 'Emitter', 'Warm after', 'Found at', 'Open to', 'Warm below?'],
      align: ['right', 'left', 'right', 'left', 'left', 'left'],
      rows: sorted.map(({ id, name, row }, k) => {
        const after = minutes.get(id) ?? null;
        return [
          String(k + 1),
          name,
          after === null ? '–' : `${after.toFixed(0)} min`,
          turnWords(row.value.turns),
          turnWords(openings[k]!),
          '',
        ];
      }),
    },
    ...(uncounted.length > 0
      ? ([{ kind: 'text', text: assumedLine([`${USUAL.turnsOpen} turns to the stop of ${uncounted.join(', ')}`]) }] as const)
      : []),
    { kind: 'heading', text: 'How' },
    {
      kind: 'text',
      text: 'All heads open, bled, pump speed fixed. Close each lockshield gently to its stop, counting the turns; write them down, then open to the turns above. Ten minutes later lay a hand on each return: hotter than the others gets an eighth less, cooler an eighth more. Go round again until they feel alike.',
    },
    {
      kind: 'text',
      text: 'Pipes scald and the water is under pressure: turn the lockshield with its own key, never its gland nut.',
    },
  ];
}
