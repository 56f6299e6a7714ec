import type { VisitDocument } from '../model/document';
import { clocksOf, huntOf, intervalOf } from '../work/water/huntOf';
import { runsHot, type HuntValue } from '../model/huntRow';
import { COVERING_WORDS, HYPOTHESIS_WORDS, OUTCOME_WORDS, STEP_WORDS } from '../work/water/huntWords';
import { HUNT_STEPS, weighed } from '../model/hypotheses';
import { leakWords, OPENING_CAUTIONS } from '../work/water/leakWords';
import { lossOf, type Loss } from '../work/water/loss';
import { framesOfHunt, isHunted, metresEachOf, stepsWith } from '../work/water/seek';
import { IDENTITY_LINE } from '../method/radiometry/measurement';
import { assumedLine, marked, orUsual } from '../ground/source';
import { USUAL } from '../ground/usual';
import { COLOUR_MAPS } from '../method/scale/colourMaps';
import { ownRange } from '../method/scale/ownRange';
import { orderedScale } from '../method/scale/scale';
import * as format from '../ground/format';
import { localTime } from '../ground/localTime';
import type { DisplayUnit } from '../ground/temperature';
import { wholePm } from '../ground/wholePm';
import { lineFor } from '../work/visit/settingsInForce';
import { surfaceFor } from '../work/visit/surface';
import { siteOf, visitRow } from '../work/visit/theVisit';
import type { LeakFound } from '../method/water/timelapse';
import type { Block } from './block';
import type { Fact } from './fact';
import type { Figure } from './figure';

/** So many hypotheses are worth a line. */
const LINES = 4;
const MOVED_PX = 2;

/** The hunt for a leak: where the water comes out, why that is believed, where it is marked, what was found. */
export function leakSheets(
  document: VisitDocument,
  found: LeakFound | null,
  pixels: (frameId: string) => Float32Array | undefined,
  unit: DisplayUnit,
): Block[] {
  if (!isHunted(document)) return [];
  const hunt = huntOf(document).value;
  const steps = stepsWith(hunt, found);
  const [likeliest] = weighed(steps);
  const words = found && leakWords(found, unit, metresEachOf(document, found.frames[0]!.name));
  const picture = found && figureOf(document, found, pixels, unit);
  const done = HUNT_STEPS.filter((step) => hunt.steps[step]);
  return [
    {
      kind: 'sheet',
      above: 'Where the water comes from',
      title: hunt.found
        ? `Opened${hunt.found.cause ? ` and found: ${HYPOTHESIS_WORDS[hunt.found.cause].toLowerCase()}` : '; what was found is not noted'}`
        : `Likeliest: ${HYPOTHESIS_WORDS[likeliest!.hypothesis].toLowerCase()}, ${format.percent(likeliest!.share)}`,
    },
    ...(words
      ? ([
          { kind: 'callout', text: words.result },
          { kind: 'text', text: words.more },
        ] satisfies Block[])
      : []),
    ...(picture ? ([{ kind: 'pictures', pictures: [{ figure: picture, photoId: null, caption: '' }] }] satisfies Block[]) : []),
    ...markBlocks(hunt),
    ...foundBlocks(hunt),
    { kind: 'heading', text: 'What it may be' },
    {
      kind: 'facts',
      facts: weighed(steps)
        .slice(0, LINES)
        .map(({ hypothesis, share }) => ({ label: HYPOTHESIS_WORDS[hypothesis], value: format.percent(share) })),
    },
    ...(done.length > 0
      ? ([
          { kind: 'heading', text: 'What was done to tell them apart' },
          {
            kind: 'table',
            head: ['Step', 'Outcome', 'When'],
            align: ['left', 'left', 'right'],
            rows: done.map((step) => [
              STEP_WORDS[step].ask,
              OUTCOME_WORDS[hunt.steps[step]!.outcome],
              localTime(hunt.steps[step]!.at, siteOf(document).timeZone),
            ]),
          },
        ] satisfies Block[])
      : []),
    { kind: 'heading', text: 'Floor and water' },
    { kind: 'facts', facts: toldFacts(hunt, unit) },
    ...assumedBlocks(document, hunt, found, unit),
    { kind: 'heading', text: 'Before a floor is opened' },
    ...OPENING_CAUTIONS.map((text): Block => ({ kind: 'text', text })),
  ];
}

function markBlocks({ mark }: HuntValue): Block[] {
  if (!mark) return [];
  const ends = [
    [mark.aM, mark.fromA],
    [mark.bM, mark.fromB],
  ] as const;
  const measured = ends.filter(([metres]) => metres !== null).map(([metres, from]) => `${metres!.toFixed(2)} m from ${from}`);
  return measured.length === 0 ? [] : [{ kind: 'callout', text: `Marked ${measured.join(' and ')}.` }];
}

function foundBlocks({ found }: HuntValue): Block[] {
  if (!found) return [];
  const facts: Fact[] = [
    { label: 'Cause', value: found.cause ? HYPOTHESIS_WORDS[found.cause] : 'not noted' },
    ...(found.depthMm === null ? [] : [{ label: 'Depth', value: `${found.depthMm} mm` }]),
    ...(found.offMarkM === null ? [] : [{ label: 'Away from the mark', value: `${found.offMarkM.toFixed(2)} m` }]),
    ...(found.pipe ? [{ label: 'The pipe', value: found.pipe }] : []),
    ...(found.advice ? [{ label: 'Advice', value: found.advice }] : []),
  ];
  return [
    { kind: 'heading', text: 'What was found' },
    { kind: 'facts', facts },
  ];
}

function toldFacts(hunt: HuntValue, unit: DisplayUnit): Fact[] {
  const loss = lossOf(hunt);
  const side = orUsual(hunt.side, USUAL.side);
  return [
    {
      label: 'Water',
      value: `${marked(`${side.value} side`, side)}, ${hunt.waterC === null ? 'temperature not noted' : format.temperature(hunt.waterC, unit)}`,
    },
    {
      label: 'Floor',
      value: `${hunt.coverMm === null ? 'cover not known' : `${hunt.coverMm} mm over the pipe`}, ${hunt.covering === null ? 'covering not noted' : COVERING_WORDS[hunt.covering]}`,
    },
    ...(loss ? [{ label: 'Loss a day', value: lossWords(loss) }] : []),
  ];
}

/** What the search through the frames rests on that nobody said. */
function assumedBlocks(document: VisitDocument, hunt: HuntValue, found: LeakFound | null, unit: DisplayUnit): Block[] {
  const ids = framesOfHunt(document);
  if (!found || ids.length === 0) return [];
  const interval = intervalOf(document, ids);
  const waterC = runsHot(hunt) ? USUAL.hotWaterC : USUAL.mainsC;
  const words = assumedLine([
    ...(hunt.coverMm === null ? [`${USUAL.coverMm} mm over the pipe`] : []),
    ...(hunt.waterC === null ? [`water at ${format.temperature(waterC, unit)}`] : []),
    ...(interval.source === 'assumed' && clocksOf(document, ids).includes(null)
      ? [`${interval.value} s from one frame to the next, as the camera's clock does not tell`]
      : []),
  ]);
  return words ? [{ kind: 'text', quiet: true, text: `How soon a leak shows. ${words}` }] : [];
}

/** What a leak takes in a day, in words; the mains is said where it was assumed. */
export function lossWords({ litres, litresPm, kwh, kwhPm, cost, costPm }: Loss): string {
  const heat = kwh > 0 ? ` and ${Math.round(kwh)} ± ${wholePm(kwhPm)} kWh of heat (mains taken as ${USUAL.mainsC} °C)` : '';
  const costs = cost === null ? '' : `: costs ${cost.toFixed(2)} ± ${costPm!.toFixed(2)} in the currency of the house`;
  return `${Math.round(litres)} ± ${wholePm(litresPm)} litres${heat}${costs}`;
}

/** The last frame of the view as it was at first, with the circle in which the water comes out. */
function figureOf(
  document: VisitDocument,
  { source, frames, scale: pixelsEach }: LeakFound,
  pixels: (frameId: string) => Float32Array | undefined,
  unit: DisplayUnit,
): Figure | null {
  // The circle lies on the first frame; after a bump the floor lies elsewhere.
  const frameId = frames.findLast(({ moved }) => moved < MOVED_PX)?.name;
  const values = frameId && pixels(frameId);
  if (!frameId || !values) return null;
  const { width, height } = document.frameFacts[frameId]!;
  const { low, high } = ownRange(surfaceFor(document, frameId, values).values, IDENTITY_LINE);
  const scale = orderedScale(low, high, visitRow(document).value.span.colourMap);
  const circle =
    source?.inside && source.x !== null
      ? [
          {
            id: 'leak',
            shape: {
              kind: 'ellipse' as const,
              x: source.x,
              y: source.y!,
              rx: Math.max(source.radius!, pixelsEach),
              ry: Math.max(source.radius!, pixelsEach),
              angle: 0,
            },
            spans: undefined,
            text: 'comes out here',
            reference: false,
          },
        ]
      : [];
  return {
    frameId,
    width,
    height,
    line: lineFor(document, frameId),
    scale,
    leftOut: [],
    scaleEnds: { low: format.temperature(scale.low, unit), high: format.temperature(scale.high, unit) },
    scaleWords: `${COLOUR_MAPS[scale.map].label}: all that the last frame shows.`,
    marks: circle,
  };
}
