import { derived, groupedBy, remembered } from './derived';

interface Held {
  a: object;
  b: number[];
}

test('is computed again only when a part that it follows from is another', () => {
  let times = 0;
  const sum = derived(
    ({ a, b }: Held) => [a, b],
    ({ b }) => {
      times += 1;
      return b.reduce((x, y) => x + y, 0);
    },
  );
  const held = { a: {}, b: [1, 2] };
  expect([sum(held), sum({ ...held }), sum(held)]).toEqual([3, 3, 3]);
  expect(times).toBe(1);
  expect(sum({ ...held, b: [5] })).toBe(5);
  expect(times).toBe(2);
  // Another document beside it.
  expect(sum({ a: {}, b: [7] })).toBe(7);
  expect(sum({ ...held, b: held.b })).toBe(3);
});

test('groups keep the order of their rows', () => {
  const groups = groupedBy([3, 1, 4, 1, 5, 9], (n) => (n % 2 ? 'odd' : 'even'));
  expect([...groups]).toEqual([
    ['odd', [3, 1, 1, 5, 9]],
    ['even', [4]],
  ]);
});

test('what follows from one object is computed anew only when a part of it is another', () => {
  const ask = remembered<number>();
  let made = 0;
  const make = () => (made += 1);
  const [row, other, pixels] = [{}, {}, new Float32Array(1)];
  expect([ask(row, [pixels, 1], make), ask(row, [pixels, 1], make)]).toEqual([1, 1]);
  expect(ask(other, [pixels, 1], make)).toBe(2);
  expect(ask(row, [pixels, 2], make)).toBe(3);
  expect(ask(row, [new Float32Array(1), 2], make)).toBe(4);
  expect(ask(row, [pixels, 2], make)).toBe(5);
  expect(made).toBe(5);
});

test('what is remembered of one object is gone with none of its neighbours', () => {
  const ask = remembered<string>();
  const rows = ['a', 'b', 'c'].map((name) => ({ name }));
  const made: string[] = [];
  const of = (row: { name: string }, part: unknown) =>
    ask(row, [part], () => {
      made.push(row.name);
      return row.name;
    });
  for (const row of rows) expect(of(row, 1)).toBe(row.name);
  expect(of(rows[1]!, 2)).toBe('b');
  for (const row of rows) of(row, row === rows[1] ? 2 : 1);
  expect(made).toEqual(['a', 'b', 'c', 'b']);
});
