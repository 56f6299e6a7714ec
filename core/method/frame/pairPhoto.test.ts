import fc from 'fast-check';
import { namesLike, sameName } from './pairPhoto';

/** What a search with such a pattern finds, without regard to case. */
function like(pattern: string, text: string): boolean {
  const parts = pattern.match(/\\.|[\s\S]/g) ?? [];
  const expression = parts.map((part) =>
    part === '%' ? '[\\s\\S]*' : part === '_' ? '[\\s\\S]' : part.replace(/^\\/, '').replace(/[\\^$.*+?()[\]{}|/-]/g, '\\$&'),
  );
  return new RegExp(`^${expression.join('')}$`, 'i').test(text);
}
const found = (of: string, among: string) => namesLike({ fileName: of }).some((pattern) => like(pattern, among));

test.each([
  ['row_7.tif', 'ROW_7-photo.jpg', true],
  ['row_7.tif', 'row_7 visible.png', true],
  ['row_7-photo.jpg', 'Row_7.TIF', true],
  ['row_7.tif', 'rowx7.jpg', false],
  ['row_7.tif', 'row_70.jpg', false],
  ['100%.tif', '100%.jpg', true],
  ['100%.tif', '1000.jpg', false],
  ['a\\b.tif', 'a\\b.jpg', true],
  ['no ending', 'no ending.jpg', true],
  ['a.b.tif', 'a.b.jpg', true],
])('%s searches for %s: %s', (of, among, expected) => {
  expect(found(of, among)).toBe(expected);
  expect(sameName({ fileName: of }, { fileName: among })).toBe(expected);
});

test('whatever goes by one name is found, whatever the name is', () => {
  const stem = fc.stringMatching(/^[a-z0-9%_\\ .-]{1,12}$/);
  const suffix = fc.constantFrom('', '-photo', '_visible', ' daylight', 'photo');
  const ending = fc.constantFrom('', '.tif', '.jpg', '.CSV');
  fc.assert(
    fc.property(stem, suffix, ending, suffix, ending, (name, a, endA, b, endB) => {
      const [one, other] = [`${name}${a}${endA}`, `${name}${b}${endB}`];
      if (sameName({ fileName: one }, { fileName: other })) expect(found(one, other)).toBe(true);
    }),
  );
});
