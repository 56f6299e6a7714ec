import { coldSharesOf, framesOfShares, stagesSeen } from '../work/heating/coldShares';
import { emittersOf } from '../work/heating/emitters';
import { flushOf } from '../work/heating/heatingOf';
import { likeWater } from '../work/heating/waterOfFace';
import type { Pixels } from '../work/heating/tails';
import type { VisitDocument } from '../model/document';
import { FLUSH_STEPS, FLUSH_WORDS, isClear } from '../method/heating/flushSteps';
import { STAGE_WORDS } from '../method/heating/stages';
import * as format from '../ground/format';
import { localTime } from '../ground/localTime';
import { openChanges } from '../work/round/round';
import { siteOf } from '../work/visit/theVisit';
import type { Block } from './block';

export { framesOfShares as framesOfFlush };

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Whether a flush was begun. */
export function hasFlush(document: VisitDocument): boolean {
  const { steps, marks, water } = flushOf(document).value;
  return Object.keys(steps).length > 0 || marks.length > 0 || water.length > 0;
}

/** A flush as its certificate states it: first the result at a glance, then the proof and the order of work. */
export function flushBlocks(document: VisitDocument, pixels: Pixels): Block[] {
  const { value } = flushOf(document);
  const { timeZone } = siteOf(document);
  const shares = coldSharesOf(document, pixels);
  const stages = stagesSeen(shares);
  const last = stages.at(-1);
  const seen = shares.flatMap(({ shares: of, water }) => {
    const [before, after] = [of.found, last ? of[last] : null];
    const like = last !== undefined && likeWater(water.found, water[last]);
    return typeof before === 'number' && typeof after === 'number' ? [{ before, after, like }] : [];
  });
  // A face that became warmer by more water proves no flush.
  const both = seen.filter(({ like }) => like);
  const cold = { before: mean(both.map(({ before }) => before)), after: mean(both.map(({ after }) => after)) };
  const proven = both.length > 0 && last !== 'found';
  const ppm = value.water.at(-1)?.ppm ?? null;
  const clear = isClear(ppm, value.mainsPpm);
  const open = openChanges(document).filter((row) => row.value.kind === 'vent');
  const missing = FLUSH_STEPS.filter((step) => value.steps[step] === undefined);
  return [
    {
      kind: 'callout',
      text: proven
        ? `Of the faces of ${both.length} ${both.length === 1 ? 'radiator' : 'radiators'} ${format.percent(cold.before)} were cold before, ${format.percent(cold.after)} ${STAGE_WORDS[last!].toLowerCase()}, at like flow and drop.${seen.length > both.length ? ` ${seen.length - both.length} more were seen at another flow or drop, or nobody read it: those prove nothing.` : ''}`
        : seen.length > 0 && last !== 'found'
          ? 'Radiators were seen before and after, but not at a flow and a drop that were read and alike: an opened valve warms a face too. The frames prove nothing yet.'
          : 'No radiator was seen both before and after: the frames prove nothing yet.',
    },
    ...(open.length > 0
      ? ([
          { kind: 'callout', text: `STILL CAPPED: ${open.map((row) => row.value.what).join(', ')}. The system must not heat.` },
        ] as const)
      : []),
    ...(stages.length > 0
      ? ([
          { kind: 'heading', text: 'Cold share of every face, from the same position' },
          {
            kind: 'bars',
            stages: stages.map((stage) => STAGE_WORDS[stage]),
            rows: shares.map(({ emitter, shares: of }) => ({
              name: emitter.name,
              shares: stages.map((stage) => of[stage] ?? null),
            })),
          },
        ] as const)
      : []),
    { kind: 'heading', text: 'Water and chemicals' },
    {
      kind: 'facts',
      facts: [
        { label: 'Mains', value: value.mainsPpm === null ? 'not read' : `${value.mainsPpm} ppm dissolved solids` },
        {
          label: 'Leaving the system',
          value:
            value.water.length === 0
              ? 'not read'
              : `${value.water.map((one) => `${one.ppm} ppm at ${localTime(one.at, timeZone)}`).join(', ')}${clear === null ? '' : clear ? ': dissolved solids as in the mains' : ': more dissolved solids than the mains'}`,
        },
        { label: 'Cleaner', value: value.cleaner || 'not noted' },
        { label: 'Inhibitor', value: value.inhibitor || 'not noted' },
        { label: 'Done by', value: value.by || 'not noted' },
      ],
    },
    { kind: 'heading', text: 'Order of work' },
    {
      kind: 'facts',
      facts: FLUSH_STEPS.filter((step) => value.steps[step] !== undefined)
        .toSorted((a, b) => value.steps[a]! - value.steps[b]!)
        .map((step) => ({ label: localTime(value.steps[step]!, timeZone), value: FLUSH_WORDS[step].title })),
    },
    ...(missing.length > 0
      ? ([
          { kind: 'text', text: `Not done: ${missing.map((step) => FLUSH_WORDS[step].title.toLowerCase()).join('; ')}.` },
        ] as const)
      : []),
    ...marksTable(document),
    ...(value.note ? ([{ kind: 'text', text: value.note }] as const) : []),
  ];
}

function marksTable(document: VisitDocument): Block[] {
  const { marks } = flushOf(document).value;
  const rows = emittersOf(document).flatMap(({ id, name }) => {
    const mark = marks.find(({ serviceId }) => serviceId === id);
    return mark
      ? [
          [
            name,
            mark.agitatedMin === null ? '–' : `${mark.agitatedMin} min`,
            mark.alone ? 'yes' : '–',
            mark.bothWays ? 'yes' : '–',
          ],
        ]
      : [];
  });
  if (rows.length === 0) return [];
  return [
    { kind: 'heading', text: 'Radiator by radiator' },
    { kind: 'table', head: ['Radiator', 'Agitated', 'Alone', 'Both ways'], align: ['left', 'right', 'left', 'left'], rows },
  ];
}
