import { readFileSync } from 'node:fs';
import { surfacesOf } from '../house/surfacesOf';
import { usualServices } from '../../model/placeServices';
import { templateRooms, TEMPLATES } from '../house/templates';
import { ID } from '../../testing/visit';
import { KINDS, VISIT_KINDS, type VisitKind } from '../../model/visitKinds';
import { PARTS, PART_WORDS, type Part } from './parts';
import { stopGroups } from './stops';
import { STOPS_BY_KIND } from './stopsByKind';

/** A terrace: two storeys, a loft, wet rooms, neighbours on both sides. */
const house = (() => {
  let count = 0;
  const newId = () => `id-${(count += 1)}`;
  const rooms = templateRooms(TEMPLATES.terrace, ID.site).map((value) => ({ id: newId(), version: 1, value }));
  const shell = { ...TEMPLATES.terrace.shell, frontAzimuth: 180 };
  const surfaces = surfacesOf(ID.site, rooms, new Set(rooms.map(({ id }) => id)), shell, {}, newId);
  return {
    rooms,
    surfaces: surfaces.map((surface) => ({ ...surface, version: 1 })),
    own: [],
    services: usualServices(ID.site, rooms, surfaces, 180, newId).map((service) => ({ ...service, version: 1 })),
    frontAzimuth: 180,
  };
})();

const stopsOf = (kind: VisitKind, kept?: ReadonlySet<string>) =>
  stopGroups(house, { kind, complaints: [], history: [] }, kept).flatMap(({ stops }) => stops);

/** How many stops of each part a kind of visit has in the terrace. */
function tableOfStops(): string {
  const counts = (kind: VisitKind) => {
    const stops = stopsOf(kind);
    return (part: Part) => stops.filter((stop) => stop.part === part).length;
  };
  const columns = VISIT_KINDS.map(counts);
  const line = (cells: string[]) => `| ${cells.join(' | ')} |`;
  const parts = PARTS.filter((part) => columns.some((count) => count(part) > 0));
  return [
    line(['Stop', ...VISIT_KINDS.map((kind) => KINDS[kind].words)]),
    line(['---', ...VISIT_KINDS.map(() => '---')]),
    ...parts.map((part) => line([PART_WORDS[part].title, ...columns.map((count) => String(count(part) || ''))])),
    line(['**All**', ...VISIT_KINDS.map((kind) => `**${stopsOf(kind).length}**`)]),
  ].join('\n');
}

/** The same without the blanks that make columns of equal width. */
const bare = (table: string) => table.replace(/-{3,}/g, '---').replace(/ +/g, ' ');

test('the table in docs is what the rounds of a terrace are', () => {
  const written = readFileSync('docs/stops.md', 'utf8');
  expect(bare(written)).toContain(bare(tableOfStops()));
});

test('no two kinds of visit have the same stops, and each has some', () => {
  const all = VISIT_KINDS.map((kind) => JSON.stringify(stopsOf(kind).map(({ key }) => key)));
  expect(new Set(all).size).toBe(VISIT_KINDS.length);
  for (const kind of VISIT_KINDS) expect(stopsOf(kind).length).toBeGreaterThan(5);
});

test('every part answers some question, and none is looked at that nobody asked for', () => {
  const asked = new Set(VISIT_KINDS.flatMap((kind) => [...STOPS_BY_KIND[kind]]));
  expect(PARTS.filter((part) => !asked.has(part))).toEqual(['complaint', 'own', 'history']);
  for (const kind of VISIT_KINDS) {
    const parts = new Set(stopsOf(kind).map(({ part }) => part));
    expect([...parts].every((part) => STOPS_BY_KIND[kind].has(part))).toBe(true);
  }
});

test('water is looked for where it runs, emitters in heated rooms', () => {
  const at = (kind: VisitKind, part: Part) => {
    const rooms = new Map(house.rooms.map(({ id, value }) => [id, value.kind]));
    return stopsOf(kind).flatMap((stop) => (stop.part === part ? [rooms.get(stop.groupId!)!] : []));
  };
  expect(at('damp', 'inner-wall')).toEqual(expect.arrayContaining(['kitchen']));
  expect(at('damp', 'ceiling-below').length).toBeGreaterThan(0);
  expect(at('heat-loss', 'inner-wall')).toEqual([]);
  expect(at('no-heat', 'radiator').length).toBeGreaterThan(3);
  expect(at('no-heat', 'radiator')).not.toContain('loft');
});

test('what was answered stays when the question changes', () => {
  const [light] = stopsOf('heat-loss').filter(({ part }) => !STOPS_BY_KIND['no-heat'].has(part));
  expect(stopsOf('no-heat').some(({ key }) => key === light!.key)).toBe(false);
  const kept = stopsOf('no-heat', new Set([light!.key]));
  expect(kept.some(({ key }) => key === light!.key)).toBe(true);
  expect(kept.length).toBe(stopsOf('no-heat').length + 1);
});
