import { templateRooms, TEMPLATE_NAMES, TEMPLATES } from '../house/templates';
import { surfacesOf } from '../house/surfacesOf';
import { readFrame } from '../../method/formats/readFrame';
import { writeTiff } from '../../method/formats/tiff/write';
import { testCodecs } from '../../testing/material';
import { ID } from '../../testing/visit';
import { drawHidden, HIDDEN_FAULTS, type Spot } from './hiddenFaults';
import { houseScene, ownErrors, sceneCamera, seedFrom } from './houseScene';
import { CALM } from '../../testing/patterns';
import { kindOf } from '../../method/simulate/features/registry';
import { seededRandom } from '../../ground/random';
import { renderScene } from '../../method/simulate/renderScene';
import { STAND_IN_CAMERA } from '../../model/standInCamera';

/** Every surface of every template, in winter and summer, each with a chance of its own. */
const spots: Spot[] = TEMPLATE_NAMES.flatMap((name) => {
  let count = 0;
  const newId = () => `${name}-${(count += 1)}`;
  const rooms = templateRooms(TEMPLATES[name], ID.site).map((value) => ({ id: newId(), value }));
  const shell = { ...TEMPLATES[name].shell, frontAzimuth: 180 };
  const surfaces = surfacesOf(ID.site, rooms, new Set(rooms.map(({ id }) => id)), shell, {}, newId);
  return surfaces.flatMap(({ id, value: surface }) =>
    [false, true].map((cooled) => ({
      surface,
      room: rooms.find((room) => room.id === surface.roomId)?.value ?? null,
      random: seededRandom(seedFrom(id)),
      cooled,
    })),
  );
});
const roof: Spot = { ...spots[0]!, surface: { ...spots[0]!.surface, kind: 'roof', roomId: null }, room: null };

describe.each(HIDDEN_FAULTS.map((fault) => [fault.name, fault] as const))('%s', (_name, fault) => {
  const places = [...spots, roof].filter((spot) => fault.fits(spot));

  test('fits somewhere, and not everywhere', () => {
    expect(places.length).toBeGreaterThan(0);
    expect(places.length).toBeLessThan(spots.length);
  });

  test('is something that a survey should find, within its surface', () => {
    for (const spot of places.slice(0, 12)) {
      const feature = fault.make(spot);
      const { kind } = feature;
      if (kind !== 'line') expect(kindOf(feature).fault?.(feature)).toBeTruthy();
      if (!('x' in feature && 'y' in feature)) continue;
      expect(feature.x).toBeGreaterThan(-0.5);
      expect(feature.x).toBeLessThan(spot.surface.widthM + 0.5);
      expect(feature.y).toBeGreaterThanOrEqual(0);
      expect(feature.y).toBeLessThanOrEqual(spot.surface.heightM + 0.05);
    }
  });
});

describe('drawing', () => {
  test('the same chance draws the same, another something else', () => {
    const draw = (seed: number) => drawHidden({ ...spots[0]!, random: seededRandom(seed) });
    expect(draw(5)).toEqual(draw(5));
    expect(new Set(Array.from({ length: 40 }, (_, seed) => JSON.stringify(draw(seed)))).size).toBeGreaterThan(15);
  });

  test('most surfaces that lose heat have something, some nothing, none more than two', () => {
    const outer = spots.filter(({ surface }) => surface.behind === 'outside');
    const counts = outer.map((spot, i) => drawHidden({ ...spot, random: seededRandom(i) }).length);
    expect(Math.max(...counts)).toBe(2);
    expect(counts.filter((count) => count === 0).length).toBeGreaterThan(0);
    expect(counts.filter((count) => count > 0).length).toBeGreaterThan(counts.length / 2);
  });

  test('heating pipes are not drawn while the house is cooled, registers only then', () => {
    const kinds = (cooled: boolean) =>
      spots
        .filter((spot) => spot.cooled === cooled)
        .flatMap((spot, i) => [1, 2, 3, 4, 5, 6].flatMap((n) => drawHidden({ ...spot, random: seededRandom(i * 7 + n) })));
    const [winter, summer] = [kinds(false), kinds(true)];
    expect(winter.some((feature) => feature.kind === 'register')).toBe(false);
    expect(summer.some((feature) => feature.kind === 'register')).toBe(true);
    expect(summer.some((feature) => feature.kind === 'line' && feature.what === 'hot-pipe')).toBe(false);
  });
});

test('a captured frame goes through its file and back like any other', () => {
  const { surface, room } = spots[0]!;
  const simulated = {
    id: 'wall',
    surface,
    room: room && templateRooms(TEMPLATES.cottage, ID.site)[0]!,
    described: null,
    emitters: null,
    hidden: drawHidden(spots[0]!),
    sealed: false,
    storeys: { lowest: 0, count: 1 },
    weather: { ...CALM, outsideC: 1 },
  };
  const pose = { aim: { x: 1, y: 1 }, distance: 2, aside: 0.4 };
  const frame = renderScene(
    houseScene(simulated, sceneCamera(STAND_IN_CAMERA.value, ownErrors('any', STAND_IN_CAMERA.value)), pose, 3),
    0.1,
  );
  const back = readFrame(writeTiff(frame, testCodecs), testCodecs);
  expect(back).toMatchObject({ width: 320, height: 240, warnings: [] });
  expect(Buffer.compare(Buffer.from(back.values.buffer), Buffer.from(frame.values.buffer))).toBe(0);
});
