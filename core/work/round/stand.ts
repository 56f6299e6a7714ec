import { sightAt, standOff } from '../../method/radiometry/optics';
import type { CameraValue } from '../../model/cameraRow';
import type { RoomValue } from '../../model/roomRow';
import type { SurfaceValue } from '../../model/surfaceRow';
import { PART_WORDS } from './parts';
import type { Stop } from './stops';

/** Where to stand for a stop. */
export interface Stand {
  /** From the surface, m. */
  distanceM: number;
  /** Sideways from the middle of what is aimed at, m; 0 is square on. */
  asideM: number;
  /** Width that is in view from there, m. */
  viewM: number;
  /** Side of one pixel, of the smallest honest target, and of the smallest whose centre is honest, m. */
  pixelM: number;
  smallestM: number;
  centreM: number;
  /** The room is too small for the whole of it: how many frames side by side show it. */
  frames: number;
}

/** Nobody stands closer to the wall behind than this, m. */
const BODY_M = 0.5;
/** Beyond this angle from square on, degrees, even good emitters reflect. */
export const FLATTEST_DEG = 60;
/** Sideways enough that the own image leaves a pane, without coming near the flattest angle. */
const SIDE_STEP_DEG = 25;

/** How far one can step back from a surface, m: across the room; outdoors as far as wanted. */
function spaceBefore(surface: SurfaceValue | null, room: RoomValue | null): number {
  if (!surface || !room) return Infinity;
  if (surface.kind === 'floor' || surface.kind === 'ceiling') return Math.max(0.6, room.heightM - 0.9);
  const { width, depth } = room.plan;
  const along = Math.abs(surface.widthM - width) < Math.abs(surface.widthM - depth) ? depth : width;
  return Math.max(0.6, along - BODY_M);
}

/**
 * Where to stand for a stop: far enough back for what should be in view, not through the wall behind, not nearer than the
 * camera is sharp, and aside where the surface mirrors.
 *
 * @returns metres; `frames` is 1 when everything is in view
 */
export function standFor(
  stop: Pick<Stop, 'viewM' | 'part'>,
  camera: Pick<CameraValue, 'columns' | 'rows' | 'fieldDeg' | 'minDistanceM'>,
  surface: SurfaceValue | null,
  room: RoomValue | null,
): Stand {
  const wanted = standOff(camera, stop.viewM);
  const distanceM = Math.max(camera.minDistanceM, Math.min(wanted, spaceBefore(surface, room)));
  const sight = sightAt(camera, distanceM);
  const asideM = PART_WORDS[stop.part].mirrors ? distanceM * Math.tan((SIDE_STEP_DEG * Math.PI) / 180) : 0;
  // A tenth of overlap, so that frames can be joined.
  const frames = sight.width >= stop.viewM * 0.98 ? 1 : Math.ceil((stop.viewM - 0.1 * sight.width) / (0.9 * sight.width));
  return { distanceM, asideM, viewM: sight.width, pixelM: sight.pixel, smallestM: sight.smallest, centreM: sight.centre, frames };
}

const metres = (value: number) => `${value.toFixed(1)} m`;

/** How to stand, in words for cold hands: steps back and aside, and what can be read from there. */
export function standWords(stand: Stand, part: Stop['part']): string[] {
  const steps = Math.max(1, Math.round(stand.distanceM / 0.75));
  const back = `${metres(stand.distanceM)} away (${steps === 1 ? 'one step' : `${steps} steps`}), ${metres(stand.viewM)} in view.`;
  return [
    back,
    ...(stand.asideM > 0 ? [`${metres(stand.asideM)} aside, so that you are not mirrored.`] : []),
    ...(stand.frames > 1 ? [`Too near for all of it: take ${stand.frames} frames that overlap.`] : []),
    PART_WORDS[part].stand,
    `Smallest thing that can be read: ${(stand.smallestM * 1000).toFixed(0)} mm; its very middle from ${(stand.centreM * 1000).toFixed(0)} mm.`,
  ];
}
