import { losesHeat } from '../../model/houseKinds';
import type { RoomValue } from '../../model/roomRow';
import type { OpeningShape, SurfaceValue } from '../../model/surfaceRow';

const DOOR = { width: 0.9, height: 2 };

function centred(
  kind: OpeningShape['kind'],
  surface: SurfaceValue,
  width: number,
  height: number,
  y: number,
  at = 0.5,
): OpeningShape {
  const wide = Math.min(width, surface.widthM * 0.8);
  const tall = Math.min(height, surface.heightM - y);
  return { kind, x: Math.round(100 * (surface.widthM * at - wide / 2)) / 100, y, width: wide, height: tall };
}

function standing(surface: SurfaceValue, at: number): OpeningShape {
  const height = Math.min(DOOR.height, surface.heightM - 0.05);
  return centred('door', surface, DOOR.width, height, Math.round(100 * (surface.heightM - height)) / 100, at);
}

/**
 * Openings that a surface of this kind usually has, for people to correct: a window in a wall to the outside, the front
 * door in the hall, a fan in the bathroom, a hatch under the loft.
 *
 * @param room - null outdoors
 * @param side - of the plan, or the surface itself
 */
export function usualOpenings(
  room: Pick<RoomValue, 'kind'> | null,
  surface: SurfaceValue,
  side: 'front' | 'left' | 'back' | 'right' | 'floor' | 'ceiling' | 'facade',
): OpeningShape[] {
  const sill = Math.min(0.9, surface.heightM / 3);
  if (room === null) {
    const storeys = Math.max(1, Math.round(surface.heightM / 2.7));
    const across = Math.max(1, Math.floor(surface.widthM / 3.5));
    return Array.from({ length: storeys * across }, (_, i) => {
      const from = (Math.floor(i / across) * surface.heightM) / storeys;
      return centred('window', surface, 1.2, 1.1, Math.round(100 * (from + 0.7)) / 100, (0.5 + (i % across)) / across);
    });
  }
  if (room.kind === 'cabin') return inShell(surface, side);
  if (surface.kind === 'ceiling') {
    if (surface.behind === 'loft' && (room.kind === 'stairs' || room.kind === 'hall'))
      return [centred('hatch', surface, 0.75, 0.6, surface.heightM / 2 - 0.3)];
    if (losesHeat(surface.behind) && (room.kind === 'kitchen' || room.kind === 'bathroom'))
      return [centred('light', surface, 0.1, 0.1, surface.heightM / 2)];
    return [];
  }
  if (surface.kind !== 'wall' || surface.behind !== 'outside' || room.kind === 'loft') return [];
  if (room.kind === 'hall' && side === 'front') return [standing(surface, 0.5), letterPlate(surface)];
  if (room.kind === 'garage' && side === 'front') return [centred('door', surface, 2.4, surface.heightM - 0.2, 0.2)];
  if (room.kind === 'cellar' || side === 'left' || side === 'right') {
    return room.kind === 'bathroom' ? [centred('vent', surface, 0.2, 0.2, 0.3)] : [];
  }
  const window = centred('window', surface, 1.2, 1.1, surface.heightM - sill - 1.1 > 0.2 ? surface.heightM - sill - 1.1 : 0.3);
  if (room.kind === 'kitchen' && side === 'back' && surface.widthM > 3) {
    return [{ ...window, x: Math.round(100 * surface.widthM * 0.12) / 100 }, standing(surface, 0.78)];
  }
  if (room.kind === 'bathroom') return [window, { ...centred('vent', surface, 0.2, 0.2, 0.2, 0.85) }];
  return [window];
}

/** A metal shell on wheels: windscreen or rear doors, a door and lockers at the sides, arches at the foot, a fan in the roof. */
function inShell(
  surface: SurfaceValue,
  side: 'front' | 'left' | 'back' | 'right' | 'floor' | 'ceiling' | 'facade',
): OpeningShape[] {
  const foot = (height: number) => Math.round(100 * (surface.heightM - height)) / 100;
  if (surface.kind === 'ceiling') return [centred('vent', surface, 0.4, 0.4, surface.heightM / 2 - 0.2)];
  if (surface.kind !== 'wall' || surface.behind !== 'outside') return [];
  switch (side) {
    case 'front':
      return [centred('window', surface, 1.5, 0.7, 0.2)];
    case 'back':
      return [centred('door', surface, 1.5, surface.heightM - 0.2, 0.2)];
    case 'left':
      return [centred('cupboard', surface, 1, 0.5, 0.2, 0.3), centred('wheel-arch', surface, 0.8, 0.4, foot(0.4), 0.7)];
    case 'right':
      return [
        centred('door', surface, 0.9, surface.heightM - 0.2, 0.2, 0.3),
        centred('wheel-arch', surface, 0.8, 0.4, foot(0.4), 0.75),
      ];
    default:
      return [];
  }
}

function letterPlate(surface: SurfaceValue): OpeningShape {
  return centred('letter-plate', surface, 0.25, 0.04, Math.round(100 * (surface.heightM - 1)) / 100);
}
