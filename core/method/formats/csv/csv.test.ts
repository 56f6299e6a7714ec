import { CoreError } from '../../../ground/errors';
import { errorOf, interchangeFile, manifest, testCodecs } from '../../../testing/material';
import { readFrame } from '../readFrame';
import { unitInText } from '../units';
import { cellKind, DELIMITERS, forEachCell, numberInCell, plainNumbers } from './cells';
import { readCsv } from './read';
import { linesOf } from './text';
import { writeCsv } from './write';

const readable = Object.entries(manifest).filter(([name, entry]) => name.startsWith('csv-') && !entry.refuse);
const refused = Object.entries(manifest).filter(([name, entry]) => name.endsWith('.csv') && entry.refuse);

const bytesOf = (text: string) => new TextEncoder().encode(text);
const read = (text: string, options = {}) => readCsv(bytesOf(text), testCodecs, options);
const refusal = (text: string) => errorOf(() => read(text)) as CoreError;
const numbers = (text: string) => Array.from(read(text).values);

describe('reading CSV', () => {
  test.each(readable)('%s reads to its pixels', (name, entry) => {
    const frame = readFrame(interchangeFile(name), testCodecs);
    expect([frame.width, frame.height]).toEqual([entry.width, entry.height]);
    for (const [x, y, celsius] of entry.pixels) {
      expect(Math.abs(frame.values[y * frame.width + x]! - celsius)).toBeLessThanOrEqual(0.006);
    }
    expect(frame.provenance.sourceUnit).toBe(entry.unit);
  });

  test('there were thirteen kinds', () => expect(readable).toHaveLength(13));

  test.each(refused)('%s is refused with reason, place and remedy', (name) => {
    const error = errorOf(() => readFrame(interchangeFile(name), testCodecs)) as CoreError;
    expect(error).toBeInstanceOf(CoreError);
    expect(error.hint.length).toBeGreaterThan(10);
    expect(Object.keys(error.where).length).toBeGreaterThan(0);
  });

  test('what is wrong is told apart, with line and column', () => {
    const error = (name: string) => errorOf(() => readFrame(interchangeFile(name), testCodecs)) as CoreError;
    expect(error('bad-ragged-row.csv').toJSON()).toMatchObject({ code: 'ragged', where: { line: 32 } });
    expect(error('bad-text-cell.csv').toJSON()).toMatchObject({ code: 'not_a_number', where: { line: 13, column: 6 } });
    expect(error('bad-absurd-5000.csv').toJSON()).toMatchObject({ code: 'absurd', where: { x: 4, y: 3 } });
    expect(error('bad-one-cell.csv').code).toBe('malformed');
    expect(error('bad-formula-cells.csv').code).toBe('not_a_number');
  });
});

describe('the many ways to write a grid', () => {
  const plain = [1.5, 2, -3, 4.25, 5, 6];
  test.each([
    ['comma', '1.5,2,-3\n4.25,5,6\n'],
    ['semicolon with decimal comma', '1,5;2;-3\r\n4,25;5;6\r\n'],
    ['tab with decimal comma', '1,5\t2\t-3\n4,25\t5\t6'],
    ['blanks', ' 1.5  2 -3\n 4.25 5  6\n'],
    ['blank after comma', '1.5, 2, -3\n4.25, 5, 6\n'],
    ['quoted with decimal comma', '"1,5","2","-3"\n"4,25","5","6"\n'],
    ['real minus', '1.5;2;−3\n4.25;5;6\n'],
    ['exponents', '1.5e0,2E0,-30e-1\n4.25,5,6\n'],
    ['only carriage returns', '1.5,2,-3\r4.25,5,6\r'],
    ['blank lines between', '1.5,2,-3\n\n4.25,5,6\n\n\n'],
    ['names of columns', 'a,b,c\n1.5,2,-3\n4.25,5,6\n'],
    ['metadata before', 'Title,Kitchen\nEmissivity,0.95\n\n1.5,2,-3\n4.25,5,6\n'],
    ['trailing delimiters', '1.5,2,-3,\n4.25,5,6,\n'],
  ])('%s', (_name, text) => expect(numbers(text)).toEqual(plain));

  test('Latin-1 and UTF-16 headers give their unit', () => {
    const latin = Uint8Array.from([...bytesOf('Unit: '), 0xb0, ...bytesOf('F\n32,50\n68,86\n')]);
    expect(Array.from(readCsv(latin, testCodecs, {}).values)).toEqual([0, 10, 20, 30].map((v) => expect.closeTo(v, 4)));
    const utf16 = new Uint8Array(Buffer.from('Unit: °F\n32;50\n68;86\n', 'utf16le'));
    expect(readCsv(utf16, testCodecs, {}).provenance.sourceUnit).toBe('F');
  });

  test('numbered columns and rows are labels, and it is said', () => {
    const frame = read('y,0,1,2,3\n0,10,11,12,13\n1,20,21,22,23\n');
    expect([frame.width, frame.height, frame.values[0]]).toEqual([4, 2, 10]);
    expect(frame.warnings.map((warning) => warning.code)).toContain('header_ignored');
  });

  test.each([
    ['an empty corner', ',0.5,1,1.5\n10,20,21,22\n9,23,24,25\n'],
    ['text in the corner, whatever the labels count', 'y/x;0,5;1;1,5\n10;20;21;22\n9;23;24;25\n'],
    ['no corner at all', '0.5,1,1.5\n10,20,21,22\n9,23,24,25\n'],
  ])('labels with %s', (_name, text) => expect(numbers(text)).toEqual([20, 21, 22, 23, 24, 25]));

  test('where the corner is a number all are temperatures, even if they count up', () => {
    expect(numbers('unit=C\n1,2,3,4\n2,3,4,5\n3,4,5,6\n')).toEqual([1, 2, 3, 4, 2, 3, 4, 5, 3, 4, 5, 6]);
    expect(read('0,1,2,3\n1,2,3,4\n2,3,4,5\n3,4,5,6\n').width).toBe(4);
  });

  test('lines of nothing but delimiters are no rows, wherever they stand', () => {
    expect(numbers(';\n1;2;3\n;;\n4;5;6\n;\n;;;;\n\"\";\n')).toEqual([1, 2, 3, 4, 5, 6]);
  });

  test('a gradient of whole degrees is not mistaken for labels', () => {
    const frame = read('20,21,22,23\n21,22,23,24\n22,23,24,25\n23,24,25,26\n24,25,26,27\n');
    expect([frame.width, frame.height]).toEqual([4, 5]);
  });

  test('a missing cell is no reading only when that is allowed', () => {
    const rows = Array.from({ length: 20 }, () => Array.from({ length: 20 }, () => '20.5').join(','));
    rows[3] = rows[3]!.replace('20.5,20.5', '20.5,');
    expect((errorOf(() => read(rows.join('\n'))) as CoreError).toJSON()).toMatchObject({
      code: 'not_finite',
      where: { x: 1, y: 3 },
    });
    expect(read(rows.join('\n'), { allowMissing: true }).values[61]).toBeNaN();
  });
});

describe('refusals', () => {
  test.each([
    ['nothing but blank lines', '\n\n \n', 'malformed'],
    ['one column', '1\n2\n3\n', 'malformed'],
    ['one row', '1,2,3,4', 'malformed'],
    ['a short first row', '1,2,3\n1,2,3,4,5\n1,2,3,4,5\n1,2,3,4,5\n', 'ragged'],
    ['a long row', '1,2,3\n1,2,3\n1,2,3,4\n', 'ragged'],
    ['text in the middle', '1,2,3\n1,x,3\n1,2,3\n', 'not_a_number'],
    ['two points in a number', '1,2,3\n1,2.3.4,3\n1,2,3\n', 'not_a_number'],
    ['too hot', '1,2,3\n1,2,2001\n', 'absurd'],
    ['more lines than a frame has', '1,2\n'.repeat(30_000), 'too_large'],
    ['more columns than a frame has', `${'1,'.repeat(30_000)}1\n`.repeat(2), 'too_large'],
  ])('%s', (_name, text, code) => expect(refusal(text).code).toBe(code));

  test('text is shown shortened and quoted, never more', () => {
    const error = refusal(`1,2,3\n1,=HYPERLINK("x")${'y'.repeat(90)},3\n1,2,3\n`);
    expect(error.message).toContain('"=HYPERLINK');
    expect(String(error.where.value).length).toBeLessThanOrEqual(41);
  });
});

describe('cells', () => {
  const number = (text: string) => numberInCell(bytesOf(text), 0, bytesOf(text).length);
  test.each([
    ['0', 0],
    ['-0.5', -0.5],
    ['+7', 7],
    ['.25', 0.25],
    ['3.', 3],
    ['1e3', 1000],
    ['17.049999237060547', 17.049999237060547],
    ['123456789012345', 123456789012345],
  ])('%s is a number', (text, value) => expect(number(text)).toBe(value));
  test.each(['', '-', '.', '1,', '1.2.3', '1e', 'x1', '1x', '0x10', '1 2'])('%p is none', (text) =>
    expect(number(text)).toBeNaN(),
  );
  test('words for nothing are not text', () => {
    for (const word of ['nan', 'NaN', '-inf', 'Infinity', '---', 'n/a', 'NULL'])
      expect(cellKind(bytesOf(word), 0, word.length)).toBe('missing');
    for (const word of ['=1+1', 'none of it', 'a']) expect(cellKind(bytesOf(word), 0, word.length)).toBe('text');
  });
  test('the plain way and the general way agree, or the plain way steps back', () => {
    for (const text of ['1.5,2,-3', '1,2,', '1', '"1",2', 'a,2', '1,,3', '-,1']) {
      const bytes = bytesOf(text);
      const line = { from: 0, to: bytes.length, number: 1 };
      const out = new Float32Array(4);
      const count = plainNumbers(bytes, line, DELIMITERS[','], 0, out, 0, 4);
      const general: number[] = [];
      const cells = forEachCell(bytes, line, DELIMITERS[','], (from, to) => general.push(numberInCell(bytes, from, to)));
      if (count >= 0) {
        expect(count).toBe(cells);
        expect(Array.from(out.subarray(0, count))).toEqual(general);
      }
    }
  });
  test('lines keep the number that an editor shows', () => {
    expect(linesOf(bytesOf('a\r\n\r\n b\n'), 10).map((line) => line.number)).toEqual([1, 3]);
  });
});

describe('units in headers', () => {
  test.each([
    ['unit=K', 'K'],
    ['Unit,C', 'C'],
    ['Unit: °F', 'F'],
    ['Temperature (K)', 'K'],
    ['Temperature [°C]', 'C'],
    ['units = centikelvin', 'cK'],
    ['values in °F', 'F'],
    ['Title,Kitchen cupboard', null],
    ['Unit,Camera 4', null],
    ['', null],
  ])('%p says %p', (text, unit) => expect(unitInText(text)).toBe(unit));
});

describe('writing CSV', () => {
  test('reads back as the same single-precision numbers', () => {
    const values = Float32Array.from({ length: 48 }, (_, i) => Math.fround(Math.sin(i) * 37.123));
    const text = writeCsv({ width: 8, height: 6, values });
    expect(read(text).values).toEqual(values);
    expect(text.startsWith('unit=C\n')).toBe(true);
  });
  test('no cell can be taken for a formula', () => {
    const text = writeCsv({ width: 2, height: 2, values: Float32Array.from([-1.5, NaN, 2, 3]) });
    for (const cell of text.split('\n').slice(1).join(',').split(',')) expect(cell).toMatch(/^(-?[\d.]+(e-?\d+)?|nan|)$/);
  });
});
