import { lossOf, valveOf, valveWords, zonesOf } from '../../circuit/pipeFacts';
import type { VisitDocument } from '../../document';
import * as format from '../../units/format';
import type { DisplayUnit } from '../../units/temperature';
import type { Block } from '../block';

const ZONE_WORDS = { holds: 'holds', passes: 'lets by', 'cannot-say': 'cannot say' } as const;

/** Pipes, valves and what is lost, on one sheet; nothing where none was looked at. */
export function pipeBlocks({ rows }: VisitDocument, unit: DisplayUnit): Block[] {
  const pipes = Object.values(rows.pipe).sort((a, b) => (a.id < b.id ? -1 : 1));
  if (pipes.length === 0) return [];
  return [
    { kind: 'sheet', above: 'Heating', title: 'Pipes and valves' },
    ...pipes.flatMap(({ value }): Block[] => {
      const heading: Block = { kind: 'heading', text: value.name };
      if (value.question === 'valve') {
        const found = valveOf(value);
        const places = value.points
          .toSorted((a, b) => a.m - b.m)
          .map(
            ({ m, celsius, taped }) => `${format.number(m, 2)} m ${format.temperature(celsius, unit)}${taped ? '' : ' (bare)'}`,
          );
        return [
          heading,
          { kind: 'text', text: 'missing' in found ? found.missing : valveWords(found) },
          { kind: 'text', quiet: true, text: `Away from the valve: ${places.join(' · ') || 'nothing read'}` },
        ];
      }
      if (value.question === 'zones')
        return [
          heading,
          {
            kind: 'table',
            head: ['Zone', 'With its call', 'Without', ''],
            align: ['left', 'right', 'right', 'left'],
            rows: zonesOf(value).map(({ name, onC, offC, verdict }) => [
              name,
              onC === null ? '–' : format.temperature(onC, unit),
              offC === null ? '–' : format.temperature(offC, unit),
              ZONE_WORDS[verdict],
            ]),
          },
        ];
      const loss = lossOf(value);
      return [
        heading,
        {
          kind: 'text',
          text: loss
            ? `Loses about ${Math.round(loss.watts)} W, ${Math.round(loss.kwhYear)} kWh a year; lagged as usual ${Math.round(loss.laggedW)} W, which saves ${Math.round(loss.saveKwhYear)} kWh.`
            : 'Not enough was read.',
        },
      ];
    }),
  ];
}
