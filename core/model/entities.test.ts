import { ENTITIES } from './entities';
import { entityOf, parentOf } from './entityOf';
import { ID, visitDocument } from '../testing/visit';

const kinds = ENTITIES.map((one) => [one.name, entityOf(one.name)] as const);

test('names and labels are each there once', () => {
  expect(new Set(ENTITIES.map(({ name }) => name)).size).toBe(ENTITIES.length);
  expect(new Set(ENTITIES.map(({ label }) => label)).size).toBe(ENTITIES.length);
});

test.each(kinds)(
  '%s: its words, pointers and what never changes are fields of its value',
  (_, { schema, words, points, fixed }) => {
    const fields = Object.keys(schema.shape);
    expect(fields).toEqual(expect.arrayContaining([...Object.keys(words), ...Object.keys(points), ...fixed]));
    for (const label of Object.values(words)) expect(label).toMatch(/^\p{Ll}[\p{L} ]+$/u);
    // Whose a row is, and where it stands in a list, says nothing to people.
    for (const hidden of ['id', 'ordinal', 'siteId', 'visitId']) expect(Object.keys(words)).not.toContain(hidden);
  },
);

test.each(kinds)('%s: a pointer that is cleared may be empty', (_, { schema, points }) => {
  for (const [field, pointer] of Object.entries(points)) {
    if (pointer!.whenGone !== 'clear') continue;
    expect((schema.shape[field] as { safeParse(v: unknown): { success: boolean } }).safeParse(null).success).toBe(true);
  }
});

test('what a row hangs on is found from its value', () => {
  const { rows } = visitDocument();
  expect(parentOf('region', rows.region[ID.sound]!.value)).toEqual({ kind: 'frame', id: ID.frame });
  expect(parentOf('settings', { level: 'surface', ownerId: ID.surface })).toEqual({ kind: 'surface', id: ID.surface });
  // A frame's value does not say whose it is; only its table does.
  expect(parentOf('frame', rows.frame[ID.frame]!.value)).toBeNull();
  expect(parentOf('camera', rows.camera[ID.camera]!.value)).toBeNull();
});

test('a name that no kind has is refused', () => {
  expect(() => entityOf('ghost')).toThrow('no kind of row called ghost');
});
