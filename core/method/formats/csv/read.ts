import { CoreError } from '../../../ground/errors';
import { MAX_SIDE, requireFrameSize, type Frame, type FrameWarning } from '../../frame/frame';
import { APPARENT } from '../../../ground/basis';
import type { Codecs } from '../codecs';
import { requirePage, type ReadOptions } from '../readOptions';
import { convertToCelsius, unitInText } from '../units';
import { cellKind, DELIMITERS, forEachCell, numberInCell, plainNumbers, type DelimiterByte } from './cells';
import { linesOf, readableText, toScannableBytes, type Line } from './text';

/** How many of the last lines decide on the delimiter, and how many over the whole file on the number of columns (at most three times as many). */
const SAMPLE_LINES = 12;

/** Lines before the grid that a file may have beyond the longest side of a frame. */
const MOST_METADATA = 1000;

/**
 * Reads a grid of temperatures from CSV or TSV: comma, semicolon, tab or blank between cells, point or comma in numbers,
 * UTF-8, UTF-16 or Latin-1, quoted cells, lines of metadata before the grid, numbered columns and rows.
 *
 * @returns a frame in °C, apparent unless said otherwise
 * @throws CoreError `ragged`, `not_a_number`, `malformed` with line and column from 1, and what `convertToCelsius` throws
 *
 * A scan over bytes without a string per cell; linear in the file's size.
 */
export function readCsv(file: Uint8Array, codecs: Codecs, options: ReadOptions): Frame {
  requirePage(options.page ?? 0, 1);
  const bytes = toScannableBytes(file, codecs);
  const lines = linesOf(bytes, MAX_SIDE + MOST_METADATA + 1).filter((line) => holdsCells(bytes, line));
  const delimiter = chooseDelimiter(bytes, lines);
  const columns = usualCellCount(bytes, lines, delimiter);
  if (columns < 2) {
    throw new CoreError(
      'malformed',
      lines.length > 1
        ? 'Every line holds a single cell; a frame needs rows of at least two temperatures.'
        : 'The file holds a single cell; a frame needs rows of temperatures.',
      { line: lines[0]?.number ?? 1 },
      'Export the full grid of temperatures, one row of pixels a line.',
    );
  }
  if (columns > MAX_SIDE + 1 || lines.length > MAX_SIDE + MOST_METADATA) requireFrameSize(columns, lines.length);
  const { header, rows, labels } = splitHeader(bytes, lines, delimiter, columns);
  const skip = labels ? 1 : 0;
  const width = columns - skip;
  const height = rows.length;
  requireFrameSize(width, height);

  const values = new Float32Array(width * height);
  rows.forEach((line, row) => {
    if (delimiter !== DELIMITERS[' '] && plainNumbers(bytes, line, delimiter, skip, values, row * width, width) === columns)
      return;
    let broken: CoreError | null = null;
    const count = forEachCell(bytes, line, delimiter, (from, to, index) => {
      if (index < skip || index >= columns || broken) return;
      const value = numberInCell(bytes, from, to);
      if (value !== value && cellKind(bytes, from, to) === 'text') {
        broken = notANumber(readableText(bytes.subarray(from, to), codecs), line.number, index + 1);
      }
      values[row * width + index - skip] = value;
    });
    // Text that holds a delimiter makes more cells: the text is the thing to say then.
    if (broken) throw broken;
    if (count !== columns) throw ragged(line.number, count, columns);
  });

  const text = header.map((line) => readableText(bytes.subarray(line.from, line.to), codecs)).join('\n');
  const converted = convertToCelsius(
    values,
    width,
    { forced: options.unit, stated: unitInText(text), storage: 'real' },
    options.allowMissing ?? false,
  );
  const warnings: FrameWarning[] = [];
  if (labels) {
    warnings.push({
      code: 'header_ignored',
      message:
        'The first row and the first column meet in a cell that is no number, so they were taken as labels, not as temperatures.',
    });
  }
  return {
    width,
    height,
    values,
    basis: APPARENT,
    provenance: { format: 'csv', sourceUnit: converted.unit, pages: 1 },
    warnings: [...warnings, ...converted.warnings],
  };
}

/** The delimiter under which most of the last lines are nothing but numbers; between equals, the one with more cells. */
function chooseDelimiter(bytes: Uint8Array, lines: Line[]): DelimiterByte {
  const sample = lines.slice(-SAMPLE_LINES);
  let best: { delimiter: DelimiterByte; score: number } = { delimiter: DELIMITERS[','], score: -1 };
  for (const delimiter of Object.values(DELIMITERS)) {
    let score = 0;
    for (const line of sample) {
      let numbers = 0;
      const count = forEachCell(bytes, line, delimiter, (from, to) => {
        if (cellKind(bytes, from, to) === 'number') numbers += 1;
      });
      // A line counts for its share of numbers, so that one bad cell does not hide the delimiter.
      if (count > 1) score += numbers / count + count * 1e-6;
    }
    if (score > best.score) best = { delimiter, score };
  }
  return best.delimiter;
}

/** The number of cells that most lines have; a few lines of metadata or a damaged row do not change it. */
function usualCellCount(bytes: Uint8Array, lines: Line[], delimiter: DelimiterByte): number {
  const counts = new Map<number, number>();
  const stride = Math.max(1, Math.floor(lines.length / (2 * SAMPLE_LINES)));
  for (let i = lines.length - 1; i >= 0; i -= stride) {
    const count = forEachCell(bytes, lines[i]!, delimiter, () => undefined);
    counts.set(count, (counts.get(count) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0]?.[0] ?? 0;
}

/** A line of nothing but delimiters and blanks is no row. */
function holdsCells(bytes: Uint8Array, line: Line): boolean {
  const empty: readonly number[] = [...Object.values(DELIMITERS), QUOTE];
  for (let at = line.from; at < line.to; at += 1) if (!empty.includes(bytes[at]!)) return true;
  return false;
}

const QUOTE = 0x22;

interface LineCells {
  count: number;
  numbers: number[];
  texts: number;
  /** What stands in the first cell: a number, text, nothing at all, or a word for "no number". */
  first: 'number' | 'text' | 'empty' | 'missing';
}

function look(bytes: Uint8Array, line: Line, delimiter: DelimiterByte): LineCells {
  const cells: LineCells = { count: 0, numbers: [], texts: 0, first: 'empty' };
  cells.count = forEachCell(bytes, line, delimiter, (from, to, index) => {
    const kind = cellKind(bytes, from, to);
    if (kind === 'number') cells.numbers.push(numberInCell(bytes, from, to));
    if (kind === 'text') cells.texts += 1;
    if (index === 0) cells.first = from === to ? 'empty' : kind;
  });
  return cells;
}

/** Labels go one way; a damaged row of temperatures hardly does. */
function goOneWay(numbers: readonly number[]): boolean {
  const up = numbers.slice(1).map((value, i) => Math.sign(value - numbers[i]!));
  return up.length > 1 && up[0] !== 0 && up.every((sign) => sign === up[0]);
}

/**
 * Whether a line holds the labels of the columns: numbers under a corner that is empty, text or not there. Where the corner
 * is a number, all are temperatures, whatever they count.
 */
function holdsLabels({ count, numbers, first }: LineCells, columns: number): boolean {
  if (numbers.length !== columns - 1) return false;
  if (count === columns) return numbers.length > 1 && (first === 'empty' || first === 'text');
  return count === columns - 1 && goOneWay(numbers);
}

/** Takes the lines before the grid off: metadata, names of columns, labels. With labels of columns come labels of rows. */
function splitHeader(
  bytes: Uint8Array,
  lines: Line[],
  delimiter: DelimiterByte,
  columns: number,
): { header: Line[]; rows: Line[]; labels: boolean } {
  let start = 0;
  for (; start < lines.length; start += 1) {
    const line = lines[start]!;
    const cells = look(bytes, line, delimiter);
    if (holdsLabels(cells, columns)) return { header: lines.slice(0, start), rows: lines.slice(start + 1), labels: true };
    if (cells.count === columns) {
      const metadata = cells.numbers.length === 0 || (cells.first === 'text' && cells.numbers.length === 1);
      if (!metadata) break;
    } else if (cells.texts === 0 && cells.numbers.length > 2) {
      throw ragged(line.number, cells.count, columns);
    }
  }
  return { header: lines.slice(0, start), rows: lines.slice(start), labels: false };
}

function ragged(line: number, found: number, expected: number): CoreError {
  return new CoreError(
    'ragged',
    `Line ${line} has ${found} cells; the other lines have ${expected}.`,
    { line, column: Math.min(found, expected) + 1 },
    'A row was cut off or damaged: export the frame again.',
  );
}

function notANumber(text: string, line: number, column: number): CoreError {
  const shown = text.length > 40 ? `${text.slice(0, 40)}…` : text;
  return new CoreError(
    'not_a_number',
    `Line ${line}, column ${column} holds the text ${JSON.stringify(shown)} where a temperature is expected.`,
    { line, column, value: shown },
    'Export the frame again with numbers only; text in cells is never evaluated.',
  );
}
