import { dropsByWalk, firstTails, lastTails, turnWords, walkWords } from '../work/heating/balance';
import { emittersOf, type Emitter } from '../work/heating/emitters';
import { facesOf, judgeFace, latestFace, type JudgedFace } from '../work/heating/faces';
import { assumedOfGiven, flowForAll, givenOf } from '../work/heating/givenOf';
import { heatingInForce, heatingOf, warmingOf } from '../work/heating/heatingOf';
import { frameOfReading, readingsOf, turnsOf, type Pixels } from '../work/heating/tails';
import { warmingOrder } from '../work/heating/warmingOrder';
import type { VisitDocument } from '../model/document';
import type { Row } from '../model/entities';
import { PATTERN_WORDS } from '../method/heating/patternWords';
import { assumedLine, marked } from '../ground/source';
import { USUAL } from '../ground/usual';
import * as format from '../ground/format';
import { localDay, localTime } from '../ground/localTime';
import type { DisplayUnit } from '../ground/temperature';
import { siteOf } from '../work/visit/theVisit';
import type { Block } from './block';
import type { Fact } from './fact';
import { faceFigure } from './faceFigure';

/** Frames that the record of the heating reads from. */
export function framesOfRecord(document: VisitDocument): string[] {
  return [
    ...readingsOf(document).flatMap((row) => frameOfReading(document, row) ?? []),
    ...emittersOf(document).flatMap(({ id }) => facesOf(document, id).map(({ value }) => value.frameId)),
  ];
}

const first = <T>(values: readonly (T | null | undefined)[]) => values.find((value) => value !== null && value !== undefined);

/** The record of heating work: the start, every emitter before and after, the drops on their way, what was put back. */
export function recordBlocks(document: VisitDocument, pixels: Pixels, unit: DisplayUnit): Block[] {
  const emitters = emittersOf(document);
  const heating = heatingInForce(document);
  const { timeZone } = siteOf(document);
  const clock = (at: number) => localTime(at, timeZone);
  const faces = emitters.map(({ id }) => {
    const judged = facesOf(document, id).map((row) => judgeFace(document, row, pixels));
    return { before: first(judged) ?? null, after: first(judged.toReversed()) ?? null };
  });
  const tails = emitters.map(({ id }) => ({
    before: firstTails(document, id, pixels),
    after: lastTails(document, id, pixels),
  }));
  const drop = (one: ReturnType<typeof lastTails>) =>
    !one ? '–' : isCold(one) ? 'cold' : format.difference(Math.abs(one.flowC - one.returnC), unit);
  const given = givenOf(document, pixels);
  const read = tails.flatMap(({ after }) => after ?? []);
  // A drop of before a turn says nothing of the valve as it stands.
  const current = read.filter(({ row }) => !turnedSince(document, row));
  const on = current.filter(
    ({ flowC, returnC }) => Math.abs(Math.abs(flowC - returnC) - heating.targetK) <= heating.toleranceK,
  ).length;
  const turned = read.length - current.length;
  const would = flowForAll(given);
  return [
    { kind: 'facts', facts: startFacts(document, unit) },
    ...(read.length > 0
      ? ([
          {
            kind: 'callout',
            text: `${on} of ${current.length} emitters that were read are on target: ${format.difference(heating.targetK, unit)} ± ${format.difference(heating.toleranceK, unit)} from flow to return.${turned === 0 ? '' : ` ${turned} more ${turned === 1 ? 'was' : 'were'} turned and not read since.`}`,
          },
        ] as const)
      : []),
    { kind: 'heading', text: 'Emitters, as found and now' },
    {
      kind: 'table',
      head: ['Emitter', 'Lockshield', 'Drop found', 'Drop now', 'Face now', 'Gives, W'],
      align: ['left', 'left', 'right', 'right', 'left', 'right'],
      rows: emitters.map((emitter, k) => [
        `${k + 1} ${emitter.name}`,
        lockshieldWords(emitter),
        drop(tails[k]!.before),
        dropNow(document, tails[k]!.after, drop),
        faces[k]!.after ? PATTERN_WORDS[faces[k]!.after.pattern] : 'not seen',
        given[k]!.nowW === null ? '–' : `${Math.round(given[k]!.nowW)} ± ${Math.round(given[k]!.nowShare * given[k]!.nowW)}`,
      ]),
    },
    ...(assumedOfGiven(given, unit).length === 0
      ? []
      : ([{ kind: 'text', quiet: true, text: `Heat given. ${assumedLine(assumedOfGiven(given, unit))}` }] as const)),
    ...(would === null
      ? []
      : ([
          {
            kind: 'text',
            text: `With drops on target a flow of ${format.temperature(would, unit)} would give every room what it needs.`,
          },
        ] as const)),
    ...dropLines(document, pixels, unit),
    ...warmingTable(document),
    ...beforeAndAfter(document, faces, unit),
    ...putBackTable(document, clock),
  ];
}

/** Warmer than its room by so much a tail is warm, K. */
const WARM_K = 3;

/** Both tails were told to be cold: nobody read how cold. */
function isCold({ flowC, returnC, row }: NonNullable<ReturnType<typeof lastTails>>): boolean {
  return row.value.frameId === null && flowC === returnC && flowC - (row.value.roomC ?? USUAL.airC) < WARM_K;
}

/** As found and as it stands, of what somebody counted. */
function lockshieldWords({ turns, row }: Emitter): string {
  const found = row.value.turns;
  if (turns === found) return turnWords(turns);
  return found === null ? `${turnWords(turns)}; found: not noted` : `${turnWords(found)} to ${turnWords(turns)}`;
}

/** Whether its lockshield was turned after a reading. */
function turnedSince(document: VisitDocument, { value: { serviceId, at } }: Row<'tailReading'>): boolean {
  return turnsOf(document).some(({ value }) => value.serviceId === serviceId && value.at > at);
}

/** The newest drop with when it was read, and whether the valve was turned since. */
function dropNow(
  document: VisitDocument,
  after: ReturnType<typeof lastTails>,
  drop: (one: ReturnType<typeof lastTails>) => string,
): string {
  if (!after) return drop(null);
  const clock = localTime(after.row.value.at, siteOf(document).timeZone);
  return `${drop(after)}, ${clock}${turnedSince(document, after.row) ? '; not read since it was turned' : ''}`;
}

function startFacts(document: VisitDocument, unit: DisplayUnit): Fact[] {
  const heating = heatingInForce(document);
  const { timeZone } = siteOf(document);
  const { onAt, flowSetC, targetK, toleranceK, markBar, beforeBar, afterBar, listenAt } = heating;
  const from = (field: (typeof heating.assumed)[number]) =>
    ({ source: heating.assumed.includes(field) ? 'assumed' : 'said' }) as const;
  const bled = emittersOf(document).flatMap(({ id, name }) => {
    const { bledAt } = warmingOf(document, id).value;
    return bledAt === null ? [] : [`${name}, ${localTime(bledAt, timeZone)}`];
  });
  const facts: [string, string | null][] = [
    ['Heat on', onAt === null ? null : localTime(onAt, timeZone)],
    ['Flow set to', marked(format.temperature(flowSetC, unit), from('flowSetC'))],
    ['Drop aimed at', marked(`${format.difference(targetK, unit)} ± ${format.difference(toleranceK, unit)}`, from('school'))],
    ['Bled', bled.length > 0 ? bled.join('; ') : null],
    [
      'Pressure, cold',
      afterBar === null
        ? null
        : `${beforeBar === null ? '' : `${beforeBar} bar before, `}${afterBar} bar after${markBar === null ? '' : `; the maker marks ${markBar} bar`}`,
    ],
    ['Listen for air again', listenAt === null ? null : localDay(listenAt, timeZone)],
  ];
  return facts.flatMap(([label, value]) => (value === null ? [] : [{ label, value }]));
}

function dropLines(document: VisitDocument, pixels: Pixels, unit: DisplayUnit): Block[] {
  const walks = dropsByWalk(document, pixels);
  if (walks.length < 2) return [];
  const { targetK, toleranceK } = heatingOf(document).value;
  const shown = (kelvin: number) => Number.parseFloat(format.difference(kelvin, unit));
  return [
    { kind: 'heading', text: `Drops on their way, ${format.differenceUnit(unit)}` },
    {
      kind: 'lines',
      names: walks.map(({ walk }) => walkWords(walk)),
      band: { low: shown(targetK - toleranceK), high: shown(targetK + toleranceK), words: 'target' },
      lines: emittersOf(document).map(({ id, name }) => {
        let last: number | null = null;
        return {
          name,
          values: walks.map(({ drops }) => {
            const here = drops.get(id);
            if (here !== undefined) last = shown(here);
            return last;
          }),
        };
      }),
    },
  ];
}

function warmingTable(document: VisitDocument): Block[] {
  const { minutes } = warmingOrder(document, 0);
  const warm = emittersOf(document).flatMap(({ id, name }) => {
    const after = minutes.get(id) ?? null;
    return after === null ? [] : [{ name, after }];
  });
  if (warm.length === 0) return [];
  return [
    { kind: 'heading', text: 'Order of warming' },
    {
      kind: 'text',
      text: warm
        .toSorted((a, b) => a.after - b.after)
        .map(({ name, after }) => `${name} ${after.toFixed(0)} min`)
        .join(' · '),
    },
  ];
}

/** Emitters whose face was not even at first: as found beside as they are now. */
function beforeAndAfter(
  document: VisitDocument,
  faces: readonly { before: JudgedFace | null; after: JudgedFace | null }[],
  unit: DisplayUnit,
): Block[] {
  return emittersOf(document).flatMap(({ name }, k): Block[] => {
    const { before, after } = faces[k]!;
    if (!before || before.pattern === 'even') return [];
    const picture = (face: JudgedFace, words: string) => ({
      figure: faceFigure(document, face.row, unit),
      photoId: null,
      caption: `${words}: ${PATTERN_WORDS[face.pattern].toLowerCase()}, ${format.percent(face.coldShare)} of the face cold`,
    });
    return [
      { kind: 'heading', text: name },
      {
        kind: 'pictures',
        pictures: [picture(before, 'As found'), ...(after && after.row.id !== before.row.id ? [picture(after, 'Now')] : [])],
      },
    ];
  });
}

function putBackTable(document: VisitDocument, clock: (at: number) => string): Block[] {
  const rows = Object.values(document.rows.putBack).sort((a, b) => a.value.changedAt - b.value.changedAt);
  if (rows.length === 0) return [];
  return [
    { kind: 'heading', text: 'Changed for the work' },
    {
      kind: 'table',
      head: ['What', 'Was', 'Set to', 'Put back'],
      align: ['left', 'left', 'left', 'left'],
      rows: rows.map(({ value }) => [
        value.what,
        value.was,
        value.now,
        value.putBackAt === null ? 'NOT YET' : clock(value.putBackAt),
      ]),
    },
  ];
}

/** Whether anything of the record is there. */
export function hasRecord(document: VisitDocument): boolean {
  const { onAt } = heatingOf(document).value;
  return onAt !== null || readingsOf(document).length > 0 || emittersOf(document).some(({ id }) => latestFace(document, id));
}
