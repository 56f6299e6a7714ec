import { assumedLine, filled, marked, orUsual } from './source';

test('what was said holds; what was not is usual and marked', () => {
  expect(orUsual(0, 60)).toEqual({ value: 0, source: 'said' });
  expect(orUsual<number>(null, 60)).toEqual({ value: 60, source: 'assumed' });
  expect(marked('60 °C', orUsual<number>(null, 60))).toBe('60 °C (assumed, as usual)');
  expect(marked('55 °C', orUsual(55, 60))).toBe('55 °C');
  expect(assumedLine([])).toBe('');
  expect(assumedLine(['a', 'b'])).toBe('Assumed, as usual: a, b.');
});

test('a row is filled where nobody said, and tells where', () => {
  const row: { a: number | null; b: string | null; c: number } = { a: null, b: 'x', c: 1 };
  expect(filled<typeof row, 'a' | 'b'>(row, { a: 7, b: 'y' })).toEqual({ a: 7, b: 'x', c: 1, assumed: ['a'] });
  expect(row.a).toBeNull();
  expect(filled<typeof row, 'a' | 'b'>({ ...row, a: 0 }, { a: 7, b: 'y' }).assumed).toEqual([]);
});
