import { surfacesOf } from '../house/surfacesOf';
import { templateRooms, TEMPLATES, TEMPLATE_NAMES, type TemplateName } from '../house/templates';
import { STAND_IN_CAMERA } from '../../model/standInCamera';
import { ID, visitDocument } from '../../testing/visit';
import type { Row } from '../../model/entities';
import type { StopValue } from '../../model/stopRow';
import { coverageOf, minutesIn, outcomesOf } from './coverage';
import { kitListOf, kitOf } from './kit';
import { KINDS, VISIT_KINDS } from '../../model/visitKinds';
import { layCard } from './layCard';
import { PARTS } from './parts';
import { cameraOf, openChanges, roundOf, stopRowOf, struckStops } from './round';
import { FLATTEST_DEG, standFor, standWords } from './stand';
import { stopGroups, type House } from './stops';

function house(name: TemplateName): House {
  let count = 0;
  const newId = () => `id-${(count += 1)}`;
  const template = TEMPLATES[name];
  const rooms = templateRooms(template, ID.site).map((value) => ({ id: newId(), version: 1, value }));
  const shell = { ...template.shell, frontAzimuth: 180 };
  const surfaces = surfacesOf(ID.site, rooms, new Set(rooms.map(({ id }) => id)), shell, {}, newId);
  return { rooms, surfaces: surfaces.map((surface) => ({ ...surface, version: 1 })), own: [], services: [], frontAzimuth: 180 };
}

const nobody = { kind: 'buying' as const, complaints: [], history: [] };
const answered = (key: string, change: Partial<StopValue> = {}): Row<'stop'> => ({
  id: key,
  version: 1,
  value: {
    visitId: ID.visit,
    key,
    answer: 'nothing',
    reason: '',
    note: '',
    probes: [],
    struck: false,
    openedAt: 0,
    answeredAt: 60_000,
    ...change,
  },
});

describe('stops', () => {
  test.each(TEMPLATE_NAMES)('of a %s: each once, in the order of the handbook, outdoors from two stand-points', (name) => {
    const groups = stopGroups(house(name), nobody);
    const keys = groups.flatMap(({ stops }) => stops.map(({ key }) => key));
    expect(keys.length).toBeGreaterThan(8);
    expect(new Set(keys).size).toBe(keys.length);
    for (const { stops } of groups) {
      const places = stops.map(({ part }) => PARTS.indexOf(part));
      expect(places).toEqual([...places].sort((a, b) => a - b));
    }
    for (const facade of groups.filter(({ name: group }) => group.startsWith('Outside')))
      expect(facade.stops.map(({ part }) => part)).toEqual(['facade-left', 'facade-right']);
  });

  test('of a bedroom under the loft: sill, window, wall, ceiling corners, ceiling', () => {
    const bedroom = stopGroups(house('terrace'), { ...nobody, kind: 'heat-loss' }).find(({ name }) => name === 'Back bedroom')!;
    expect(bedroom.stops.map(({ part }) => part)).toEqual(['sill', 'window', 'wall', 'ceiling-corners', 'ceiling']);
  });

  test('complaints come first in their room, history to the house when it names no room', () => {
    const groups = stopGroups(house('terrace'), {
      kind: 'buying',
      complaints: [{ id: 'c', place: 'front room', what: 'Cold feet', answer: '' }],
      history: [
        { id: 'h1', what: 'Chimney taken out', when: '' },
        { id: 'h2', what: 'Kitchen extended', when: '2001' },
      ],
    });
    expect(groups[0]!.stops[0]).toMatchObject({ part: 'complaint', title: 'Complaint: Cold feet' });
    expect(groups[0]!.stops[0]!.surfaceId).not.toBeNull();
    expect(groups.at(-1)).toMatchObject({ id: null, name: 'The house' });
    expect(groups.find(({ name }) => name === 'Kitchen')!.stops[0]!.title).toBe('History: Kitchen extended');
  });

  const keysOf = (of: House, intake: Parameters<typeof stopGroups>[1] = nobody) =>
    stopGroups(of, intake).flatMap(({ stops }) => stops.map(({ key }) => key));

  test('keep their keys when complaints and history come, go and are put in other words', () => {
    const one = { id: 'one', place: 'Hall', what: 'Draught', answer: '' };
    const two = { id: 'two', place: 'Kitchen', what: 'Damp', answer: '' };
    const event = { id: 'event', what: 'Chimney taken out', when: '2019' };
    const all = keysOf(house('flat'), { ...nobody, complaints: [one, two], history: [event] });
    expect(all).toEqual(expect.arrayContaining(['one:complaint', 'two:complaint', 'event:history']));
    const without = keysOf(house('flat'), { ...nobody, complaints: [two], history: [event] });
    expect([...without, 'one:complaint'].sort()).toEqual([...all].sort());
    const reworded = {
      ...nobody,
      complaints: [{ ...one, what: 'Draughty' }, two],
      history: [{ ...event, what: 'Chimney gone' }],
    };
    expect(keysOf(house('flat'), reworded)).toEqual(all);
  });

  test('keep their keys when one thing of the house is taken away or renamed', () => {
    const built = house('terrace');
    const all = keysOf(built);
    for (const [at, surface] of built.surfaces.entries()) {
      const instead = (value: typeof surface.value) => ({
        ...built,
        surfaces: built.surfaces.map((one, i) => (i === at ? { ...one, value } : one)),
      });
      expect(keysOf(instead({ ...surface.value, name: 'Another name' }))).toEqual(all);
      for (const { id } of surface.value.openings) {
        const openings = surface.value.openings.filter((one) => one.id !== id);
        const left = keysOf(instead({ ...surface.value, openings }));
        expect(left).toEqual(all.filter((key) => !key.startsWith(`${id}:`)));
      }
      const { id } = surface;
      const gone = new Set([id, ...surface.value.openings.map((one) => one.id)]);
      const left = keysOf({ ...built, surfaces: built.surfaces.filter((one) => one.id !== id) });
      // What looks at the room as a whole may move to another of its walls.
      const fixed = all.filter(
        (key) => !gone.has(key.split(':')[0]!) && !/:(appliances|radiator|inner-wall|ceiling-below)$/.test(key),
      );
      expect(left).toEqual(expect.arrayContaining(fixed));
    }
    const rooms = built.rooms.map((room) => ({ ...room, value: { ...room.value, name: `${room.value.name} 2` } }));
    expect(keysOf({ ...built, rooms })).toEqual(all);
  });

  test('aim at something: inside the surface', () => {
    const built = house('cottage');
    const surfaces = new Map(built.surfaces.map(({ id, value }) => [id, value]));
    for (const { stops } of stopGroups(built, nobody))
      for (const { surfaceId, aim } of stops) {
        const { widthM, heightM } = surfaces.get(surfaceId!)!;
        expect(aim.x >= 0 && aim.x <= widthM && aim.y >= 0 && aim.y <= heightM).toBe(true);
      }
  });

  test('what was added by hand is looked at first, whatever the question is; what was struck off is not', () => {
    const terrace = house('terrace');
    const [room] = terrace.rooms;
    const own = (id: string, roomId: string | null): Row<'ownStop'> => ({
      id,
      version: 1,
      value: { siteId: ID.site, roomId, title: `Meter cupboard ${id}` },
    });
    const added = { ...terrace, own: [own('b', room!.id), own('a', null)] };
    for (const kind of VISIT_KINDS) {
      const groups = stopGroups(added, { ...nobody, kind });
      expect(groups.find(({ id }) => id === room!.id)!.stops[0]).toMatchObject({
        key: 'b:own',
        part: 'own',
        title: 'Meter cupboard b',
      });
      expect(groups.at(-1)).toMatchObject({ id: null, stops: [{ key: 'a:own', surfaceId: null }] });
    }
    const [first, second] = stopGroups(added, nobody).flatMap(({ stops }) => stops);
    const left = stopGroups(added, nobody, new Set([second!.key]), new Set([first!.key, second!.key]));
    const keys = left.flatMap(({ stops }) => stops.map(({ key }) => key));
    expect(keys).not.toContain(first!.key);
    expect(keys).not.toContain(second!.key);
  });

  test('stops that were struck off are known, with their place, and come back', () => {
    const document = visitDocument();
    const { stops } = roundOf(document);
    const row = stopRowOf(document, stops[1]!.key);
    document.rows.stop = { [row.id]: { ...row, version: 1, value: { ...row.value, struck: true } } };
    expect(roundOf(document).stops.map(({ key }) => key)).toEqual(stops.filter((_, i) => i !== 1).map(({ key }) => key));
    expect(struckStops(document)).toMatchObject([{ group: 'Front room', stop: { key: stops[1]!.key } }]);
    document.rows.stop = { [row.id]: { ...row, version: 2, value: row.value } };
    expect(struckStops(document)).toEqual([]);
    expect(roundOf(document).stops).toHaveLength(stops.length);
  });

  test('a house without rooms has none', () =>
    expect(stopGroups({ rooms: [], surfaces: [], own: [], services: [], frontAzimuth: 180 }, nobody)).toEqual([]));
});

describe('standing', () => {
  const camera = STAND_IN_CAMERA.value;
  const built = house('terrace');
  const surface = built.surfaces.find(({ value }) => value.name === 'Front wall')!.value;
  const room = built.rooms[0]!.value;

  test('far enough for the view, not through the wall behind', () => {
    const far = standFor({ viewM: 1.5, part: 'wall' }, camera, surface, room);
    expect(far.viewM).toBeCloseTo(1.5, 6);
    expect(far.frames).toBe(1);
    const cramped = standFor({ viewM: 9, part: 'wall' }, camera, surface, room);
    expect(cramped.distanceM).toBe(room.plan.depth - 0.5);
    expect(cramped.frames * cramped.viewM).toBeGreaterThan(9);
    expect(standWords(cramped, 'wall').join(' ')).toContain(`take ${cramped.frames} frames`);
  });

  test('never nearer than the camera is sharp', () => {
    expect(standFor({ viewM: 0.1, part: 'wall' }, camera, surface, room).distanceM).toBe(camera.minDistanceM);
  });

  test('aside before glass, within the flattest angle', () => {
    const { asideM, distanceM } = standFor({ viewM: 1.9, part: 'window' }, camera, surface, room);
    expect(asideM).toBeGreaterThan(0.3);
    expect((Math.atan2(asideM, distanceM) * 180) / Math.PI).toBeLessThan(FLATTEST_DEG);
    expect(standFor({ viewM: 1.9, part: 'wall' }, camera, surface, room).asideM).toBe(0);
  });

  test('outdoors as far as wanted', () => {
    expect(standFor({ viewM: 9, part: 'facade-left' }, camera, surface, null).viewM).toBeCloseTo(9, 6);
  });
});

describe('coverage', () => {
  const groups = stopGroups(house('garage'), nobody);
  const stops = groups.flatMap((group) => group.stops);
  const [a, b, c] = stops.map(({ key }) => key) as [string, string, string];

  test('answers, frames and nothing', () => {
    const outcomes = outcomesOf(
      groups,
      [answered(a), answered(b, { answer: 'unsolved' })],
      [{ stopKey: c }, { stopKey: b }, { stopKey: 'x' }],
    );
    expect([a, b, c, stops[3]!.key].map((key) => outcomes.get(key))).toEqual(['nothing', 'unsolved', 'seen', null]);
    expect(coverageOf(stops, outcomes)).toEqual({ stops: stops.length, answered: 3, unreached: 0, unsolved: 1 });
  });

  test('an answer that was taken back leaves what the frames say', () => {
    expect(outcomesOf(groups, [answered(a, { answer: null })], []).get(a)).toBeNull();
    expect(outcomesOf(groups, [answered(a, { answer: null })], [{ stopKey: a }]).get(a)).toBe('seen');
  });

  test('time in a room goes from its first look to its last answer', () => {
    const group = groups[0]!;
    const rows = [
      answered(group.stops[0]!.key, { openedAt: 0 }),
      answered(group.stops[1]!.key, { openedAt: 60_000, answeredAt: 300_000 }),
    ];
    expect(minutesIn(group, rows)).toBe(5);
    expect(minutesIn(group, [])).toBeNull();
  });
});

describe('a card', () => {
  const stops = stopGroups(house('garage'), nobody).flatMap((group) => group.stops);
  const keys = stops.map(({ key }) => key);
  const minute = 60_000;
  const sides = new Map(keys.map((key) => [key, null]));
  const picture = (id: string, takenAt: number) => ({ id, takenAt, side: null });

  test('lies on the stops that were open, by the camera’s own clock', () => {
    const answers = keys
      .slice(0, 3)
      .map((key, i) => answered(key, { openedAt: i * 5 * minute, answeredAt: (i * 5 + 4) * minute }));
    const pictures = [1, 6, 7, 11, 40].map((at, i) => picture(String(i), (at + 60) * minute));
    expect(layCard(pictures, 3600, sides, answers).map(({ stopKey }) => stopKey)).toEqual([
      keys[0],
      keys[1],
      keys[1],
      keys[2],
      null,
    ]);
    expect(layCard(pictures, 0, sides, answers).every(({ stopKey }) => stopKey === null)).toBe(true);
  });

  test('without times in the round nothing is laid: an order says nothing', () => {
    const pictures = [0, 10, 400].map((s, i) => picture(String(i), s * 1000));
    expect(layCard(pictures, 0, sides, []).map(({ stopKey }) => stopKey)).toEqual([null, null, null]);
    expect(
      layCard(pictures, 0, sides, [answered(keys[0]!, { openedAt: null, answeredAt: null })]).every(
        ({ stopKey }) => stopKey === null,
      ),
    ).toBe(true);
  });

  test('a picture that was taken outside is never laid on a stop inside', () => {
    const answers = [
      answered(keys[0]!, { openedAt: 0, answeredAt: minute }),
      answered(keys[1]!, { openedAt: 8 * minute, answeredAt: 9 * minute }),
    ];
    const sided = new Map([
      [keys[0]!, 'inside' as const],
      [keys[1]!, 'outside' as const],
    ]);
    const laid = [null, 'outside' as const, 'loft' as const].map(
      (side) => layCard([{ ...picture('a', minute), side }], 0, sided, answers)[0]!.stopKey,
    );
    expect(laid).toEqual([keys[0], keys[1], null]);
  });

  test('an empty card, a house without stops', () => {
    expect(layCard([], 0, sides, [])).toEqual([]);
    expect(layCard([picture('a', 0)], 0, new Map(), [])).toEqual([{ id: 'a', stopKey: null }]);
  });
});

describe('the round of a document', () => {
  test('follows from its house and complaints', () => {
    const document = visitDocument();
    const { groups, coverage } = roundOf(document);
    expect(groups.map(({ name }) => name)).toEqual(['Front room', 'The house']);
    expect(coverage.answered).toBe(0);
    const key = groups[0]!.stops[0]!.key;
    const row = stopRowOf(document, key);
    expect(row).toMatchObject({ version: 0, value: { key, answer: null } });
    document.rows.stop[row.id] = { ...row, version: 1, value: { ...row.value, answer: 'seen' } };
    expect(roundOf(structuredClone(document)).coverage.answered).toBe(1);
    expect(stopRowOf(document, key).version).toBe(1);
  });

  test('a frame that was taken back answers nothing', () => {
    const document = visitDocument();
    const key = roundOf(document).stops[1]!.key;
    document.rows.frame[ID.frame]!.value.stopKey = key;
    expect(roundOf(structuredClone(document)).outcomes.get(key)).toBe('seen');
    document.rows.frame[ID.frame]!.value.discarded = true;
    expect(roundOf(structuredClone(document)).outcomes.get(key)).toBeNull();
  });

  test('kit, camera and what is to be put back', () => {
    const document = visitDocument();
    expect(kitOf(document).value.items).toEqual(KINDS['heat-loss'].bring.map((name) => ({ name, packed: false })));
    const list = kitListOf(document, 'heat-loss');
    document.rows.kitList[list.id] = { ...list, version: 1, value: { kind: 'heat-loss', items: ['Foil only'] } };
    expect(kitOf(document).value.items).toEqual([{ name: 'Foil only', packed: false }]);
    // Nobody said which: a real visit has none, one for practice the stand-in.
    expect(cameraOf(document)).toBeNull();
    document.rows.visit[ID.visit]!.value.practice = true;
    expect(cameraOf(document)!.id).toBe(STAND_IN_CAMERA.id);
    document.rows.visit[ID.visit]!.value.cameraId = ID.camera;
    expect(cameraOf(document)!.value.name).toBe('Row camera');
    const change = {
      visitId: ID.visit,
      kind: 'vent' as const,
      what: 'Vent',
      was: 'open',
      now: 'taped',
      changedAt: 5,
      putBackAt: null,
    };
    document.rows.putBack.a = { id: 'a', version: 1, value: change };
    document.rows.putBack.b = { id: 'b', version: 1, value: { ...change, changedAt: 1 } };
    document.rows.putBack.c = { id: 'c', version: 1, value: { ...change, putBackAt: 9 } };
    expect(openChanges(document).map(({ id }) => id)).toEqual(['b', 'a']);
  });
});
