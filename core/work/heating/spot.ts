import type { VisitDocument } from '../../model/document';
import { wallOfService } from '../../model/placeServices';
import { frontAzimuthOf } from '../visit/theVisit';
import type { Emitter } from './emitters';

/** Where an emitter is looked at: its wall, what to aim at, and how much should be in view. */
export interface EmitterSpot {
  surfaceId: string | null;
  roomId: string;
  aim: { x: number; y: number };
  viewM: number;
}

/** Middle of a usual emitter above the floor, m. */
const MIDDLE_M = 0.42;
const USUAL_WIDTH_M = 1;
/** So much wider than the emitter is the view, so that wall and tails are in it. */
const VIEW_TIMES = 1.45;
/** Less than this is never in view, m: a low picture would cut the tails off. */
const LEAST_VIEW_M = 1.4;

export function spotOf(document: VisitDocument, { id, row }: Emitter): EmitterSpot | null {
  const { service, room, surface } = document.rows;
  const own = service[id]?.value;
  const home = own && room[own.roomId]?.value;
  if (!home) return null;
  const walls = Object.values(surface).filter(({ value }) => value.roomId === own.roomId);
  const at = wallOfService(own, home, walls, frontAzimuthOf(document));
  const viewM = Math.max(LEAST_VIEW_M, VIEW_TIMES * (row.value.widthM ?? USUAL_WIDTH_M));
  if (!at) return { surfaceId: null, roomId: own.roomId, aim: { x: 1, y: 1 }, viewM };
  const half = (row.value.widthM ?? USUAL_WIDTH_M) / 2;
  const x = Math.max(half + 0.05, Math.min(at.wall.value.widthM - half - 0.05, at.alongM));
  return { surfaceId: at.wall.id, roomId: own.roomId, aim: { x, y: at.wall.value.heightM - MIDDLE_M }, viewM };
}
