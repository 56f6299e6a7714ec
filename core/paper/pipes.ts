import { leverWords, valveOf, valveWords, zonesOf, type ValveSays } from '../work/heating/closedPipe';
import { lossOf, lossWords } from '../work/heating/pipeFacts';
import { assumedOfPipe, toldPipe, type ToldPipe } from '../work/heating/toldPipe';
import type { VisitDocument } from '../model/document';
import { assumedLine } from '../ground/source';
import * as format from '../ground/format';
import type { DisplayUnit } from '../ground/temperature';
import type { Block } from './block';

const VERDICT_WORDS = { holds: 'holds', passes: 'lets by', 'cannot-say': 'cannot say' } as const;
const shortly = (says: ValveSays) => (says.kind === 'judged' ? VERDICT_WORDS[says.judged.verdict] : 'not read in full');

/** Pipes, valves and what is lost, on one sheet; nothing where none was looked at. */
export function pipeBlocks(document: VisitDocument, unit: DisplayUnit): Block[] {
  const pipes = Object.values(document.rows.pipe).sort((a, b) => (a.id < b.id ? -1 : 1));
  if (pipes.length === 0) return [];
  return [
    { kind: 'sheet', above: 'Heating', title: 'Pipes and valves' },
    ...pipes.flatMap(({ value }): Block[] => {
      const pipe = toldPipe(document, value);
      const assumed = assumedLine(assumedOfPipe(pipe, unit));
      return [
        { kind: 'heading', text: pipe.name },
        ...answerBlocks(pipe, (celsius) => format.temperature(celsius, unit)),
        ...(assumed ? ([{ kind: 'text', quiet: true, text: assumed }] as const) : []),
      ];
    }),
  ];
}

function answerBlocks(pipe: ToldPipe, temperature: (celsius: number) => string): Block[] {
  if (pipe.question === 'valve') {
    const places = pipe.points
      .toSorted((a, b) => (a.minutes ?? 0) - (b.minutes ?? 0) || a.m - b.m)
      .map(
        ({ m, celsius, taped, minutes }) =>
          `${format.number(m, 2)} m ${temperature(celsius)}${taped ? '' : ' (bare)'}${minutes === null || minutes === undefined ? '' : ` after ${Math.round(minutes)} min`}`,
      );
    return [
      { kind: 'text', text: valveWords(valveOf(pipe), temperature) },
      { kind: 'text', quiet: true, text: `Away from the valve: ${places.join(' · ') || 'nothing read'}` },
    ];
  }
  if (pipe.question === 'zones')
    return [
      {
        kind: 'table',
        head: ['Zone', 'With its call', 'After it', 'Minutes', '', 'Lever'],
        align: ['left', 'right', 'right', 'right', 'left', 'left'],
        rows: zonesOf(pipe).map(({ name, onC, offC, minutes, says, ...zone }) => [
          name,
          onC === null ? '–' : temperature(onC),
          offC === null ? '–' : temperature(offC),
          minutes === null || minutes === undefined ? '–' : String(Math.round(minutes)),
          shortly(says),
          leverWords(zone),
        ]),
      },
    ];
  const loss = lossOf(pipe);
  return [
    {
      kind: 'text',
      text: loss
        ? `Loses ${lossWords(loss)}; lagged as usual ${Math.round(loss.laggedW)} W, which saves ${Math.round(loss.saveKwhYear)} kWh.`
        : 'Not enough was read.',
    },
  ];
}
