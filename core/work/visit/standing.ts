import type { VisitDocument } from '../../model/document';
import { isHeated } from '../../model/heated';
import type { Side } from '../../ground/side';
import { derived } from '../../ground/derived';
import { airAt } from './airLog';
import type { LogEntry } from '../../model/logRow';
import { takenAtOf } from './frames';
import { conditionsOf } from './theVisit';

/** Where a frame looks from: as somebody said of it, and a room with an air of its own is one whatever was said. */
export function sideOf(document: VisitDocument, frameId: string): Side {
  const { side } = document.rows.frame[frameId]!.value;
  if (side !== 'inside') return side;
  const room = roomOf(document, frameId);
  return room && !isHeated(room.value) ? 'loft' : 'inside';
}

/** The room that a frame was taken in, by its surface, else as it was said. */
export function roomOf(document: VisitDocument, frameId: string) {
  const { roomId, surfaceId } = document.rows.frame[frameId]!.value;
  return document.rows.room[document.rows.surface[surfaceId ?? '']?.value.roomId ?? roomId ?? ''];
}

/** The space that a frame looks from, with the air on both sides of what it shows, °C; null for what nobody noted. */
export interface Standing {
  side: Side;
  /** Of the heated or cooled house. */
  insideC: number | null;
  outsideC: number | null;
  /** Of the space looked from, where it has an air of its own. */
  spaceC: number | null;
  /** Where the camera stands. */
  hereC: number | null;
  /** Beyond what is seen, from the house's inside: outdoors, or the space with an air of its own. */
  outerC: number | null;
  /** Inside less beyond, K: positive while the house is heated. */
  driveK: number | null;
  humidityPct: number | null;
}

const logsByRoom = derived(
  (document: VisitDocument) => [document.rows.log],
  ({ rows }) => {
    const all = new Map<string | null, LogEntry[]>();
    for (const { value } of Object.values(rows.log)) all.set(value.roomId, [...(all.get(value.roomId) ?? []), ...value.entries]);
    return all;
  },
);

/** Readings of the air in a room, and of the house: those of other rooms say nothing here. */
export function loggedIn(document: VisitDocument, roomId: string | null) {
  const logs = logsByRoom(document);
  return { own: roomId === null ? [] : (logs.get(roomId) ?? []), house: logs.get(null) ?? [], all: [...logs.values()].flat() };
}

/**
 * Where a frame stands, and in what air at its own time: readings of its own room first, then those of the house, then the
 * conditions of the visit.
 */
export function standingOf(document: VisitDocument, frameId: string): Standing {
  const side = sideOf(document, frameId);
  const noted = conditionsOf(document)?.value;
  const at = Date.parse(takenAtOf(document, frameId));
  const room = roomOf(document, frameId);
  const logs = loggedIn(document, room?.id ?? null);
  const own = airAt(logs.own, at);
  const house = airAt(logs.house, at);
  const outsideC = airAt(logs.all, at).outsideC ?? noted?.outsideC ?? null;
  const insideC = (side === 'inside' ? own.insideC : null) ?? house.insideC ?? noted?.insideC ?? null;
  const spaceC = side === 'loft' ? own.insideC : null;
  const outerC = side === 'loft' ? spaceC : outsideC;
  return {
    side,
    insideC,
    outsideC,
    spaceC,
    hereC: side === 'inside' ? insideC : outerC,
    outerC,
    driveK: insideC === null || outerC === null ? null : insideC - outerC,
    humidityPct:
      side === 'inside'
        ? (own.humidityPct ?? house.humidityPct ?? noted?.humidityPct ?? null)
        : side === 'loft'
          ? own.humidityPct
          : null,
  };
}
