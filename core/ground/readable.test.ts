import { readable, type ReadableWords } from './readable';

const how: ReadableWords = {
  moment: (ms) => new Date(ms).toISOString().slice(0, 16),
  temperature: (celsius) => `${celsius.toFixed(1)} °C`,
};
const say = (value: unknown, field = 'x') => readable(value, field, how);

test.each([
  ['nothing', null, 'note', '—'],
  ['an empty text', '', 'note', '—'],
  ['a text', 'Cold sill', 'note', 'Cold sill'],
  ['yes', true, 'archived', 'yes'],
  ['no', false, 'archived', 'no'],
  ['a temperature', 18.04, 'insideC', '18.0 °C'],
  ['metres', 2.4, 'widthM', '2.4 m'],
  ['a share of air', 47, 'humidityPct', '47 %'],
  ['kelvin', 0.3, 'uncertaintyK', '0.3 K'],
  ['seconds', 90, 'settleS', '90 s'],
  ['a plain number', 3, 'ordinal', '3'],
  ['a long number', 0.123456789, 'emissivity', '0.1235'],
  ['a moment', Date.UTC(2026, 1, 11, 19, 10), 'startedAt', '2026-02-11T19:10'],
  ['a small number in a field of moments', 60, 'from', '60'],
])('%s', (_, value, field, words) => expect(say(value, field)).toBe(words));

test('what is nested is readable as deep as it goes', () => {
  expect(say({ kind: 'box', x: 3, y: 4, width: 10, height: 5 }, 'shape')).toBe('kind box, x 3, y 4, width 10, height 5');
  expect(
    say(
      [
        { id: 'q', place: 'Loft', what: 'Cold' },
        { id: 'r', place: 'Hall', what: 'Damp' },
      ],
      'complaints',
    ),
  ).toBe('place Loft, what Cold; place Hall, what Damp');
  expect(say({ spots: [{ x: 0.5, celsius: 12, words: 'sill' }], lowC: 5, highC: null }, 'typed')).toBe(
    'spots x 0.5, celsius 12.0 °C, words sill, low 5.0 °C',
  );
  expect(say([{ name: 'Foil', packed: false }], 'items')).toBe('name Foil, not packed');
  expect(say([], 'parts')).toBe('none');
});

test('ids and what is empty are left out; nothing reads [object Object]', () => {
  const deep = { ownerId: 'u', id: 'v', note: '', more: { facadeId: 'w', wall: { timeConstantH: 8 } } };
  expect(say(deep)).toBe('more wall time constant 8 h');
  expect(say({ a: { b: { c: [{ d: { e: 1 } }] } } })).not.toContain('[object');
});
