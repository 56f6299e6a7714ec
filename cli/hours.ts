import { readFile } from 'node:fs/promises';
import { CoreError } from '@core/ground/errors';
import { bestSlots } from '@core/method/weather/bestSlots';
import { hoursPlanSchema, type HoursPlan } from '@core/method/weather/plan';
import { readWeather } from '@core/method/weather/readWeather';
import { scoreHours } from '@core/method/weather/scoreHours';
import { decodeWeatherText } from '@server/weatherText';
import { parseArguments, usage } from './arguments';
import { fileBytes } from './read';

/** `./den hours WEATHER --site SITE.json`: every hour scored, inside and by façade, and the best slots. */
export async function hours(words: readonly string[]): Promise<{ document: unknown; refused: boolean }> {
  const args = parseArguments(words, { site: 'value' });
  const [file, ...more] = args.files;
  const siteFile = args.options.get('site')?.at(-1);
  if (!file || more.length > 0 || !siteFile)
    throw usage('hours takes one weather file and a site.', 'Write ./den hours WEATHER.csv --site SITE.json');
  const plan = await readPlan(siteFile);
  const weather = await fileBytes(file).then((bytes) => {
    try {
      return readWeather(decodeWeatherText(bytes));
    } catch (error) {
      throw error instanceof CoreError ? error.inFile(file) : error;
    }
  });
  const result = scoreHours(weather, plan);
  const iso = (time: number) => new Date(time).toISOString().replace('.000Z', 'Z');
  return {
    document: {
      season: result.season,
      hours: result.hours.map(({ time, inside, facades }) => ({
        time: iso(time),
        inside: {
          score: inside.score,
          difference: inside.differenceK,
          smallestFault: inside.smallestFaultWm2K,
          forNumbers: inside.forNumbers,
          reasons: inside.reasons.map((reason) => reason.words),
        },
        facades: facades.map(({ azimuth, score, sunExcessK, reasons }) => ({
          azimuth,
          score,
          sunExcess: sunExcessK,
          reasons: reasons.map((reason) => reason.words),
        })),
      })),
      best: bestSlots(result, plan).map(({ from, to, score, where, facades, summary }) => ({
        from: iso(from),
        to: iso(to),
        score,
        where,
        facades,
        summary,
      })),
      warnings: weather.warnings,
    },
    refused: false,
  };
}

async function readPlan(file: string): Promise<HoursPlan> {
  const text = await readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => {
    throw new CoreError('not_found', `${file} cannot be read (${error.code}).`, { file }, 'Check the path.');
  });
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    throw new CoreError('malformed', `${file} is no JSON: ${(error as Error).message}.`, { file }, 'Correct the file.');
  }
  const checked = hoursPlanSchema.safeParse(json);
  if (checked.success) return checked.data;
  const issue = checked.error.issues[0]!;
  throw new CoreError(
    'bad_input',
    `${issue.path.join('.') || 'The site'} in ${file}: ${issue.message}.`,
    { file, argument: issue.path.join('.') },
    'Expected {"latitude","longitude","timezone","inside_c","strictness","facades":[{"azimuth","wall"}]}.',
  );
}
