import type { Handout } from './handout';
import { localDay, localTime } from '../ground/localTime';
import { PRACTICE_FOOT } from '../work/visit/practice';
import type { LoanHomes, PlannedLoan } from '../work/loan/planLoan';

/** The sheet that goes with the camera: who has it when, and who waits. @param weather - which the turns were planned by, and how warm the homes are taken to be, both in words */
export function loanSheet({ loan, homes }: LoanHomes, planned: PlannedLoan, weather: string, insideWords: string): Handout {
  const { value } = loan;
  const siteOf = new Map(homes.map(({ row, site }) => [row.id, site.value]));
  const rows = planned.turns.map((turn) => {
    const site = siteOf.get(turn.homeId)!;
    const day = localDay(turn.from, value.timeZone, 'short');
    const trade = planned.tradeOffs.find(({ homeId }) => homeId === turn.homeId)?.words ?? 'Its best hours in these days.';
    return [
      `${day}, ${localTime(turn.from, value.timeZone)}–${localTime(turn.to, value.timeZone)}`,
      [site.name, site.address].filter(Boolean).join('\n'),
      trade,
      '…………………………',
    ];
  });
  const blocks: Handout['blocks'] = [
    {
      kind: 'table',
      columns: [
        { name: 'When', share: 2 },
        { name: 'Home', share: 3 },
        { name: 'Note', share: 3 },
        { name: 'Received, with all parts', share: 2 },
      ],
      rows,
    },
  ];
  if (planned.waiting.length > 0) {
    blocks.push(
      { kind: 'heading', text: 'Waiting for the next loan' },
      { kind: 'points', points: planned.waiting.map(({ homeId, words }) => `${siteOf.get(homeId)!.name}: ${words}`) },
    );
  }
  blocks.push(
    { kind: 'heading', text: 'Before it is handed on' },
    {
      kind: 'points',
      points: [
        'Camera charged, lens cap on, every part in the bag.',
        'Pictures copied off and the card emptied: a thermal frame shows people and their homes.',
        'What was turned up, taped or closed in the home is put back.',
      ],
    },
  );
  return {
    title: value.name,
    subtitle: `${localDay(value.from, value.timeZone)} to ${localDay(value.to, value.timeZone)}. If the weather turns, ask for a new sheet.`,
    fileName: value.name,
    foot: [value.practice ? PRACTICE_FOOT : '', `By ${weather}, homes taken as ${insideWords} inside`]
      .filter(Boolean)
      .join(' · '),
    blocks,
  };
}
