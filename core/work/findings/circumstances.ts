import type { VisitDocument } from '../../model/document';
import type { Circumstance } from '../../method/causes/circumstances';
import type { Row } from '../../model/entities';
import type { RoomValue } from '../../model/roomRow';
import { wallOfService } from '../../model/placeServices';
import type { ServiceKind } from '../../model/serviceKinds';
import { roomIn } from '../round/stops';
import { judgeConditions } from '../visit/judgeConditions';
import { sideOf } from '../visit/standing';
import type { Side } from '../../ground/side';
import { settingsFor } from '../visit/settingsInForce';
import { conditionsOf, frontAzimuthOf, onlyRow, roomsOf } from '../visit/theVisit';
import { compassWord } from '../../method/weather/plan';

const CARRIES_HEAT: readonly ServiceKind[] = [
  'radiator',
  'towel-rail',
  'baseboard',
  'floor-loop',
  'electric-heater',
  'manifold',
  'boiler',
  'cylinder',
  'fireplace',
  'flue',
];
const CARRIES_WATER: readonly ServiceKind[] = ['sink', 'bath', 'shower', 'toilet', 'drain', 'cylinder', 'boiler'];
const CARRIES_CURRENT: readonly ServiceKind[] = ['breaker-panel', 'inverter', 'socket', 'electric-heater', 'refrigerator'];
const MEANT_OPEN: readonly ServiceKind[] = ['flap', 'flue', 'fireplace', 'supply-register', 'return-register'];

const WET_ROOMS: readonly RoomValue['kind'][] = ['bathroom', 'kitchen', 'utility'];
/** Rain counts for so long, h. */
const RAIN_H = 24;
/** Below this emissivity a surface is set as shiny. */
const SHINY = 0.75;

/** What is known of the place that a frame shows, beside its picture. */
export function circumstancesOf(document: VisitDocument, frameId: string): Circumstance[] {
  const frame = document.rows.frame[frameId]!.value;
  const surface = document.rows.surface[frame.surfaceId ?? ''] ?? null;
  const room = document.rows.room[surface?.value.roomId ?? frame.roomId ?? ''] ?? null;
  return [
    ...ofWall(surface),
    ...ofNeighbours(document, surface, room),
    ...ofServices(document, surface, room),
    ...ofQuestion(document, room),
    ...ofWeather(document, sideOf(document, frameId), surface),
    ...(settingsFor(document, frameId).emissivity.value < SHINY ? (['shiny-surface'] as const) : []),
  ];
}

function ofWall(surface: Row<'surface'> | null): Circumstance[] {
  if (!surface) return [];
  const { kind, mass, openings } = surface.value;
  const known = openings.some((opening) => opening.kind === 'window' || opening.kind === 'door');
  return [
    ...(known ? (['opening-known'] as const) : []),
    ...(kind === 'floor' || kind === 'roof'
      ? []
      : [mass === 'light' || kind === 'ceiling' ? ('framed' as const) : ('massive' as const)]),
  ];
}

/** Wet rooms above a ceiling or behind a wall. */
function ofNeighbours(document: VisitDocument, surface: Row<'surface'> | null, room: Row<'room'> | null): Circumstance[] {
  const found: Circumstance[] = [];
  if (surface?.value.kind === 'ceiling' && room) {
    const above = roomsOf(document).some(
      ({ value }) => value.storey === room.value.storey + 1 && WET_ROOMS.includes(value.kind) && over(value, room.value),
    );
    if (above) found.push('wet-room-above');
  }
  const other = document.rows.surface[surface?.value.otherSideId ?? ''];
  const behind = document.rows.room[other?.value.roomId ?? ''];
  if (surface?.value.kind === 'wall' && behind && WET_ROOMS.includes(behind.value.kind)) found.push('wet-room-beside');
  return found;
}

function over({ plan: a }: RoomValue, { plan: b }: RoomValue): boolean {
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.depth && b.y < a.y + a.depth;
}

/** What stands at this wall; without a wall, in this room. */
function ofServices(document: VisitDocument, surface: Row<'surface'> | null, room: Row<'room'> | null): Circumstance[] {
  if (!room) return [];
  const walls = Object.values(document.rows.surface).filter(({ value }) => value.roomId === room.id);
  const here = Object.values(document.rows.service).filter(({ value }) => {
    if (value.roomId !== room.id) return false;
    if (surface?.value.kind !== 'wall') return true;
    return wallOfService(value, room.value, walls, frontAzimuthOf(document))?.wall.id === surface.id;
  });
  const any = (kinds: readonly ServiceKind[]) => here.some(({ value }) => kinds.includes(value.kind));
  const vents = surface?.value.openings.some(({ kind }) => kind === 'vent') ?? false;
  return [
    ...(any(CARRIES_HEAT) ? (['warm-service-near'] as const) : []),
    ...(any(CARRIES_WATER) ? (['water-service-near'] as const) : []),
    ...(any(CARRIES_CURRENT) ? (['electric-service-near'] as const) : []),
    ...(any(['supply-register']) ? (['register-near'] as const) : []),
    ...(any(MEANT_OPEN) || vents ? (['meant-opening-near'] as const) : []),
  ];
}

/** What was said when somebody called: complaints of this room, and the history of the house. */
function ofQuestion(document: VisitDocument, room: Row<'room'> | null): Circumstance[] {
  const { complaints, history } = onlyRow(document, 'intake').value;
  const rooms = roomsOf(document);
  const said = complaints
    .filter(({ place }) => room !== null && roomIn(rooms, place)?.id === room.id)
    .map(({ what }) => what)
    .join(' ');
  const known = history.map(({ what }) => what).join(' ');
  return [
    ...(/\b(damp|mou?ld|wet|stain|drip|leak)/i.test(said) ? (['damp-reported'] as const) : []),
    ...(/\b(draught|draft|wind|air comes)/i.test(said) ? (['draught-reported'] as const) : []),
    ...(/\bcold|chill|never warm/i.test(said) ? (['cold-reported'] as const) : []),
    ...(/\binsulat/i.test(known) ? (['insulated-lately'] as const) : []),
    ...(/\b(board|block|brick|clos|wall)\w* (up|in|off)|taken out|removed/i.test(known) ? (['opening-closed-up'] as const) : []),
  ];
}

/** Sun and rain as the one judge of conditions sees them, and whether the house is heated. */
function ofWeather(document: VisitDocument, side: Side, surface: Row<'surface'> | null): Circumstance[] {
  const noted = conditionsOf(document)?.value;
  if (!noted) return [];
  const found: Circumstance[] = [];
  if (noted.rainHours !== null && noted.rainHours < RAIN_H) found.push('rain-lately');
  if (noted.insideC !== null && noted.outsideC !== null && noted.insideC < noted.outsideC) found.push('no-heating');
  if (side === 'outside' && surface && surface.value.azimuth !== null) {
    const name = `${compassWord(surface.value.azimuth)} wall`;
    const judged = judgeConditions(document).facades.find((one) => one.side === name);
    if (judged) {
      const sun = judged.reasons.some(({ code, factor }) => (code === 'sun' || code === 'sun-memory') && factor < 0.98);
      found.push(sun ? 'sun-lately' : 'no-sun');
    }
  }
  return found;
}
