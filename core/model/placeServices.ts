import { PLAN_SIDES, type PlanSide } from './houseKinds';
import type { Row } from './entities';
import type { RoomValue } from './roomRow';
import type { ServiceValue } from './serviceRow';
import { SERVICE_WORDS, type ServiceKind, USUAL_SERVICES } from './serviceKinds';
import type { SurfaceValue } from './surfaceRow';

/** From a wall to what stands at it, m. */
const OFF_WALL_M = 0.2;

type Room = { id: string; value: RoomValue };
type Wall = { id: string; value: SurfaceValue };

/** Which side of the plan a wall is on; null where it does not say where it looks. */
function planSideOf({ azimuth }: SurfaceValue, frontAzimuth: number): PlanSide | null {
  return azimuth === null ? null : PLAN_SIDES[Math.round((azimuth - frontAzimuth + 720) / 90) % 4]!;
}

/** A place on the plan that lies at a wall, so far along it as seen from inside, in metres of the room. */
export function placedAt({ plan }: RoomValue, side: PlanSide, alongM: number): { x: number; y: number } {
  const { width, depth } = plan;
  switch (side) {
    // The lower edge is the front: who looks at it from inside has the right of the plan to the left.
    case 'front':
      return { x: width - alongM, y: depth - OFF_WALL_M };
    case 'back':
      return { x: alongM, y: OFF_WALL_M };
    case 'left':
      return { x: OFF_WALL_M, y: depth - alongM };
    case 'right':
      return { x: width - OFF_WALL_M, y: alongM };
  }
}

/**
 * The wall that a service stands at, the nearest one, and how far along it as seen from inside.
 *
 * @returns null where the room has no walls that say where they look
 */
export function wallOfService(
  { x, y }: Pick<ServiceValue, 'x' | 'y'>,
  { plan: { width, depth } }: RoomValue,
  walls: readonly Row<'surface'>[],
  frontAzimuth: number,
): { wall: Row<'surface'>; alongM: number } | null {
  const away: Record<PlanSide, number> = { front: depth - y, back: y, left: x, right: width - x };
  const along: Record<PlanSide, number> = { front: width - x, back: x, left: depth - y, right: y };
  const near = [...PLAN_SIDES].sort((a, b) => away[a] - away[b]);
  for (const side of near) {
    const wall = walls.find(({ value }) => value.kind === 'wall' && planSideOf(value, frontAzimuth) === side);
    if (wall) return { wall, alongM: Math.min(wall.value.widthM, Math.max(0, along[side])) };
  }
  return null;
}

const EMITTERS: readonly ServiceKind[] = ['radiator', 'baseboard', 'electric-heater'];

/** Where a service of a kind usually stands: an emitter under the window, the rest along the inner walls. */
function usualPlace(
  kind: ServiceKind,
  room: RoomValue,
  walls: readonly Wall[],
  frontAzimuth: number,
  nth: number,
): { x: number; y: number } {
  const windowed = walls.find(({ value }) => value.openings.some((opening) => opening.kind === 'window'));
  const window = windowed?.value.openings.find((opening) => opening.kind === 'window');
  const side = windowed && planSideOf(windowed.value, frontAzimuth);
  if (EMITTERS.includes(kind) && window && side) return placedAt(room, side, window.x + window.width / 2);
  if (kind === 'socket' && side) return placedAt(room, side, 0.5);
  const { width, depth } = room.plan;
  // One beside the other at the side away from the window.
  const free: PlanSide = side === 'back' ? 'front' : 'back';
  return placedAt(room, free, Math.min(width - OFF_WALL_M, Math.min(depth, width) * 0.2 + 0.9 * nth));
}

/**
 * What rooms usually have, by their kind, placed on the plan.
 *
 * @param rooms - of a template or of a house without services
 * @param walls - all surfaces of the house
 */
export function usualServices(
  siteId: string,
  rooms: readonly Room[],
  walls: readonly Wall[],
  frontAzimuth: number,
  newId: () => string,
): { id: string; value: ServiceValue }[] {
  return rooms.flatMap(({ id: roomId, value: room }) => {
    const own = walls.filter(({ value }) => value.roomId === roomId);
    return USUAL_SERVICES[room.kind].map((kind, nth) => ({
      id: newId(),
      value: {
        siteId,
        roomId,
        kind,
        name: SERVICE_WORDS[kind],
        ...usualPlace(kind, room, own, frontAzimuth, nth),
        ordinal: nth,
      },
    }));
  });
}
