import { ID } from '../../testing/visit';
import { serviceSpots } from '../round/serviceStops';
import { placedAt, usualServices, wallOfService } from '../../model/placeServices';
import { serviceValueSchema } from '../../model/serviceRow';
import { SERVICE_KINDS, SERVICE_WORDS, USUAL_SERVICES } from '../../model/serviceKinds';
import { surfacesOf } from './surfacesOf';
import { TEMPLATE_NAMES, TEMPLATES, templateRooms, type TemplateName } from './templates';

function house(name: TemplateName, frontAzimuth = 180) {
  let count = 0;
  const newId = () => `id-${(count += 1)}`;
  const template = TEMPLATES[name];
  const rooms = templateRooms(template, ID.site).map((value) => ({ id: newId(), version: 1, value }));
  const shell = { ...template.shell, frontAzimuth };
  const walls = surfacesOf(ID.site, rooms, new Set(rooms.map(({ id }) => id)), shell, {}, newId).map((one) => ({
    ...one,
    version: 1,
  }));
  const services = usualServices(ID.site, rooms, walls, frontAzimuth, newId).map((one) => ({ ...one, version: 1 }));
  return { rooms, walls, services };
}

describe('services of a house', () => {
  test.each(TEMPLATE_NAMES)('of a %s stand in their rooms, and are what a kind of room has', (name) => {
    const { rooms, services } = house(name);
    for (const { id, value } of rooms) {
      const own = services.filter((service) => service.value.roomId === id);
      expect(own.map((service) => service.value.kind)).toEqual(USUAL_SERVICES[value.kind]);
      for (const service of own) {
        expect(service.value.x).toBeGreaterThan(0);
        expect(service.value.x).toBeLessThan(value.plan.width);
        expect(service.value.y).toBeGreaterThan(0);
        expect(service.value.y).toBeLessThan(value.plan.depth);
        expect(serviceValueSchema.shape.x.safeParse(service.value.x).success).toBe(true);
      }
    }
  });

  test.each([0, 90, 180, 275])('a radiator stands under its window, whichever way the house looks: %s°', (frontAzimuth) => {
    const { rooms, walls, services } = house('terrace', frontAzimuth);
    let under = 0;
    for (const { id, value } of rooms) {
      const own = walls.filter((wall) => wall.value.roomId === id);
      const radiator = services.find((service) => service.value.roomId === id && service.value.kind === 'radiator');
      const windowed = own.find((wall) => wall.value.openings.some(({ kind }) => kind === 'window'));
      if (!radiator || !windowed) continue;
      const window = windowed.value.openings.find(({ kind }) => kind === 'window')!;
      const at = wallOfService(radiator.value, value, own, frontAzimuth)!;
      expect(at.wall.id).toBe(windowed.id);
      expect(at.alongM).toBeCloseTo(window.x + window.width / 2, 6);
      under += 1;
    }
    expect(under).toBeGreaterThan(2);
  });

  test('every wall has its own left end, as seen from inside', () => {
    const { rooms, walls } = house('flat');
    const room = rooms.find(({ value }) => value.name === 'Living room')!;
    const own = walls.filter((wall) => wall.value.roomId === room.id);
    for (const side of ['front', 'left', 'back', 'right'] as const) {
      const at = wallOfService(placedAt(room.value, side, 1.25), room.value, own, 180)!;
      expect(at.alongM).toBeCloseTo(1.25, 9);
    }
    expect(wallOfService({ x: 1, y: 1 }, room.value, [], 180)).toBeNull();
  });

  test('are stops at their wall, in their order; what is no stop is none', () => {
    const { rooms, walls, services } = house('terrace');
    const hall = rooms.find(({ value }) => value.kind === 'hall')!;
    const own = services.filter(({ value }) => value.roomId === hall.id);
    const spots = serviceSpots(
      own,
      hall.value,
      walls.filter(({ value }) => value.roomId === hall.id),
      180,
    );
    expect(spots.map(({ part }) => part)).toEqual(['radiator', 'panel']);
    for (const { wall, aim } of spots) {
      expect(aim.x >= 0 && aim.x <= wall!.value.widthM).toBe(true);
      expect(aim.y > 0 && aim.y < wall!.value.heightM).toBe(true);
    }
    // Without walls it is still a stop.
    expect(serviceSpots(own, hall.value, [], 180)[0]).toMatchObject({ wall: null, part: 'radiator' });
  });

  test('every kind has words of its own', () => {
    expect(new Set(Object.values(SERVICE_WORDS)).size).toBe(SERVICE_KINDS.length);
  });
});
