import { leverWords, valveOf, valveWords, zonesOf, type ValveSays } from '../../circuit/closedPipe';
import { lossOf, lossWords } from '../../circuit/pipeFacts';
import type { VisitDocument } from '../../document';
import * as format from '../../units/format';
import type { DisplayUnit } from '../../units/temperature';
import type { Block } from '../block';

const VERDICT_WORDS = { holds: 'holds', passes: 'lets by', 'cannot-say': 'cannot say' } as const;
const shortly = (says: ValveSays) => (says.kind === 'judged' ? VERDICT_WORDS[says.judged.verdict] : 'not read in full');

/** Pipes, valves and what is lost, on one sheet; nothing where none was looked at. */
export function pipeBlocks({ rows }: VisitDocument, unit: DisplayUnit): Block[] {
  const pipes = Object.values(rows.pipe).sort((a, b) => (a.id < b.id ? -1 : 1));
  if (pipes.length === 0) return [];
  const temperature = (celsius: number) => format.temperature(celsius, unit);
  return [
    { kind: 'sheet', above: 'Heating', title: 'Pipes and valves' },
    ...pipes.flatMap(({ value }): Block[] => {
      const heading: Block = { kind: 'heading', text: value.name };
      if (value.question === 'valve') {
        const places = value.points
          .toSorted((a, b) => (a.minutes ?? 0) - (b.minutes ?? 0) || a.m - b.m)
          .map(
            ({ m, celsius, taped, minutes }) =>
              `${format.number(m, 2)} m ${format.temperature(celsius, unit)}${taped ? '' : ' (bare)'}${minutes === null || minutes === undefined ? '' : ` after ${Math.round(minutes)} min`}`,
          );
        return [
          heading,
          { kind: 'text', text: valveWords(valveOf(value), temperature) },
          { kind: 'text', quiet: true, text: `Away from the valve: ${places.join(' · ') || 'nothing read'}` },
        ];
      }
      if (value.question === 'zones')
        return [
          heading,
          {
            kind: 'table',
            head: ['Zone', 'With its call', 'After it', 'Minutes', '', 'Lever'],
            align: ['left', 'right', 'right', 'right', 'left', 'left'],
            rows: zonesOf(value).map(({ name, onC, offC, minutes, says, ...zone }) => [
              name,
              onC === null ? '–' : temperature(onC),
              offC === null ? '–' : temperature(offC),
              minutes === null || minutes === undefined ? '–' : String(Math.round(minutes)),
              shortly(says),
              leverWords(zone),
            ]),
          },
        ];
      const loss = lossOf(value);
      return [
        heading,
        {
          kind: 'text',
          text: loss
            ? `Loses ${lossWords(loss)}; lagged as usual ${Math.round(loss.laggedW)} W, which saves ${Math.round(loss.saveKwhYear)} kWh.`
            : 'Not enough was read.',
        },
      ];
    }),
  ];
}
