import type { Row } from '../../model/entities';
import { wallOfService } from '../../model/placeServices';
import type { RoomValue } from '../../model/roomRow';
import type { ServiceKind } from '../../model/serviceKinds';
import type { Part } from './parts';

/** What is looked at on each kind of service; null for what is no stop by itself. */
const SERVICE_PARTS: Record<ServiceKind, Part | null> = {
  radiator: 'radiator',
  'towel-rail': 'radiator',
  baseboard: 'radiator',
  'floor-loop': 'radiator',
  'electric-heater': 'radiator',
  manifold: 'source',
  thermostat: null,
  boiler: 'source',
  cylinder: 'source',
  'supply-register': 'register',
  'return-register': 'register',
  'air-handler': 'register',
  'outdoor-unit': 'register',
  sink: 'fixture',
  bath: 'fixture',
  shower: 'fixture',
  toilet: 'fixture',
  drain: 'fixture',
  'breaker-panel': 'panel',
  inverter: 'panel',
  socket: 'socket',
  fireplace: 'flue',
  flue: 'flue',
  flap: 'flue',
  refrigerator: 'appliances',
};

/** A service as something to look at: at which wall, and where on it. */
export interface ServiceSpot {
  service: Row<'service'>;
  part: Part;
  wall: Row<'surface'> | null;
  /** m from the wall's top left corner, seen from inside. */
  aim: { x: number; y: number };
}

/** How high above the floor the middle of what is looked at lies, m. */
const UP_M: Partial<Record<Part, number>> = { radiator: 0.5, fixture: 0.5, flue: 0.8, socket: 0.3 };
const USUAL_UP_M = 1.3;

/** The services of a room that are stops, in their order. */
export function serviceSpots(
  services: readonly Row<'service'>[],
  room: RoomValue,
  walls: readonly Row<'surface'>[],
  frontAzimuth: number,
): ServiceSpot[] {
  return services
    .toSorted((a, b) => a.value.ordinal - b.value.ordinal || a.id.localeCompare(b.id))
    .flatMap((service) => {
      const part = SERVICE_PARTS[service.value.kind];
      if (part === null) return [];
      const at = wallOfService(service.value, room, walls, frontAzimuth);
      const heightM = at?.wall.value.heightM ?? room.heightM;
      const y = Math.max(0.2, heightM - (UP_M[part] ?? USUAL_UP_M));
      return [{ service, part, wall: at?.wall ?? null, aim: { x: at?.alongM ?? room.plan.width / 2, y } }];
    });
}
