import type { VisitDocument } from '../../model/document';
import { EIGHTH, type BalanceAdvice, type BalanceState } from '../../method/heating/balance/state';
import { emittersOf } from './emitters';
import { heatingInForce, heatingOf, roomAirOf, warmingOf } from './heatingOf';
import { readingsOf, tailsOf, turnsOf, type Pixels } from './tails';

/** Settled long ago, s: nothing was turned before. */
const LONG_AGO_S = 7200;

/**
 * Everything that is known of the circuit before a walk: what the adviser plans that walk from.
 *
 * @returns null while pixels of readings are on their way, or without an emitter
 */
export function balanceStateBefore(document: VisitDocument, pixels: Pixels, walk: number): BalanceState | null {
  const emitters = emittersOf(document);
  if (emitters.length === 0) return null;
  const { targetK, toleranceK, flowSetC, onAt } = heatingInForce(document);
  const turned = turnsOf(document).filter(({ value }) => value.walk < walk);
  const rows = readingsOf(document).filter(({ value }) => value.walk < walk);
  const begun = Math.min(onAt ?? Infinity, ...turned.map(({ value }) => value.at), ...rows.map(({ value }) => value.at));
  const readings: BalanceState['readings'] = [];
  for (const row of rows) {
    const tails = tailsOf(document, row, pixels);
    if (tails === undefined) return null;
    if (tails === null) continue;
    const { at, serviceId } = row.value;
    // Bled since: with the air its output went, and what was read then is of another emitter.
    if (at < (warmingOf(document, serviceId).value.bledAt ?? 0)) continue;
    const before = turned.filter(({ value }) => value.at <= at);
    const own = before.filter(({ value }) => value.serviceId === serviceId).at(-1);
    const last = before.at(-1)?.value.at;
    readings.push({
      walk: row.value.walk,
      atS: (at - begun) / 1000,
      emitterId: serviceId,
      turns: own?.value.to ?? turnsAtFirst(document, serviceId),
      flowC: tails.flowC,
      returnC: tails.returnC,
      roomC: row.value.roomC ?? roomAirOf(document, serviceId).value,
      settledS: last === undefined ? LONG_AGO_S : (at - last) / 1000,
    });
  }
  return {
    targetK,
    toleranceK,
    flowSetC,
    emitters: emitters.map(({ id, told, ratedW }, k) => {
      const { turnsOpen, sticks, exponent, tail, headOpen } = told;
      const { tapedWalk, withoutTape } = warmingOf(document, id).value;
      const taped = tapedWalk !== null && tapedWalk < walk;
      const mine = turned.filter(({ value }) => value.serviceId === id).at(-1);
      return {
        id,
        order: k + 1,
        ratedW,
        exponent,
        turns: Math.min(turnsOpen, mine?.value.to ?? turnsAtFirst(document, id)),
        turnsOpen,
        sticks,
        tail: taped ? ('taped' as const) : tail,
        tapedWalk: taped ? tapedWalk : null,
        withoutTape,
        headOn: !headOpen,
      };
    }),
    turned: turned.map(({ value }) => ({
      walk: value.walk,
      atS: (value.at - begun) / 1000,
      emitterId: value.serviceId,
      from: value.from ?? turnsAtFirst(document, value.serviceId),
      to: value.to,
    })),
    readings,
  };
}

/** Where a lockshield stood at first; one that nobody counted is reckoned with as open, which the fit may correct. */
function turnsAtFirst(document: VisitDocument, serviceId: string): number {
  const { turns, turnsOpen } = emittersOf(document).find(({ id }) => id === serviceId)!.told;
  return turns ?? turnsOpen;
}

/** What is left to do on a walk: tape, turn, wait, read; in this order. */
export interface WalkLeft {
  tape: string[];
  moves: BalanceAdvice['moves'];
  read: string[];
  /** All of the walk, done or not. */
  total: number;
}

/** What an advice leaves to do, by what was turned and read on its walk. */
export function leftOf(document: VisitDocument, advice: BalanceAdvice, walk: number): WalkLeft {
  const on = (rows: { value: { walk: number; serviceId: string } }[]) =>
    new Set(rows.filter(({ value }) => value.walk === walk).map(({ value }) => value.serviceId));
  const turned = on(turnsOf(document));
  const read = on(readingsOf(document));
  return {
    tape: advice.tape.filter((id) => warmingOf(document, id).value.tapedWalk === null),
    moves: advice.moves.filter(({ emitterId }) => !turned.has(emitterId)),
    read: advice.read.filter((id) => !read.has(id)),
    total: advice.tape.length + advice.moves.length + advice.read.length,
  };
}

/** The first walk reads all as they were found, for the record; whoever does without it begins with the second. */
export const AS_FOUND = 1;

/** `as found`, `walk 1` … */
export function walkWords(walk: number): string {
  return walk === AS_FOUND ? 'as found' : `walk ${walk - AS_FOUND}`;
}

/** The walk that is on; 0 before anybody began. */
export function walkOf(document: VisitDocument): number {
  return heatingOf(document).value.walk;
}

/** What is to be done on the walk of reading all as found: no valve is touched. */
export function asFoundAdvice(document: VisitDocument): BalanceAdvice {
  const ids = emittersOf(document).map(({ id }) => id);
  return {
    done: false,
    moves: [],
    waitS: 0,
    read: ids,
    drops: ids.map((emitterId) => ({ emitterId, dropK: null, uncertaintyK: null, state: 'not-read' })),
    cannot: [],
    tape: [],
    end: null,
    left: [],
    untaped: [],
  };
}

/** Drops of every emitter, walk by walk, as they were read. */
export function dropsByWalk(document: VisitDocument, pixels: Pixels): { walk: number; at: number; drops: Map<string, number> }[] {
  const walks = new Map<number, { walk: number; at: number; drops: Map<string, number> }>();
  for (const row of readingsOf(document)) {
    const tails = tailsOf(document, row, pixels);
    if (!tails) continue;
    const { walk, at, serviceId } = row.value;
    const entry = walks.get(walk) ?? { walk, at, drops: new Map<string, number>() };
    entry.drops.set(serviceId, Math.abs(tails.flowC - tails.returnC));
    walks.set(walk, entry);
  }
  return [...walks.values()].sort((a, b) => a.walk - b.walk);
}

/** The newest reading of an emitter, where it can be read. */
export function lastTails(document: VisitDocument, serviceId: string, pixels: Pixels) {
  const own = readingsOf(document).filter(({ value }) => value.serviceId === serviceId);
  for (const row of own.toReversed()) {
    const tails = tailsOf(document, row, pixels);
    if (tails) return { row, ...tails };
  }
  return null;
}

/** The first reading of an emitter on this visit: as it was found. */
export function firstTails(document: VisitDocument, serviceId: string, pixels: Pixels) {
  for (const row of readingsOf(document).filter(({ value }) => value.serviceId === serviceId)) {
    const tails = tailsOf(document, row, pixels);
    if (tails) return { row, ...tails };
  }
  return null;
}

/** Turns in words: `1 ⅜`, `¾`, `shut`. */
export function turnWords(turns: number | null): string {
  if (turns === null) return 'not noted';
  const eighths = Math.round(turns / EIGHTH);
  const [whole, rest] = [Math.floor(eighths / 8), eighths % 8];
  if (eighths === 0) return 'shut';
  return [whole > 0 ? String(whole) : '', ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'][rest]].filter(Boolean).join(' ');
}
