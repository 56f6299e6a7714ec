import type { PlanBox, RoomValue } from '../../model/roomRow';
import type { Opening, OpeningShape, SurfaceValue } from '../../model/surfaceRow';
import type { OpeningKind, RoomKind } from '../../model/houseKinds';

const NAMES: [RegExp, RoomKind][] = [
  [/kitchen|galley/i, 'kitchen'],
  [/bath|shower|toilet|wc\b/i, 'bathroom'],
  [/bed|nursery|child/i, 'bedroom'],
  [/stair|landing/i, 'stairs'],
  [/hall|entrance|corridor|porch/i, 'hall'],
  [/utility|laundry|store|boiler/i, 'utility'],
  [/workshop|shed/i, 'workshop'],
  [/garage/i, 'garage'],
  [/cabin|shell/i, 'cabin'],
  [/loft|attic/i, 'loft'],
  [/cellar|basement/i, 'cellar'],
];

/** The kind of room that a name speaks of; a living room when it speaks of none. */
export function roomKindFromName(name: string): RoomKind {
  return NAMES.find(([words]) => words.test(name))?.[1] ?? 'living';
}

/** Where the next room of a storey finds room: to the right of all others. */
export function nextPlan(rooms: readonly Pick<RoomValue, 'plan' | 'storey'>[], storey: number): PlanBox {
  const level = rooms.filter((room) => room.storey === storey);
  const x = Math.min(56, Math.max(0, ...level.map(({ plan }) => plan.x + plan.width)));
  return { x, y: 0, width: 4, depth: 4 };
}

/** A plan moved and kept on the grid. */
export function movedPlan(plan: PlanBox, change: Partial<PlanBox>): PlanBox {
  const within = (value: number, least: number) => Math.max(least, Math.min(60, Math.round(value)));
  const next = { ...plan, ...change };
  return { x: within(next.x, 0), y: within(next.y, 0), width: within(next.width, 1), depth: within(next.depth, 1) };
}

/** Whether two rooms of one storey lie on each other. */
export function overlap(a: Pick<RoomValue, 'plan' | 'storey'>, b: Pick<RoomValue, 'plan' | 'storey'>): boolean {
  return (
    a.storey === b.storey &&
    a.plan.x < b.plan.x + b.plan.width &&
    b.plan.x < a.plan.x + a.plan.width &&
    a.plan.y < b.plan.y + b.plan.depth &&
    b.plan.y < a.plan.y + a.plan.depth
  );
}

/**
 * A room's surface after the room's plan or height changed: walls along the front keep the plan's width, the others its
 * depth; openings that no longer fit are pushed back in.
 */
export function fittedSurface(
  surface: SurfaceValue,
  room: Pick<RoomValue, 'plan' | 'heightM'>,
  frontAzimuth: number,
): SurfaceValue {
  const flat = surface.kind === 'floor' || surface.kind === 'ceiling';
  const along = surface.azimuth === null || Math.round((surface.azimuth - frontAzimuth + 720) / 90) % 2 === 0;
  const widthM = flat || along ? room.plan.width : room.plan.depth;
  const heightM = flat ? room.plan.depth : room.heightM;
  return { ...surface, widthM, heightM, openings: surface.openings.map((opening) => fittedOpening(opening, widthM, heightM)) };
}

function fittedOpening<O extends OpeningShape>(opening: O, widthM: number, heightM: number): O {
  const width = Math.min(opening.width, widthM);
  const height = Math.min(opening.height, heightM);
  return { ...opening, width, height, x: Math.min(opening.x, widthM - width), y: Math.min(opening.y, heightM - height) };
}

const SIZES: Record<OpeningKind, [width: number, height: number]> = {
  window: [1.2, 1.1],
  door: [0.9, 2],
  hatch: [0.75, 0.6],
  vent: [0.2, 0.2],
  light: [0.1, 0.1],
  'letter-plate': [0.25, 0.04],
  cupboard: [1, 1.8],
  'wheel-arch': [0.8, 0.4],
};

/** A new opening of usual size, in the middle; doors and cupboards stand on the floor. */
export function newOpening(
  id: string,
  kind: OpeningKind,
  { widthM, heightM }: Pick<SurfaceValue, 'widthM' | 'heightM'>,
): Opening {
  const [width, height] = SIZES[kind];
  const fitted = fittedOpening({ id, kind, x: 0, y: 0, width, height }, widthM, heightM);
  const standing = kind === 'door' || kind === 'cupboard' || kind === 'wheel-arch';
  return { ...fitted, x: (widthM - fitted.width) / 2, y: standing ? heightM - fitted.height : (heightM - fitted.height) / 2 };
}
