import Papa from 'papaparse';
import { CoreError } from '@core/ground/errors';
import { drivesOf, type WallHistory, wallHistorySchema } from '@core/method/weather/wallHistory';
import { type Arguments } from './arguments';
import { fileBytes } from './read';

const COLUMNS = ['minutes', 'inside_c', 'outside_c', 'sun_w_m2'] as const;

/**
 * A file of what a wall stood in before a frame: `minutes,inside_c,outside_c,sun_w_m2`, oldest first.
 *
 * @throws CoreError `malformed`, with file and line
 */
export async function historyOption(args: Arguments, name: string): Promise<WallHistory | null> {
  const file = args.options.get(name)?.at(-1);
  if (file === undefined) return null;
  const text = new TextDecoder().decode(await fileBytes(file));
  const { data, meta } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
  if (COLUMNS.some((column) => !meta.fields?.includes(column)))
    throw new CoreError('malformed', 'The history has not the columns it needs.', { file, line: 1 }, `Its first line is ${COLUMNS.join(',')}.`); // prettier-ignore
  const rows = data.map((row, i) => {
    const [minutes, insideC, outsideC, sunWm2] = COLUMNS.map((column) =>
      row[column]!.trim() === '' ? NaN : Number(row[column]),
    );
    const read = wallHistorySchema.element.safeParse({ minutes, insideC, outsideC, sunWm2 });
    if (read.success) return read.data;
    const { path, message } = read.error.issues[0]!;
    throw new CoreError('malformed', `Line ${i + 2} of the history: ${path.join('.')} ${message}.`, { file, line: i + 2 }, 'Give minutes (≤ 0), °C and W/m².'); // prettier-ignore
  });
  try {
    // What cannot be used is said before anything is computed.
    drivesOf(rows, 1);
  } catch (error) {
    throw error instanceof CoreError ? error.inFile(file) : error;
  }
  return rows;
}
