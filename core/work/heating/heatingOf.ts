import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { TARGETS } from '../../method/heating/school';
import type { FlushValue } from '../../model/flushRow';
import type { HeatingValue } from '../../model/heatingRow';
import type { WarmingValue } from '../../model/warmingRow';
import { rowIdFrom } from '../../ground/rowId';
import { filled, type Filled, type Known, orUsual } from '../../ground/source';
import { USUAL } from '../../ground/usual';
import { conditionsOf } from '../visit/theVisit';

/** Rows that a visit, or an emitter on a visit, has once: as they are stored, else as they begin. */

export function heatingOf({ visitId, rows }: VisitDocument): Row<'heating'> {
  const id = rowIdFrom(visitId, 'heating');
  const { targetK, toleranceK } = TARGETS.usual;
  const fresh: HeatingValue = {
    visitId,
    school: null,
    targetK,
    toleranceK,
    flowSetC: null,
    onAt: null,
    checks: {},
    flows: [],
    markBar: null,
    beforeBar: null,
    afterBar: null,
    listenAt: null,
    walk: 0,
    waitUntil: null,
    skippedS: 0,
  };
  return rows.heating[id] ?? { id, version: 0, value: fresh };
}

/** The heating as it is worked with: usual values where nobody said. */
export function heatingInForce(document: VisitDocument): Filled<HeatingValue, 'flowSetC' | 'school'> {
  return filled<HeatingValue, 'flowSetC' | 'school'>(heatingOf(document).value, { flowSetC: USUAL.flowSetC, school: 'usual' });
}

export function warmingOf({ visitId, rows }: VisitDocument, serviceId: string): Row<'warming'> {
  const id = rowIdFrom(visitId, `warming ${serviceId}`);
  const fresh: WarmingValue = { visitId, serviceId, warmAt: null, bledAt: null, tapedWalk: null, withoutTape: false };
  return rows.warming[id] ?? { id, version: 0, value: fresh };
}

export function flushOf({ visitId, rows }: VisitDocument): Row<'flush'> {
  const id = rowIdFrom(visitId, 'flush');
  const fresh: FlushValue = {
    visitId,
    steps: {},
    marks: [],
    mainsPpm: null,
    water: [],
    cleaner: '',
    inhibitor: '',
    by: '',
    note: '',
  };
  return rows.flush[id] ?? { id, version: 0, value: fresh };
}

/** Id of a turn or a reading: one for each emitter and walk, so that two people at one valve are asked which holds. */
export function ofWalk(visitId: string, what: 'turn' | 'reading', walk: number, serviceId: string): string {
  return rowIdFrom(visitId, `${what} ${walk} ${serviceId}`);
}

/** Air of a room: as it was last noted beside an emitter, else that of the visit, else what is usual. */
export function roomAirOf(document: VisitDocument, serviceId: string): Known<number> {
  const last = Object.values(document.rows.tailReading)
    .filter(({ value }) => value.serviceId === serviceId && value.roomC !== null)
    .sort((a, b) => a.value.at - b.value.at)
    .at(-1);
  return orUsual(last?.value.roomC ?? conditionsOf(document)?.value.insideC ?? null, USUAL.airC);
}

/** Whether a visit holds anything of the heating. */
export function holdsHeating({ rows }: VisitDocument): boolean {
  return (['emitter', 'heating', 'tailReading', 'face', 'floorTrace', 'pipe', 'flush', 'boilerCard'] as const).some(
    (kind) => Object.keys(rows[kind]).length > 0,
  );
}
