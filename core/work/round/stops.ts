import type { Side } from '../../ground/side';
import { losesHeat, OPENING_WORDS, type OpeningKind, type RoomKind } from '../../model/houseKinds';
import type { Row } from '../../model/entities';
import type { RoomValue } from '../../model/roomRow';
import type { Opening, SurfaceValue } from '../../model/surfaceRow';
import type { IntakeValue } from '../../model/intakeRow';
import { PART_WORDS, type Part } from './parts';
import { serviceSpots, type ServiceSpot } from './serviceStops';
import { answersKind } from './stopsByKind';

/** One thing to look at on the round. It follows from the house and the question; only its answer is stored. */
export interface Stop {
  /** The same on every visit of the site, as long as the house stays what it is. */
  key: string;
  /** The room, or the surface outdoors; null for the house as a whole. */
  groupId: string | null;
  part: Part;
  title: string;
  surfaceId: string | null;
  /** Where on the surface to aim, m from its top left corner. */
  aim: { x: number; y: number };
  /** Width that should be in view, m. */
  viewM: number;
  /** The opening that is looked at. */
  opening: Opening | null;
}

/** Stops that belong together: a room, a side of the house, or the house as a whole. */
export interface StopGroup {
  id: string | null;
  name: string;
  stops: Stop[];
}

export interface House {
  rooms: Row<'room'>[];
  surfaces: Row<'surface'>[];
  /** Stops that were added by hand. */
  own: Row<'ownStop'>[];
  services: Row<'service'>[];
  /** Where the lower edge of the plan looks, degrees from north. */
  frontAzimuth: number;
}

/**
 * The stops of a round: rooms in their order, in each room the order of the handbook (door, floor, cupboards, sill,
 * window, walls, ceiling corners, ceiling, hatch, lights, vents, appliances), with the complaints of that room first;
 * then each side of the house from two stand-points; then what complaints and history say of no room.
 *
 * @param kept - keys of stops that stay whatever the question is: somebody answered them
 * @param struck - keys of stops that somebody took off the round
 * @returns groups with at least one stop, in the order of the walk
 */
export function stopGroups(
  { rooms, surfaces, own: added, services, frontAzimuth }: House,
  { kind, complaints, history }: Pick<IntakeValue, 'kind' | 'complaints' | 'history'>,
  kept: ReadonlySet<string> = new Set(),
  struck: ReadonlySet<string> = new Set(),
): StopGroup[] {
  const inRoom = (id: string) => surfaces.filter(({ value }) => value.roomId === id).sort(byOrdinal);
  const sorted = [...rooms].sort(byOrdinal);
  const kindOf = new Map(rooms.map(({ id, value }) => [id, value.kind]));
  const roomOf = new Map(surfaces.map(({ id, value }) => [id, value.roomId]));
  /** Water runs on this side of a surface or on the other. */
  const isWet = ({ roomId, otherSideId }: SurfaceValue) =>
    [roomId, roomOf.get(otherSideId ?? '') ?? null].some((id) => id !== null && WET_ROOMS.includes(kindOf.get(id)!));
  const told: { roomId: string | null; stop: Stop }[] = [
    ...complaints.map(({ id, place, what }) => told1('complaint', id, roomIn(sorted, place)?.id ?? null, what)),
    ...history.map(({ id, what }) => told1('history', id, roomIn(sorted, what)?.id ?? null, what)),
    ...added.toSorted((a, b) => a.id.localeCompare(b.id)).map(({ id, value }) => told1('own', id, value.roomId, value.title)),
  ];
  const groups: StopGroup[] = sorted.map(({ id, value }) => {
    const walls = inRoom(id);
    const own = told.filter(({ roomId }) => roomId === id).map(({ stop }) => onWall(stop, walls));
    const spots = serviceSpots(
      services.filter((service) => service.value.roomId === id),
      value,
      walls,
      frontAzimuth,
    );
    return { id, name: value.name, stops: [...own, ...roomStops(id, value, walls, spots, kept)] };
  });
  for (const facade of surfaces.filter(({ value }) => value.roomId === null).sort(byOrdinal))
    groups.push({ id: facade.id, name: facade.value.name, stops: facadeStops(facade) });
  const nowhere = told.filter(({ roomId }) => roomId === null).map(({ stop }) => stop);
  groups.push({ id: null, name: 'The house', stops: nowhere });
  const dry = new Set(surfaces.filter(({ value }) => !isWet(value)).map(({ id }) => id));
  const wanted = ({ key, part, surfaceId }: Stop) =>
    !struck.has(key) && (kept.has(key) || (answersKind(kind, part) && !(FOR_WATER.has(part) && dry.has(surfaceId ?? ''))));
  return groups.map((group) => ({ ...group, stops: group.stops.filter(wanted) })).filter(({ stops }) => stops.length > 0);
}

/** The room that somebody's words name, `Front room, by the window`; the longest name where several are in them. */
export function roomIn(rooms: readonly Row<'room'>[], words: string): Row<'room'> | null {
  const named = rooms.filter(({ value }) => words.toLowerCase().includes(value.name.toLowerCase()));
  return named.toSorted((a, b) => b.value.name.length - a.value.name.length)[0] ?? null;
}

function byOrdinal(a: Row<'room'> | Row<'surface'>, b: Row<'room'> | Row<'surface'>): number {
  return a.value.ordinal - b.value.ordinal || a.id.localeCompare(b.id);
}

/** What names a stop: the thing that is looked at, and which part of it. */
export function stopKeyOf(id: string, part: Part): string {
  return `${id}:${part}`;
}

/** A stop from somebody's words. */
function told1(
  part: 'complaint' | 'history' | 'own',
  id: string,
  groupId: string | null,
  words: string,
): { roomId: string | null; stop: Stop } {
  const title = part === 'own' ? words : `${part === 'complaint' ? 'Complaint' : 'History'}: ${words}`;
  const place = { surfaceId: null, aim: { x: 1, y: 1 }, viewM: 3, opening: null };
  return { roomId: groupId, stop: { key: stopKeyOf(id, part), groupId, part, title, ...place } };
}

/** Somebody's words name no wall; the room's first wall to the cold is where one begins. */
function onWall(stop: Stop, surfaces: Row<'surface'>[]): Stop {
  const wall = surfaces.find(({ value }) => value.kind === 'wall' && losesHeat(value.behind)) ?? surfaces[0];
  if (!wall) return stop;
  const { widthM, heightM } = wall.value;
  return { ...stop, surfaceId: wall.id, aim: { x: widthM / 2, y: heightM / 2 }, viewM: Math.min(3, widthM) };
}

function stopOn(surface: Row<'surface'>, part: Part, groupId: string, change: Partial<Stop> = {}): Stop {
  const { widthM, heightM, name } = surface.value;
  const words = PART_WORDS[part];
  return {
    key: stopKeyOf(surface.id, part),
    groupId,
    part,
    title: part === 'wall' ? name : words.title,
    surfaceId: surface.id,
    aim: { x: widthM / 2, y: heightM / 2 },
    viewM: Math.min(words.viewM ?? Math.max(widthM, heightM * 1.3), 9),
    opening: null,
    ...change,
  };
}

/** What is looked at on each kind of opening. */
export const OPENING_PARTS: Record<OpeningKind, Part[]> = {
  window: ['sill', 'window'],
  door: ['door'],
  'letter-plate': ['door'],
  hatch: ['hatch'],
  vent: ['vent'],
  light: ['light'],
  cupboard: ['cupboard'],
  'wheel-arch': ['floor'],
};

/** What is looked at like something else, and goes by its own name. */
const BY_OPENING: ReadonlySet<OpeningKind> = new Set<OpeningKind>(['letter-plate', 'wheel-arch']);

function openingStops(surface: Row<'surface'>, groupId: string): Stop[] {
  const { openings, name } = surface.value;
  return openings.flatMap((opening, i) =>
    OPENING_PARTS[opening.kind].map((part) => {
      const alike = openings.filter(({ kind }) => kind === opening.kind).length > 1;
      const middle = { x: opening.x + opening.width / 2, y: opening.y + opening.height / 2 };
      return stopOn(surface, part, groupId, {
        key: stopKeyOf(opening.id, part),
        title: `${BY_OPENING.has(opening.kind) ? OPENING_WORDS[opening.kind] : PART_WORDS[part].title}, ${name.toLowerCase()}${alike ? ` ${i + 1}` : ''}`,
        aim: part === 'sill' ? { x: middle.x, y: Math.min(surface.value.heightM, opening.y + opening.height + 0.25) } : middle,
        viewM: Math.max(PART_WORDS[part].viewM ?? 2, part === 'door' || part === 'window' ? opening.width * 1.3 : 0),
        opening,
      });
    }),
  );
}

const ORDER = new Map<Part, number>(Object.keys(PART_WORDS).map((part, i) => [part as Part, i]));

/** Rooms with water in them, with appliances, and rooms that are usually heated. */
const WET_ROOMS: readonly RoomKind[] = ['kitchen', 'bathroom', 'utility'];
/** Looked at only where water runs on this side or behind. */
const FOR_WATER: ReadonlySet<Part> = new Set<Part>(['inner-wall', 'ceiling-below']);
const WITH_APPLIANCES: readonly RoomKind[] = ['kitchen', 'utility', 'workshop'];
const HEATED_ROOMS: readonly RoomKind[] = ['living', 'bedroom', 'kitchen', 'bathroom', 'hall'];

function roomStops(
  roomId: string,
  room: RoomValue,
  surfaces: Row<'surface'>[],
  spots: readonly ServiceSpot[],
  kept: ReadonlySet<string>,
): Stop[] {
  const stops: Stop[] = surfaces.flatMap((surface) => openingStops(surface, roomId));
  for (const surface of surfaces) {
    const { kind, behind, widthM, heightM } = surface.value;
    if (room.kind === 'loft') {
      if (kind === 'floor')
        stops.push(
          stopOn(surface, 'loft-floor', roomId),
          stopOn(surface, 'loft-eaves', roomId, { aim: { x: widthM / 2, y: heightM } }),
        );
      continue;
    }
    // The divider of a shell on wheels is looked at like a wall to the outside.
    if (kind === 'wall' && (losesHeat(behind) || room.kind === 'cabin')) stops.push(stopOn(surface, 'wall', roomId));
    if (kind === 'wall' && behind === 'room' && room.kind !== 'cabin') stops.push(stopOn(surface, 'inner-wall', roomId));
    if (kind === 'ceiling' && behind === 'room') stops.push(stopOn(surface, 'ceiling-below', roomId));
    if (kind === 'floor' && losesHeat(behind)) stops.push(stopOn(surface, 'floor', roomId, { aim: { x: widthM / 2, y: 0.4 } }));
    if (kind === 'ceiling' && losesHeat(behind)) {
      stops.push(
        stopOn(surface, 'ceiling-corners', roomId, { aim: { x: widthM - 0.9, y: 0.7 } }),
        stopOn(surface, 'ceiling', roomId),
      );
    }
  }
  const guessed = [
    ...(HEATED_ROOMS.includes(room.kind) ? radiatorStop(roomId, surfaces) : []),
    ...(WITH_APPLIANCES.includes(room.kind) ? applianceStop(roomId, surfaces) : []),
  ];
  // Where somebody said what is there, nothing is guessed; what was answered stays.
  const said = new Set(spots.map(({ part }) => part));
  stops.push(
    ...spots.map((spot) => spotStop(roomId, spot)),
    ...guessed.filter(({ key, part }) => kept.has(key) || !said.has(part)),
  );
  return stops.sort((a, b) => ORDER.get(a.part)! - ORDER.get(b.part)!);
}

/** Where appliances are looked for: at an inner wall. */
function applianceStop(roomId: string, surfaces: Row<'surface'>[]): Stop[] {
  const walls = surfaces.filter(({ value }) => value.kind === 'wall');
  const wall = walls.find(({ value }) => value.behind === 'room') ?? walls[0];
  return wall ? [stopOn(wall, 'appliances', roomId)] : [];
}

/** One service of a room. */
function spotStop(roomId: string, { service, part, wall, aim }: ServiceSpot): Stop {
  return {
    key: stopKeyOf(service.id, part),
    groupId: roomId,
    part,
    title: service.value.name,
    surfaceId: wall?.id ?? null,
    aim,
    viewM: PART_WORDS[part].viewM ?? 2,
    opening: null,
  };
}

/** Where an emitter is looked for: under the window, else at the first wall to the cold. */
function radiatorStop(roomId: string, surfaces: Row<'surface'>[]): Stop[] {
  const cold = surfaces.filter(({ value }) => value.kind === 'wall' && losesHeat(value.behind));
  const wall = cold.find(({ value }) => value.openings.some(({ kind }) => kind === 'window')) ?? cold[0];
  if (!wall) return [];
  const window = wall.value.openings.find(({ kind }) => kind === 'window');
  const x = window ? window.x + window.width / 2 : wall.value.widthM / 2;
  return [stopOn(wall, 'radiator', roomId, { aim: { x, y: Math.max(0.3, wall.value.heightM - 0.5) } })];
}

/** Each side from two stand-points: what moves between them is a reflection. */
function facadeStops(facade: Row<'surface'>): Stop[] {
  const { widthM, heightM } = facade.value;
  const viewM = Math.min(9, widthM * 0.75);
  return (['facade-left', 'facade-right'] as const).map((part) =>
    stopOn(facade, part, facade.id, {
      aim: { x: widthM * (part === 'facade-left' ? 0.35 : 0.65), y: heightM / 2 },
      viewM,
    }),
  );
}

/** Where a surface is looked at from; a room with an air of its own makes a loft of the inside by itself (`sideOf`). */
export function sideOfSurface(surface: Pick<SurfaceValue, 'roomId'>): Side {
  return surface.roomId === null ? 'outside' : 'inside';
}
