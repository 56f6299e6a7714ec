import { PLAN_SIDES, type PlanSide } from '../../model/houseKinds';
import type { Wall } from '../../method/weather/wallMemory';
import { compassWord } from '../../method/weather/plan';
import type { Behind } from '../../model/houseKinds';
import { usualOpenings } from './usualOpenings';
import type { PlanBox, RoomValue } from '../../model/roomRow';
import type { OpeningShape, SurfaceValue } from '../../model/surfaceRow';

/** What stands round the rooms: where the front looks, what the walls are made of, what lies on each side and above. */
export interface HouseShell {
  /** Degrees from north. */
  frontAzimuth: number;
  mass: Wall;
  beyond: Record<PlanSide, Extract<Behind, 'outside' | 'neighbour' | 'unheated'>>;
  /** Over rooms without a room above. */
  above: Extract<Behind, 'loft' | 'outside' | 'neighbour'>;
  /** Under rooms of the lowest storey. */
  below: Extract<Behind, 'ground' | 'unheated' | 'passage' | 'outside' | 'neighbour'>;
}

interface Placed<T> {
  id: string;
  value: T;
}

/** How far along a side, in metres, one box touches another. */
function sharedLength(a: PlanBox, b: PlanBox, side: PlanSide): number {
  const overlap = (from1: number, to1: number, from2: number, to2: number) =>
    Math.max(0, Math.min(to1, to2) - Math.max(from1, from2));
  const alongX = overlap(a.x, a.x + a.width, b.x, b.x + b.width);
  const alongY = overlap(a.y, a.y + a.depth, b.y, b.y + b.depth);
  switch (side) {
    case 'front':
      return b.y === a.y + a.depth ? alongX : 0;
    case 'back':
      return b.y + b.depth === a.y ? alongX : 0;
    case 'left':
      return b.x + b.width === a.x ? alongY : 0;
    case 'right':
      return b.x === a.x + a.width ? alongY : 0;
  }
}

function sharedArea(a: PlanBox, b: PlanBox): number {
  const across = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
  const deep = Math.min(a.y + a.depth, b.y + b.depth) - Math.max(a.y, b.y);
  return Math.max(0, across) * Math.max(0, deep);
}

/** The room that shares most, when that is at least half of what there is. */
function mostShared(rooms: Placed<RoomValue>[], whole: number, shared: (room: RoomValue) => number): Placed<RoomValue> | null {
  const best = rooms.reduce<Placed<RoomValue> | null>(
    (found, room) => (shared(room.value) > (found ? shared(found.value) : 0) ? room : found),
    null,
  );
  return best && shared(best.value) >= whole / 2 ? best : null;
}

const OPPOSITE: Record<PlanSide, PlanSide> = { front: 'back', back: 'front', left: 'right', right: 'left' };

function azimuthOf(side: PlanSide, frontAzimuth: number): number {
  return (frontAzimuth + 90 * PLAN_SIDES.indexOf(side)) % 360;
}

const SIDE_NAMES: Record<PlanSide, string> = { front: 'Front', left: 'Left', back: 'Back', right: 'Right' };

/**
 * The surfaces of a house as they follow from the plan of its rooms: four walls, floor and ceiling a room, and a façade
 * on each side that looks outdoors. Where two rooms touch, each knows the other side of the place; where a room lies
 * above another, floor and ceiling do; a wall to the outside knows its façade.
 *
 * @param rooms - with their plans; only rooms in `bare` get surfaces
 * @param bare - ids of rooms that have no surfaces yet
 * @param facades - façades that are there already, by side; missing ones are made
 * @param newId - gives an id
 * @returns surfaces in the order of rooms; linear in pairs of rooms
 */
export function surfacesOf(
  siteId: string,
  rooms: Placed<RoomValue>[],
  bare: ReadonlySet<string>,
  shell: HouseShell,
  facades: Partial<Record<PlanSide, string>>,
  newId: () => string,
): Placed<SurfaceValue>[] {
  const named = (openings: OpeningShape[]) => openings.map((opening) => ({ id: newId(), ...opening }));
  const made: (Placed<SurfaceValue> & { side: PlanSide | 'floor' | 'ceiling' | 'facade'; meets: string | null })[] = [];
  const facadeIds = { ...facades };
  const lowest = Math.min(...rooms.map(({ value }) => value.storey));
  for (const { id: roomId, value: room } of rooms) {
    if (!bare.has(roomId)) continue;
    const others = rooms.filter(({ id }) => id !== roomId);
    const level = others.filter(({ value }) => value.storey === room.storey);
    const add = (
      side: PlanSide | 'floor' | 'ceiling',
      meets: Placed<RoomValue> | null,
      value: Omit<SurfaceValue, 'siteId' | 'roomId' | 'mass' | 'openings' | 'otherSideId' | 'ordinal'>,
    ) => {
      const ordinal = made.length;
      const whole = { siteId, roomId, mass: shell.mass, otherSideId: null, ordinal, ...value, openings: [] };
      made.push({
        id: newId(),
        side,
        meets: meets?.id ?? null,
        value: { ...whole, openings: named(usualOpenings(room, whole, side)) },
      });
    };
    for (const side of PLAN_SIDES) {
      const along = side === 'front' || side === 'back' ? room.plan.width : room.plan.depth;
      const next = mostShared(level, along, (other) => sharedLength(room.plan, other.plan, side));
      const behind = next ? 'room' : shell.beyond[side];
      add(side, next, {
        name: next ? `Wall to ${next.value.name.toLowerCase()}` : `${SIDE_NAMES[side]} wall`,
        kind: 'wall',
        azimuth: azimuthOf(side, shell.frontAzimuth),
        behind,
        widthM: along,
        heightM: room.heightM,
      });
      if (behind === 'outside' && !facadeIds[side]) facadeIds[side] = newId();
    }
    const area = room.plan.width * room.plan.depth;
    const under = others.filter(({ value }) => value.storey === room.storey - 1);
    const over = others.filter(({ value }) => value.storey === room.storey + 1);
    const below = mostShared(under, area, (other) => sharedArea(room.plan, other.plan));
    const above = mostShared(over, area, (other) => sharedArea(room.plan, other.plan));
    const flat = { azimuth: null, widthM: room.plan.width, heightM: room.plan.depth };
    const bottom = below ? 'room' : room.storey === lowest ? shell.below : 'passage';
    const top = above ? (above.value.kind === 'loft' ? 'loft' : 'room') : room.kind === 'loft' ? 'outside' : shell.above;
    add('floor', below, { name: 'Floor', kind: 'floor', behind: bottom, ...flat });
    add('ceiling', above, { name: room.kind === 'loft' ? 'Roof slopes' : 'Ceiling', kind: 'ceiling', behind: top, ...flat });
  }
  for (const side of PLAN_SIDES) {
    const id = facadeIds[side];
    if (!id || facades[side]) continue;
    const facade = facadeOf(siteId, side, rooms, shell, made.length);
    const openings = named(usualOpenings(null, facade, 'facade'));
    made.push({ id, side: 'facade', meets: null, value: { ...facade, openings } });
  }
  return made.map(({ id, side, meets, value }) => ({
    id,
    value: { ...value, otherSideId: otherSide(side, meets, value, made, facadeIds) },
  }));
}

function facadeOf(siteId: string, side: PlanSide, rooms: Placed<RoomValue>[], shell: HouseShell, ordinal: number): SurfaceValue {
  const along = rooms.map(({ value: { plan } }) =>
    side === 'front' || side === 'back' ? [plan.x, plan.x + plan.width] : [plan.y, plan.y + plan.depth],
  );
  const widthM = Math.max(...along.map(([, to]) => to!)) - Math.min(...along.map(([from]) => from!));
  const heights = new Map<number, number>();
  for (const { value } of rooms) {
    if (value.storey >= 0 && value.kind !== 'loft')
      heights.set(value.storey, Math.max(heights.get(value.storey) ?? 0, value.heightM));
  }
  const heightM =
    Math.round(
      100 *
        Math.max(
          2,
          [...heights.values()].reduce((a, b) => a + b + 0.3, 0),
        ),
    ) / 100;
  const azimuth = azimuthOf(side, shell.frontAzimuth);
  return {
    siteId,
    roomId: null,
    name: `Outside, ${compassWord(azimuth)}`,
    kind: 'facade',
    azimuth,
    mass: shell.mass,
    behind: 'room',
    widthM,
    heightM,
    openings: [],
    otherSideId: null,
    ordinal,
  };
}

function otherSide(
  side: PlanSide | 'floor' | 'ceiling' | 'facade',
  meets: string | null,
  value: SurfaceValue,
  made: { id: string; side: string; value: SurfaceValue }[],
  facadeIds: Partial<Record<PlanSide, string>>,
): string | null {
  if (side === 'facade') return null;
  if (meets === null)
    return side !== 'floor' && side !== 'ceiling' && value.behind === 'outside' ? (facadeIds[side] ?? null) : null;
  const facing = side === 'floor' ? 'ceiling' : side === 'ceiling' ? 'floor' : OPPOSITE[side];
  return made.find((other) => other.value.roomId === meets && other.side === facing)?.id ?? null;
}
