import { CoreError } from '../../ground/errors';

/** More than eleven years of hours. */
const MOST_LINES = 100_000;
/** An hour of any format has a tenth of that. */
const LONGEST_LINE = 4000;

/**
 * Lines of a weather file, however they end.
 *
 * @throws CoreError `too_large` for more lines than eleven years have, `malformed` with the line for one that is no hour of
 *   weather by its length: what follows looks at every line by itself, and so takes as long as the file is long
 */
export function weatherLines(text: string): string[] {
  const lines = text.split(/\r\n|\n|\r/, MOST_LINES + 1);
  if (lines.length > MOST_LINES) {
    throw new CoreError(
      'too_large',
      `The weather file has more than ${MOST_LINES.toLocaleString('en')} lines.`,
      { range: `up to ${MOST_LINES} lines` },
      'Cut it to the weeks that you need.',
    );
  }
  const long = lines.findIndex((line) => line.length > LONGEST_LINE);
  if (long < 0) return lines;
  throw new CoreError(
    'malformed',
    `Line ${long + 1} has ${lines[long]!.length} characters; an hour of weather has far fewer.`,
    { line: long + 1 },
    'The file may be damaged, or no weather file.',
  );
}
