import fc from 'fast-check';
import { packDocument, packedDocumentSchema } from './packedDocument';
import { ID, visitDocument } from '../testing/visit';

/** As it goes over the wire. */
const there = (document: ReturnType<typeof visitDocument>) => JSON.stringify(packDocument(document));
const back = (text: string) => packedDocumentSchema.parse(JSON.parse(text));

test('a visit comes back from its text as it was', () => {
  expect(back(there(visitDocument()))).toEqual(visitDocument());
});

test('whatever people typed, and however many rows there are', () => {
  fc.assert(
    fc.property(fc.array(fc.string({ unit: 'binary' }), { maxLength: 20 }), (names) => {
      const document = visitDocument();
      const base = document.rows.region[ID.sound]!;
      document.rows.region = Object.fromEntries(
        names.map((name, i) => [`r${i}`, { ...base, id: `r${i}`, version: i, value: { ...base.value, name } }]),
      );
      expect(back(there(document))).toEqual(document);
    }),
  );
});

test('is about half as long as its JSON', () => {
  const document = visitDocument();
  const base = document.rows.region[ID.sound]!;
  document.rows.region = Object.fromEntries(
    Array.from({ length: 2000 }, (_, i) => [`${ID.sound.slice(0, -4)}${String(i).padStart(4, '0')}`, base]),
  );
  expect(there(document).length).toBeLessThan(0.65 * JSON.stringify(document).length);
});

test.each([
  'null',
  '3',
  '[]',
  '{"rows":{}}',
  '{"rows":{"region":{"fields":1,"lists":[]}},"frameFacts":{},"photoFacts":{},"rest":{}}',
])('%s is no visit', (text) => expect(packedDocumentSchema.safeParse(JSON.parse(text)).success).toBe(false));
