import { ENTITIES } from './entities';
import { entityOf, parentOf } from './entityOf';
import { referencesOf } from './reference';
import { ID, visitDocument } from '../testing/visit';

const kinds = ENTITIES.map((one) => [one.name, entityOf(one.name)] as const);

test('names and labels are each there once', () => {
  expect(new Set(ENTITIES.map(({ name }) => name)).size).toBe(ENTITIES.length);
  expect(new Set(ENTITIES.map(({ label }) => label)).size).toBe(ENTITIES.length);
});

test.each(kinds)('%s: its words and what never changes are fields of its value', (_, { schema, words, fixed }) => {
  const fields = Object.keys(schema.shape);
  expect(fields).toEqual(expect.arrayContaining([...Object.keys(words), ...fixed]));
  for (const label of Object.values(words)) expect(label).toMatch(/^\p{Ll}[\p{L} ]+$/u);
  // Whose a row is, and where it stands in a list, says nothing to people.
  for (const hidden of ['id', 'ordinal', 'siteId', 'visitId']) expect(Object.keys(words)).not.toContain(hidden);
});

test('what names other rows, and what becomes of it when they go', () => {
  const all = kinds.flatMap(([name, { schema }]) =>
    referencesOf(schema).map(
      ({ field, deep, reference }) => `${name}.${field}${deep ? '[]' : ''} ${reference.whenGone} ${reference.kind}`,
    ),
  );
  expect(all).toEqual(
    expect.arrayContaining([
      'pair.beforeFrameId refuse frame',
      'hunt.meter[] refuse frame',
      'boilerCard.parts[] forget photo',
      'tailReading.frameId cascade frame',
      'flush.marks[] stays service',
    ]),
  );
  // A field whose name ends so is a reference, the row that it hangs on, or names what is no row.
  const ids = kinds.flatMap(([name, { schema, parent }]) =>
    Object.keys(schema.shape)
      .filter((field) => /Id$/.test(field) && field !== parent?.field && !referencesOf(schema).some((one) => one.field === field))
      .map((field) => `${name}.${field}`),
  );
  expect(ids).toEqual(['plan.weatherId', 'finding.complaintId', 'loan.weatherId']);
});

test.each(kinds)('%s: a reference that is forgotten may be empty', (_, { schema }) => {
  for (const { field, deep, reference } of referencesOf(schema)) {
    if (deep || reference.whenGone !== 'forget') continue;
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
