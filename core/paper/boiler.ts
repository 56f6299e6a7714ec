import type { VisitDocument } from '../model/document';
import type { Row } from '../model/entities';
import { cardLines, rateVerdict, type Verdict } from '../work/heating/cardVerdict';
import { FUEL_FACTS } from '../method/heating/combustion';
import { TEST_STATE_WORDS } from '../method/heating/testStates';
import { localDay, localTime } from '../ground/localTime';
import { siteOf } from '../work/visit/theVisit';
import type { Block } from './block';

const VERDICT_WORDS: Record<Verdict, string> = {
  pass: 'within the limits',
  attention: 'ATTENTION',
  'not-judged': 'not judged',
};

export function cardsOf({ rows }: VisitDocument): Row<'boilerCard'>[] {
  return Object.values(rows.boilerCard).sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** One boiler card. */
export function boilerBlocks(document: VisitDocument, { value }: Row<'boilerCard'>): Block[] {
  const { timeZone } = siteOf(document);
  const licensed = value.by !== '' && value.licence !== '' && value.fuel !== null;
  return [
    {
      kind: 'facts',
      facts: [
        { label: 'Fuel', value: value.fuel === null ? 'not noted: nothing is judged' : FUEL_FACTS[value.fuel].words },
        { label: 'Tested', value: `${localDay(value.testedAt, timeZone)}, ${localTime(value.testedAt, timeZone)}` },
        { label: 'By', value: value.by || 'nobody named' },
        { label: 'Licence', value: value.licence || 'none named: nothing is judged' },
        { label: 'State of the test', value: value.states.map((one) => TEST_STATE_WORDS[one]).join(', ') || 'not noted' },
      ],
    },
    ...value.rates.flatMap((rate): Block[] => {
      const verdict = rateVerdict(value.fuel, rate, licensed);
      return [
        { kind: 'heading', text: `${rate.name}: ${VERDICT_WORDS[verdict]}` },
        {
          kind: 'table',
          head: ['', 'Reading', `Limit${rate.page === '' ? '' : `, ${rate.page}`}`, ''],
          align: ['left', 'right', 'left', 'left'],
          rows: cardLines(value.fuel, rate).map((line) => [
            line.name,
            line.value,
            line.limit,
            licensed && line.limit !== '' ? VERDICT_WORDS[line.verdict] : '',
          ]),
        },
      ];
    }),
    ...value.parts.flatMap(({ part, note, photoId }): Block[] => [
      { kind: 'heading', text: part },
      ...(note === '' ? [] : ([{ kind: 'text', text: note }] as const)),
      ...(photoId !== null && document.rows.photo[photoId]
        ? [{ kind: 'pictures', pictures: [{ figure: null, photoId, caption: part }] } satisfies Block]
        : []),
    ]),
    {
      kind: 'text',
      quiet: true,
      text: 'Excess air, CO air-free and efficiency are computed from dry flue gas (net calorific value). Limits are the maker’s, as typed in. Burner, gas and flue are opened by licensed people only.',
    },
  ];
}
