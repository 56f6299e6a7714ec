/** Words for houses: kinds of rooms, surfaces and openings, and what lies behind a surface. */

export const ROOM_KINDS = [
  'living',
  'bedroom',
  'kitchen',
  'bathroom',
  'hall',
  'stairs',
  'utility',
  'workshop',
  'garage',
  'cabin',
  'loft',
  'cellar',
] as const;
export type RoomKind = (typeof ROOM_KINDS)[number];

export const ROOM_WORDS: Record<RoomKind, string> = {
  living: 'Living room',
  bedroom: 'Bedroom',
  kitchen: 'Kitchen',
  bathroom: 'Bathroom',
  hall: 'Hall',
  stairs: 'Stairs',
  utility: 'Utility room',
  workshop: 'Workshop',
  garage: 'Garage',
  cabin: 'Cabin',
  loft: 'Loft',
  cellar: 'Cellar',
};

export const SURFACE_KINDS = ['wall', 'floor', 'ceiling', 'facade', 'roof'] as const;
export type SurfaceKind = (typeof SURFACE_KINDS)[number];

export const SURFACE_WORDS: Record<SurfaceKind, string> = {
  wall: 'Wall',
  floor: 'Floor',
  ceiling: 'Ceiling',
  facade: 'Façade',
  roof: 'Roof',
};

export const BEHINDS = ['outside', 'unheated', 'loft', 'passage', 'ground', 'neighbour', 'room'] as const;
export type Behind = (typeof BEHINDS)[number];

export const BEHIND_WORDS: Record<Behind, string> = {
  outside: 'Outside air',
  unheated: 'Unheated space',
  loft: 'Loft',
  passage: 'Over a passage or porch',
  ground: 'Ground',
  neighbour: 'Neighbour',
  room: 'Another room',
};

/** Whether heat goes through to somewhere cold: what a survey looks at first. */
export function losesHeat(behind: Behind): boolean {
  return behind !== 'neighbour' && behind !== 'room';
}

export const OPENING_KINDS = ['window', 'door', 'hatch', 'vent', 'light', 'letter-plate', 'cupboard', 'wheel-arch'] as const;
export type OpeningKind = (typeof OPENING_KINDS)[number];

export const OPENING_WORDS: Record<OpeningKind, string> = {
  window: 'Window',
  door: 'Door',
  hatch: 'Hatch',
  vent: 'Vent or fan',
  light: 'Recessed light',
  'letter-plate': 'Letter plate',
  cupboard: 'Cupboard',
  'wheel-arch': 'Wheel arch',
};

/** The four sides of a plan: its lower edge is the front of the house. */
export const PLAN_SIDES = ['front', 'left', 'back', 'right'] as const;
export type PlanSide = (typeof PLAN_SIDES)[number];
