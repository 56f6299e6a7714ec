import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { usualOutputW, type EmitterBuild } from '../../method/heating/build';
import { type EmitterValue } from '../../model/emitterRow';
import type { ServiceKind } from '../../model/serviceKinds';
import { stopKeyOf } from '../round/stops';
import { derived } from '../../ground/derived';
import { rowIdFrom } from '../../ground/rowId';
import { filled, type Filled } from '../../ground/source';
import { USUAL } from '../../ground/usual';

/** What is usual of an emitter while nobody said. */
export type Unsaid = 'build' | 'exponent' | 'turnsOpen';

/** An emitter of the circuit: a service that gives the heat of water to a room, and what is known of it. */
export interface Emitter {
  /** Of its service. */
  id: string;
  name: string;
  room: string;
  storey: number;
  kind: ServiceKind;
  /** As it is stored. */
  row: Row<'emitter'>;
  /** With usual values where nobody said. */
  told: Filled<EmitterValue, Unsaid>;
  /** Its plate, else its size. */
  ratedW: number | null;
  ratedFrom: 'plate' | 'size' | null;
  /** As its lockshield stands now, turns; null while nobody counted or turned it. */
  turns: number | null;
  /** The stop of the round at which it is looked at. */
  stopKey: string;
}

/** What of a house is an emitter of a circuit, and how it is usually built. */
const BUILD_OF: Partial<Record<ServiceKind, EmitterBuild>> = {
  radiator: 'double-one-fins',
  'towel-rail': 'rail',
  baseboard: 'baseboard',
};

/** The row of an emitter; as it usually is while nobody said more. */
export function emitterRowOf({ rows }: VisitDocument, serviceId: string): Row<'emitter'> {
  const id = rowIdFrom(serviceId, 'emitter');
  const usual: EmitterValue = {
    serviceId,
    order: null,
    build: null,
    widthM: null,
    heightM: null,
    ratedW: null,
    exponent: null,
    turns: null,
    turnsOpen: null,
    sticks: false,
    headOpen: true,
    tail: 'unknown',
    needW: null,
  };
  return rows.emitter[id] ?? { id, version: 0, value: usual };
}

/** The emitters of a house, from first to last on the run; those without a place follow by storey and room. */
export const emittersOf = derived(
  ({ rows }: VisitDocument) => [rows.service, rows.room, rows.emitter, rows.valveTurn],
  (document): readonly Emitter[] => {
    const { service, room, valveTurn } = document.rows;
    const own = Object.values(service).filter(({ value }) => value.kind in BUILD_OF);
    return own
      .map((one): Emitter & { place: [number, number, number, number] } => {
        const home = room[one.value.roomId]?.value;
        const row = emitterRowOf(document, one.id);
        const told = filled<EmitterValue, Unsaid>(row.value, {
          build: BUILD_OF[one.value.kind] ?? 'double-one-fins',
          exponent: USUAL.exponent,
          turnsOpen: USUAL.turnsOpen,
        });
        const { build, widthM, heightM, ratedW, order, turns } = told;
        const bySize = widthM === null || heightM === null ? null : usualOutputW(build, widthM, heightM);
        const last = Object.values(valveTurn)
          .filter(({ value }) => value.serviceId === one.id)
          .sort((a, b) => a.value.at - b.value.at)
          .at(-1);
        const alone = own.filter(({ value }) => value.roomId === one.value.roomId).length === 1;
        const roomName = home?.name ?? 'Unknown room';
        return {
          id: one.id,
          name: alone ? roomName : `${roomName}, ${one.value.name.toLowerCase()} ${one.value.ordinal + 1}`,
          room: roomName,
          storey: home?.storey ?? 0,
          kind: one.value.kind,
          row,
          told,
          ratedW: ratedW ?? bySize,
          ratedFrom: ratedW !== null ? 'plate' : bySize !== null ? 'size' : null,
          turns: last?.value.to ?? turns,
          stopKey: stopKeyOf(one.id, 'radiator'),
          place: [order ?? Infinity, home?.storey ?? 0, home?.ordinal ?? 0, one.value.ordinal],
        };
      })
      .sort((a, b) => {
        const k = a.place.findIndex((value, n) => value !== b.place[n]);
        return k < 0 ? (a.id < b.id ? -1 : 1) : a.place[k]! < b.place[k]! ? -1 : 1;
      })
      .map(({ place: _, ...rest }) => rest);
  },
);

/** Rows that set the order of all emitters anew. */
export function inOrder(document: VisitDocument, ids: readonly string[]): { rowId: string; value: EmitterValue }[] {
  return ids.flatMap((id, k) => {
    const row = emitterRowOf(document, id);
    return row.value.order === k + 1 ? [] : [{ rowId: row.id, value: { ...row.value, order: k + 1 } }];
  });
}
