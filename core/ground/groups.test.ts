import fc from 'fast-check';
import { groupedBy } from './derived';
import { changedFrom, groupsOf } from './groups';

interface Thing {
  id: string;
  on: string;
}
type Things = Record<string, Thing>;

const on = ({ on: key }: Thing) => key;
const sorted = (groups: ReadonlyMap<string, readonly Thing[]>) =>
  [...groups].map(([key, rows]) => [key, rows.map(({ id }) => id).sort()]).sort();

test('groups that follow from the record before are those that are made anew, over any chain of changes', () => {
  const id = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f');
  const step = fc.array(fc.tuple(id, fc.option(fc.constantFrom('x', 'y', 'z'))), { minLength: 1, maxLength: 4 });
  fc.assert(
    fc.property(fc.array(fc.tuple(step, fc.boolean()), { maxLength: 8 }), (steps) => {
      const groups = groupsOf(on);
      let record: Things = { a: { id: 'a', on: 'x' }, b: { id: 'b', on: 'y' } };
      groups(record);
      for (const [changes, read] of steps) {
        const next = { ...record };
        for (const [key, value] of changes) {
          if (value) next[key] = { id: key, on: value };
          else delete next[key];
        }
        changedFrom(next, record, [...new Set(changes.map(([key]) => key))]);
        record = next;
        // Not every record in between is read.
        if (read) expect(sorted(groups(record))).toEqual(sorted(groupedBy(Object.values(record), on)));
      }
      expect(sorted(groups(record))).toEqual(sorted(groupedBy(Object.values(record), on)));
    }),
  );
});

test('groups in which nothing changed stay the same lists', () => {
  const groups = groupsOf(on);
  const record: Things = { a: { id: 'a', on: 'x' }, b: { id: 'b', on: 'y' } };
  const before = groups(record);
  expect(groups(record)).toBe(before);
  const next: Things = { ...record, b: { id: 'b', on: 'z' } };
  changedFrom(next, record, ['b']);
  const after = groups(next);
  expect(after.get('x')).toBe(before.get('x'));
  expect([after.has('y'), after.get('z')]).toEqual([false, [next.b]]);
  expect(before.get('y')).toEqual([record.b]);
});
