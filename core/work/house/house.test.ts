import { type RoomValue, roomValueSchema } from '../../model/roomRow';
import { surfaceValueSchema } from '../../model/surfaceRow';
import { fittedSurface, movedPlan, newOpening, nextPlan, overlap, roomKindFromName } from './edit';
import { OPENING_KINDS } from '../../model/houseKinds';
import { surfacesOf } from './surfacesOf';
import { TEMPLATE_NAMES, TEMPLATES, templateRooms, type HouseTemplate } from './templates';
import { ID } from '../../testing/visit';

function build(template: HouseTemplate, frontAzimuth = 180) {
  let count = 0;
  const newId = () => `0192f0a0-0000-7000-8000-${String((count += 1)).padStart(12, '0')}`;
  const rooms = templateRooms(template, ID.site).map((value) => ({ id: newId(), value }));
  const ids = new Set(rooms.map(({ id }) => id));
  return { rooms, surfaces: surfacesOf(ID.site, rooms, ids, { ...template.shell, frontAzimuth }, {}, newId) };
}

describe.each(TEMPLATE_NAMES)('the template %s', (name) => {
  const { rooms, surfaces } = build(TEMPLATES[name]);

  test('makes rows that can be stored, six surfaces a room', () => {
    for (const { value } of rooms) expect(roomValueSchema.safeParse(value).error).toBeUndefined();
    for (const { value } of surfaces) expect(surfaceValueSchema.safeParse(value).error).toBeUndefined();
    for (const { id } of rooms) expect(surfaces.filter(({ value }) => value.roomId === id)).toHaveLength(6);
  });

  test('has no two rooms in one place, and openings that lie in their surfaces', () => {
    for (const [i, a] of rooms.entries())
      for (const b of rooms.slice(i + 1)) expect([a.value.name, b.value.name, overlap(a.value, b.value)].at(-1)).toBe(false);
    for (const { value } of surfaces)
      for (const { x, y, width, height } of value.openings) {
        expect(Math.min(x, y)).toBeGreaterThanOrEqual(0);
        expect(x + width).toBeLessThanOrEqual(value.widthM + 1e-9);
        expect(y + height).toBeLessThanOrEqual(value.heightM + 1e-9);
      }
  });

  test('knows the other side of a place, from both sides where both are rooms', () => {
    const byId = new Map(surfaces.map((surface) => [surface.id, surface]));
    for (const { value } of surfaces.filter((surface) => surface.value.otherSideId !== null)) {
      const other = byId.get(value.otherSideId!)!;
      expect(other.value.roomId).not.toBe(value.roomId);
      if (value.behind === 'outside') expect(other.value).toMatchObject({ kind: 'facade', azimuth: value.azimuth });
    }
  });

  test('has façades on the sides that are free, and only there', () => {
    const free = Object.values(TEMPLATES[name].shell.beyond).filter((behind) => behind === 'outside').length;
    expect(surfaces.filter(({ value }) => value.kind === 'facade')).toHaveLength(free);
  });
});

test('the front looks where it is told, the left of it a quarter turn on', () => {
  const { surfaces } = build(TEMPLATES.garage, 350);
  const azimuth = (part: string) => surfaces.find(({ value }) => value.name.startsWith(part))!.value.azimuth;
  expect([azimuth('Front'), azimuth('Left'), azimuth('Back'), azimuth('Right')]).toEqual([350, 80, 170, 260]);
});

test('rooms over a passage, over rooms and under the loft know it', () => {
  const { rooms, surfaces } = build(TEMPLATES.terrace);
  const behind = (room: string, kind: 'floor' | 'ceiling') =>
    surfaces.find(({ value }) => value.kind === kind && rooms.find(({ id }) => id === value.roomId)?.value.name === room)!.value
      .behind;
  expect(behind('Front room', 'floor')).toBe('ground');
  expect(behind('Front room', 'ceiling')).toBe('room');
  expect(behind('Back bedroom', 'floor')).toBe('room');
  expect(behind('Back bedroom', 'ceiling')).toBe('loft');
});

describe('editing', () => {
  const room: Pick<RoomValue, 'plan' | 'storey'> = { storey: 0, plan: { x: 2, y: 0, width: 4, depth: 3 } };

  test('names speak of kinds', () => {
    expect(['Kitchen', 'Back bedroom', 'WC', 'Stairs', 'Attic', 'Parlour'].map(roomKindFromName)).toEqual([
      'kitchen',
      'bedroom',
      'bathroom',
      'stairs',
      'loft',
      'living',
    ]);
  });

  test('a new room finds a free place on its storey', () => {
    expect(nextPlan([room], 0)).toMatchObject({ x: 6 });
    expect(nextPlan([room], 1)).toMatchObject({ x: 0 });
    expect(overlap(room, { storey: 0, plan: nextPlan([room], 0) })).toBe(false);
  });

  test('a plan stays on the grid', () => {
    expect(movedPlan(room.plan, { x: -3, width: 0.2 })).toEqual({ x: 0, y: 0, width: 1, depth: 3 });
    expect(movedPlan(room.plan, { y: 99.7 }).y).toBe(60);
  });

  test('walls follow the room, and openings stay in them', () => {
    const { surfaces } = build(TEMPLATES.terrace);
    const front = surfaces.find(({ value }) => value.name === 'Front wall')!.value;
    const smaller = fittedSurface(front, { plan: { x: 0, y: 0, width: 1, depth: 5 }, heightM: 2 }, 180);
    expect(smaller).toMatchObject({ widthM: 1, heightM: 2 });
    for (const { x, width } of smaller.openings) expect(x + width).toBeLessThanOrEqual(1);
    const left = surfaces.find(({ value }) => value.name === 'Left wall')!.value;
    expect(fittedSurface(left, { plan: { x: 0, y: 0, width: 1, depth: 5 }, heightM: 2 }, 180).widthM).toBe(5);
  });

  test('every kind of opening fits into a small wall', () => {
    for (const kind of OPENING_KINDS) {
      const { x, y, width, height } = newOpening('o', kind, { widthM: 0.8, heightM: 1 });
      expect([x, y, x + width <= 0.8, y + height <= 1]).toEqual([expect.any(Number), expect.any(Number), true, true]);
    }
  });
});
