import type { VisitDocument } from '../../model/document';
import { flowThatWouldDo, givenAt, heatGiven } from '../../method/heating/given';
import { BUILDS } from '../../method/heating/build';
import { USUAL } from '../../ground/usual';
import * as format from '../../ground/format';
import type { DisplayUnit } from '../../ground/temperature';
import { INSTRUMENT_U } from '../../ground/instruments';
import { lastTails } from './balance';
import { emittersOf, type Emitter } from './emitters';
import { heatingInForce, roomAirOf } from './heatingOf';
import type { Pixels } from './tails';

/** What an emitter gives, beside what its room needs. W, l/min, °C. */
export interface Given {
  emitter: Emitter;
  nowW: number | null;
  litresMin: number | null;
  /** 95 % intervals of both, as shares. */
  nowShare: number;
  litresShare: number;
  /** With the same water at the set flow temperature. */
  atSetW: number | null;
  needW: number | null;
  /** What its heat rests on that nobody said. */
  assumed: ('build' | 'exponent' | 'room')[];
  /** Lowest flow temperature that would do at the target drop; null where even 90 °C would not. */
  wouldDoC: number | null;
}

/** Standard uncertainties: of an output by its plate and by its size, as shares; of a drop that was typed, K. */
const RATED_U = { plate: 0.05, size: 0.1 };
const TYPED_DROP_U = Math.SQRT2 * INSTRUMENT_U.tailK;

/** Heat given by every emitter, by its newest reading. */
export function givenOf(document: VisitDocument, pixels: Pixels): Given[] {
  const { flowSetC, targetK } = heatingInForce(document);
  return emittersOf(document).map((emitter) => {
    const { ratedW } = emitter;
    const { exponent, needW } = emitter.told;
    const tails = lastTails(document, emitter.id, pixels);
    const room = roomAirOf(document, emitter.id);
    const roomC = tails?.row.value.roomC ?? room.value;
    const { nowW, litresMin } =
      ratedW !== null && tails
        ? heatGiven(ratedW, exponent, Math.max(tails.flowC, tails.returnC), Math.min(tails.flowC, tails.returnC), roomC)
        : { nowW: null, litresMin: null };
    const drop = tails ? Math.abs(tails.flowC - tails.returnC) : NaN;
    const middle = tails ? (tails.flowC + tails.returnC) / 2 - roomC : NaN;
    const nowU = Math.hypot(RATED_U[emitter.ratedFrom ?? 'size'], (exponent * INSTRUMENT_U.roomK) / Math.max(1, middle));
    return {
      emitter,
      nowW,
      litresMin,
      nowShare: 2 * nowU,
      litresShare: 2 * Math.hypot(nowU, (tails?.dropU ?? TYPED_DROP_U) / Math.max(0.5, drop)),
      atSetW: ratedW !== null && litresMin !== null ? givenAt(ratedW, exponent, litresMin, flowSetC, roomC) : null,
      needW,
      assumed: [
        ...(emitter.ratedFrom === 'size' && emitter.told.assumed.includes('build') ? (['build'] as const) : []),
        ...(emitter.told.assumed.includes('exponent') ? (['exponent'] as const) : []),
        ...(room.source === 'assumed' ? (['room'] as const) : []),
      ],
      wouldDoC: ratedW !== null && needW !== null ? flowThatWouldDo(ratedW, exponent, needW, targetK, roomC) : null,
    };
  });
}

/** The flow temperature at which every room with a known need gets it, °C; null where none is known or none would do. */
export function flowForAll(given: readonly Given[]): number | null {
  const known = given.filter(({ needW, emitter }) => needW !== null && emitter.ratedW !== null);
  if (known.length === 0 || known.some(({ wouldDoC }) => wouldDoC === null)) return null;
  return Math.max(...known.map(({ wouldDoC }) => wouldDoC!));
}

/** What heat that is given rests on that nobody said, each with its usual value and its emitters. */
export function assumedOfGiven(given: readonly Given[], unit: DisplayUnit): string[] {
  const counted = given.filter(({ nowW, wouldDoC }) => nowW !== null || wouldDoC !== null);
  const named = (of: readonly Given[]) =>
    of.length === counted.length ? '' : `: ${of.map(({ emitter }) => emitter.name).join(' and ')}`;
  const without = (what: Given['assumed'][number]) => counted.filter(({ assumed }) => assumed.includes(what));
  const [rooms, exponents] = [without('room'), without('exponent')];
  return [
    ...(exponents.length > 0 ? [`exponent ${USUAL.exponent}${named(exponents)}`] : []),
    ...(rooms.length > 0 ? [`rooms at ${format.temperature(USUAL.airC, unit)}${named(rooms)}`] : []),
    ...without('build').map(({ emitter }) => `${emitter.name} built with ${BUILDS[emitter.told.build].words.toLowerCase()}`),
  ];
}
