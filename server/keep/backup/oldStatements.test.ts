import fc from 'fast-check';
import { statementsOf, valuesOf } from './oldStatements';
import type { RowTexts } from './manifest';

async function statements(text: string, pieces: number[] = []): Promise<string[]> {
  const bytes = Buffer.from(text);
  async function* chunks() {
    let from = 0;
    for (const length of [...pieces, bytes.length]) {
      yield bytes.subarray(from, from + length);
      from += length;
    }
  }
  const found: string[] = [];
  for await (const { text: one } of statementsOf(chunks())) found.push(one);
  return found;
}

const values = (text: string): RowTexts[] => [...valuesOf(text, 0)];

describe('parting a dump into statements', () => {
  test('at semicolons outside of quotes, and comments by lines', async () => {
    expect(await statements("-- a; comment\nSET x = 1;\nINSERT INTO `a` VALUES\n('b;\\';c'),('d'';');\n-- end")).toEqual([
      '-- a; comment',
      'SET x = 1;',
      "INSERT INTO `a` VALUES\n('b;\\';c'),('d'';');",
      '-- end',
    ]);
  });

  test('is the same wherever the bytes are cut', async () => {
    const text = "-- c\nINSERT INTO `a` VALUES ('ä;\\\\','x'),(0xff,NULL);\nUNLOCK TABLES;\n";
    const whole = await statements(text);
    await fc.assert(
      fc.asyncProperty(fc.array(fc.integer({ min: 0, max: 12 }), { maxLength: 12 }), async (pieces) => {
        expect(await statements(text, pieces)).toEqual(whole);
      }),
    );
  });

  test('one without an end is given as it is, to be refused by whoever reads it', async () => {
    expect(await statements("INSERT INTO `a` VALUES ('never ends")).toEqual(["INSERT INTO `a` VALUES ('never ends"]);
  });
});

describe('values of a row', () => {
  test('numbers, texts with escapes, bytes and null', () => {
    expect(values("(1,-2.5e-3,'it''s \\'so\\'\\n\\\\',0x00FF,NULL,'');")).toEqual([
      ['1', '-2.5e-3', "it's 'so'\n\\", '00ff', null, ''],
    ]);
    expect(values("('a'),\n('b') ;")).toEqual([['a'], ['b']]);
  });

  test.each([
    ["(LOAD_FILE('/etc/passwd'));"],
    ['(@x);'],
    ['(1+1);'],
    ["('a' 'b');"],
    ["('a'); DROP DATABASE x;"],
    ['(NULLIF(1,2));'],
    ["('never ends);"],
    ['(1'],
    ['1);'],
    ['();'],
    ["(_binary 'a');"],
  ])('nothing else: %s', (text) => {
    expect(() => values(text)).toThrow(/no value/);
  });

  test('whatever text was written comes back', () => {
    const written = (text: string) =>
      `'${text.replace(/[\\'\n\r\0\x1a]/g, (c) => ({ '\n': '\\n', '\r': '\\r', '\0': '\\0', '\x1a': '\\Z' })[c] ?? `\\${c}`)}'`;
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.option(fc.string({ unit: 'binary' })), { minLength: 1, maxLength: 4 }), {
          minLength: 1,
          maxLength: 4,
        }),
        (rows) => {
          const text = `${rows.map((row) => `(${row.map((field) => (field === null ? 'NULL' : written(field))).join(',')})`).join(',\n')};`;
          expect(values(text)).toEqual(rows);
        },
      ),
    );
  });
});
