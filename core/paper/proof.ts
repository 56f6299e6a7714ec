import { type Change, type Look, outerAirC, type Verdict } from '../method/compare/change';
import type { VisitDocument } from '../model/document';
import { outlineOf } from '../method/frame/reshape';
import { projected } from '../ground/homography';
import { changedK, leftOf, verdictOfPair } from '../work/proof/left';
import { knownOf } from '../work/proof/looks';
import { OUTCOME_WORDS, plainWords, VERDICT_WORDS, WALL_CLASS_WORDS } from '../work/proof/proofWords';
import type { Proven } from '../work/proof/proven';
import { IDENTITY_LINE } from '../method/radiometry/measurement';
import { COLOUR_MAPS } from '../method/scale/colourMaps';
import { ownRange } from '../method/scale/ownRange';
import { orderedScale, type Scale } from '../method/scale/scale';
import * as format from '../ground/format';
import { localDay } from '../ground/localTime';
import type { DisplayUnit } from '../ground/temperature';
import { lineFor, settingsFor } from '../work/visit/settingsInForce';
import { visitDay, visitRow } from '../work/visit/theVisit';
import type { Block, Picture } from './block';
import { inOneLine, type Fact } from './fact';
import type { Figure } from './figure';
import { settingFacts } from './settingFacts';

/** What the works changed, at a glance and then place by place; empty where nothing was compared. */
export function proofSheets(document: VisitDocument, proven: readonly Proven[], unit: DisplayUnit): Block[] {
  if (proven.length === 0) return [];
  const verdicts = proven.map(({ answer }): Verdict =>
    answer && 'changes' in answer ? verdictOfPair(answer.changes) : 'cannot-say',
  );
  const days = [...new Set(proven.map(({ earlier }) => visitDay(earlier)))].join(', ');
  return [
    { kind: 'sheet', above: `Before: ${days} · after: ${visitDay(document)}`, title: headline(verdicts) },
    {
      kind: 'text',
      text: 'The same places were looked at before and after. Weather and heating differ from day to day, so each place is judged by where its surface lies between the air outside and inside, against the wall around it that nobody changed.',
    },
    {
      kind: 'table',
      head: ['Place', 'Before', 'Now', 'What it means'],
      align: ['left', 'right', 'right', 'left'],
      rows: proven.map((one, i) => rowOf(one, verdicts[i]!, unit)),
    },
    {
      kind: 'text',
      text: 'Before and now: how much colder (−) or warmer (+) the place is than the sound place beside it, both in the weather of the first visit.',
      quiet: true,
    },
    ...proven.flatMap((one) => pairBlocks(document, one, unit)),
    ...lookAgain(document, proven),
    {
      kind: 'text',
      text: 'A thermal picture shows surfaces, not what lies behind them. ± is a 95 % interval. Where a surface itself was changed (painted, papered, covered) its pictures prove nothing, and nothing is claimed.',
      quiet: true,
    },
  ];
}

/** When what is not done with yet is looked at again. */
function lookAgain(document: VisitDocument, proven: readonly Proven[]): Block[] {
  const { nextDay } = visitRow(document).value;
  const settled = proven.every(({ pair }) => pair.value.outcome === 'closed' || pair.value.outcome === 'accepted');
  if (nextDay === null || settled) return [];
  return [{ kind: 'callout', text: `What is not settled yet is looked at again on ${localDay(`${nextDay}T12:00:00Z`, 'UTC')}.` }];
}

function headline(verdicts: readonly Verdict[]): string {
  const of = (verdict: Verdict) => verdicts.filter((one) => one === verdict).length;
  const unclear = of('cannot-say');
  // What cannot be compared is neither better nor worse, and none of those that were counted.
  const all = verdicts.length - unclear;
  const besides = unclear > 0 && all > 0 ? ` ${unclear} could not be compared.` : '';
  const places = all === 1 ? 'The place is' : `${of('better')} of ${all} places ${of('better') === 1 ? 'is' : 'are'}`;
  if (of('better') > 0) return `${places} better than before.${of('worse') > 0 ? ` ${of('worse')} got worse.` : ''}${besides}`;
  if (of('worse') > 0) return `${of('worse')} of ${all} places got worse.${besides}`;
  return all > 0 && of('same') === all ? `Nothing changed yet.${besides}` : 'What the works changed cannot be said yet.';
}

function rowOf(proven: Proven, verdict: Verdict, unit: DisplayUnit): string[] {
  const left = leftOf(proven);
  const k = (value: number | undefined) => (value === undefined ? '—' : format.signedDifference(value, unit));
  return [proven.pair.value.title, k(left?.beforeK), k(left?.afterK), VERDICT_WORDS[verdict]];
}

/** The air that a frame was judged in. */
function airWords({ side, insideC, outsideC, spaceC }: Look, unit: DisplayUnit): string {
  const of = (celsius: number) => format.temperature(celsius, unit);
  return `${of(insideC)} inside, ${side === 'loft' && spaceC !== null ? `${of(spaceC)} where the camera stood` : `${of(outsideC)} outside`}`;
}

/** The settings that a frame was judged under, each with where it comes from. */
function settingWords(document: VisitDocument, frameId: string, unit: DisplayUnit): string {
  return inOneLine(settingFacts(document, frameId, settingsFor(document, frameId), unit));
}

/** How the wall is taken to be built, and who says so. */
function wallWords({ pair, earlier }: Proven): string {
  const { wall } = knownOf(earlier, pair.value);
  const from = pair.value.wall !== null || wall === 'unknown' ? '' : ' (as the plan of the house has it)';
  return `${WALL_CLASS_WORDS[wall]}${from}`;
}

function pairBlocks(document: VisitDocument, proven: Proven, unit: DisplayUnit): Block[] {
  const { pair, answer } = proven;
  const { title, outcome, note } = pair.value;
  return [
    { kind: 'heading', text: title },
    ...(proven.sides ? [{ kind: 'pictures', pictures: picturesOf(document, proven, unit) } as const] : []),
    ...(answer === null
      ? []
      : 'problem' in answer
        ? [{ kind: 'text', text: answer.problem } as const]
        : [{ kind: 'facts', facts: factsOf(document, proven, answer.changes, unit) } as const]),
    ...(outcome ? [{ kind: 'callout', text: OUTCOME_WORDS[outcome] } as const] : []),
    ...(note ? [{ kind: 'text', text: note } as const] : []),
  ];
}

function factsOf(document: VisitDocument, proven: Proven, changes: readonly Change[], unit: DisplayUnit): Fact[] {
  const [look, later] = proven.sides!.looks!;
  const left = leftOf(proven);
  return [
    ...proven.pair.value.regions.map(({ id, name }): Fact => {
      const change = changes.find((one) => one.name === id)!;
      const moved = changedK(change, look);
      const by = moved
        ? ` In the weather of the first visit, in balance, it would now be ${format.signedDifference(moved.kelvin, unit)} ± ${format.difference(moved.pm, unit)} against then.`
        : '';
      return { label: name, value: `${VERDICT_WORDS[change.verdict]}. ${plainWords(change)}${by}` };
    }),
    { label: `Air, ${visitDay(proven.earlier)}`, value: airWords(look, unit) },
    { label: `Air, ${visitDay(document)}`, value: airWords(later, unit) },
    {
      label: `Settings, ${visitDay(proven.earlier)}`,
      value: settingWords(proven.earlier, proven.pair.value.beforeFrameId, unit),
    },
    { label: `Settings, ${visitDay(document)}`, value: settingWords(document, proven.pair.value.afterFrameId, unit) },
    { label: 'The wall', value: wallWords(proven) },
    ...(left
      ? [
          {
            label: 'What is left',
            value: `${format.signedDifference(left.afterK, unit)} against ${left.beside}${left.squareMetres === null ? '' : `, over ${left.squareMetres.toFixed(2)} m²`}; it was ${format.signedDifference(left.beforeK, unit)}.`,
          },
        ]
      : []),
  ];
}

/** Temperatures of two visits at which a wall lets as much heat through; null where it was colder outside once and warmer once. */
function sameFactor(before: Look, after: Look): { there(celsius: number): number; back(celsius: number): number } | null {
  const [outerBefore, outerAfter] = [outerAirC(before), outerAirC(after)];
  const drives = (after.insideC - outerAfter) / (before.insideC - outerBefore);
  if (!(drives > 0) || !Number.isFinite(drives)) return null;
  return {
    there: (celsius) => outerAfter + (celsius - outerBefore) * drives,
    back: (celsius) => outerBefore + (celsius - outerAfter) / drives,
  };
}

/** Both frames in colours that mean the same temperature factor: what looks alike lets as much heat through. */
function picturesOf(document: VisitDocument, { pair, earlier, sides, answer }: Proven, unit: DisplayUnit): Picture[] {
  const { before, after, looks } = sides!;
  const { beforeFrameId, afterFrameId, regions } = pair.value;
  const { colourMap } = visitRow(document).value.span;
  const alike = looks ? sameFactor(...looks) : null;
  const [one, other] = [ownRange(before.values, IDENTITY_LINE), ownRange(after.values, IDENTITY_LINE)];
  const seen = [other.low, other.high].map((celsius) => (alike ? alike.back(celsius) : celsius));
  const scale = orderedScale(Math.min(one.low, ...seen), Math.max(one.high, ...seen), colourMap);
  const second: Scale = alike ? { ...scale, low: alike.there(scale.low), high: alike.there(scale.high) } : scale;
  const h = answer && 'h' in answer ? answer.h : null;
  const marks = (through: (at: [number, number]) => readonly [number, number], words: boolean): Figure['marks'] =>
    regions.map(({ id, name, shape }) => ({
      id,
      shape: { kind: 'poly', points: outlineOf(shape).map((at) => [...through(at)] as [number, number]) },
      spans: undefined,
      text: words ? name : '',
      reference: false,
    }));
  const figure = (visit: VisitDocument, frameId: string, of: Scale, drawn: Figure['marks']): Figure => {
    const { width, height } = visit.frameFacts[frameId]!;
    return {
      frameId,
      width,
      height,
      line: lineFor(visit, frameId),
      scale: of,
      leftOut: [],
      scaleEnds: { low: format.temperature(of.low, unit), high: format.temperature(of.high, unit) },
      scaleWords: alike
        ? `${COLOUR_MAPS[of.map].label}: the same colour is the same temperature factor in both pictures, as much heat while the wall is in balance.`
        : `${COLOUR_MAPS[of.map].label}: the same temperatures in both pictures.`,
      marks: drawn,
    };
  };
  return [
    {
      figure: figure(
        earlier,
        beforeFrameId,
        scale,
        marks((at) => at, true),
      ),
      photoId: null,
      caption: `Before, ${visitDay(earlier)}`,
    },
    {
      figure: figure(document, afterFrameId, second, h ? marks((at) => projected(h, at), true) : []),
      photoId: null,
      caption: `After, ${visitDay(document)}`,
    },
  ];
}
