import { CoreError } from '@core/ground/errors';
import { hasReading } from '@core/ground/hasReading';
import { maskOf } from '@core/method/frame/region';
import { readFrame } from '@core/method/formats/readFrame';
import { measuredOf, settingOf, type Air } from '@core/method/causes/measured';
import { offeredChecks } from '@core/method/causes/nextCheck';
import { rankCauses } from '@core/method/causes/rank';
import { relevance } from '@core/method/causes/relevance';
import { argumentSentences } from '@core/method/causes/words';
import { showsSky } from '@core/method/detect/setAside';
import { lookThrough, type Candidate } from '@core/method/detect/candidate';
import { wouldHaveShown } from '@core/method/detect/wouldShow';
import { correctValues, impossibleSettings, radianceLine } from '@core/method/radiometry/measurement';
import { nodeCodecs } from '@server/codecs';
import { numberOption, parseArguments, usage, type Arguments } from './arguments';
import { fileBytes } from './read';
import { parseRegion } from './region';
import { SIDE_WORDS, type Side } from '@core/ground/side';
import { LEAST_RANGE_K, USUAL_LEAST_K } from '@core/work/findings/lookAt';
import { commandSettings, SETTING_OPTIONS, type CommandSettings } from './settings';

const OPTIONS = { ...SETTING_OPTIONS, inside: 'value', outside: 'value', 'min-difference': 'value', ignore: 'value' } as const;

/** `./den detect`: what deserves a look in frames, and what it probably is. */
export async function detect(words: readonly string[]): Promise<{ document: unknown; refused: boolean }> {
  const given = parseArguments(words, OPTIONS);
  if (given.files.length === 0) throw usage('No file was named.', 'Write ./den detect FILE…');
  const args = withSide(given);
  const call = commandSettings(args);
  const least = numberOption(args, 'min-difference') ?? USUAL_LEAST_K;
  if (!(least >= LEAST_RANGE_K[0] && least <= LEAST_RANGE_K[1]))
    throw usage(
      `--min-difference ${least} is not between ${LEAST_RANGE_K.join(' and ')} K.`,
      'Give the least difference in kelvin.',
    );
  const entries: object[] = [];
  let refused = false;
  for (const file of args.files) {
    try {
      const bytes = await fileBytes(file);
      entries.push({ file, ...detectOne(bytes, ...underSky(bytes, given, args, call), least) });
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      const about = error.inFile(file);
      if (args.files.length === 1) throw about;
      entries.push({ file, error: about.toJSON() });
      refused = true;
    }
  }
  return { document: { files: entries }, refused };
}

/** Without a side it is the one whose air is nearer to that before the camera. */
function withSide(args: Arguments): Arguments {
  const [air, inside, outside] = [numberOption(args, 'air'), numberOption(args, 'inside'), numberOption(args, 'outside')];
  if (args.options.has('side') || air === undefined || inside === undefined || outside === undefined) return args;
  return sideTaken(args, Math.abs(air - outside) < Math.abs(air - inside) ? 'outside' : 'inside');
}

const sideTaken = (args: Arguments, side: Side): Arguments => ({
  ...args,
  options: new Map([...args.options, ['side', [side]]]),
});

/** Where nobody said a side, sky in view means outdoors; and what was taken is said. */
function underSky(bytes: Uint8Array, given: Arguments, args: Arguments, call: CommandSettings): [Arguments, CommandSettings] {
  if (given.options.has('side')) return [args, call];
  const airs = (['inside', 'outside', 'air'] as const).map((name) => numberOption(args, name)).filter((c) => c !== undefined);
  const sky = airs.length > 0 && showsSky(readFrame(bytes, nodeCodecs, call.read).values, airs);
  const outdoors = sky && call.side !== 'outside' ? sideTaken(args, 'outside') : args;
  const taken = outdoors === args ? call : commandSettings(outdoors);
  // By the air before the camera it is told.
  if (!sky && args !== given) return [args, call];
  const why = sky ? 'part of it is as cold as only sky is' : 'nothing tells where the camera stands';
  const message = `Taken as seen from ${SIDE_WORDS[taken.side]}: ${why}. Say --side inside, outside or loft.`;
  return [outdoors, { ...taken, warnings: [...taken.warnings, { code: 'side', message }] }];
}

/** The air on both sides; what stands before the camera is that of its side unless said otherwise. */
function airOf(args: Arguments, side: Side, here: number | undefined): Air {
  const air = here ?? null;
  const humidity = numberOption(args, 'humidity');
  const insideC = numberOption(args, 'inside') ?? (side === 'inside' ? air : null);
  // Seen from a loft it is the loft's air that lies beyond what is seen.
  const outsideC = side === 'loft' ? air : (numberOption(args, 'outside') ?? (side === 'outside' ? air : null));
  return { side, insideC, outsideC, humidity: humidity === undefined ? null : humidity / 100 };
}

function detectOne(bytes: Uint8Array, args: Arguments, call: CommandSettings, least: number): object {
  const air = airOf(args, call.side, numberOption(args, 'space') ?? numberOption(args, 'air'));
  const frame = readFrame(bytes, nodeCodecs, call.read);
  const corrected = new Float32Array(frame.values.length);
  correctValues(frame.values, radianceLine(frame.basis, call.settings), corrected);
  if (!corrected.some(hasReading)) throw impossibleSettings();
  const setting = settingOf(air);
  const shapes = (args.options.get('ignore') ?? []).map(
    (text) => parseRegion(text.includes('=') ? text : `ignored=${text}`).shape,
  );
  const drive = setting.insideC !== null && setting.outsideC !== null ? setting.insideC - setting.outsideC : null;
  const look = lookThrough(
    { width: frame.width, height: frame.height, values: corrected },
    { side: call.side, drive, least, ignored: maskOf(shapes, frame.width, frame.height) },
  );
  const regions = look.candidates
    .map((candidate) => regionEntry(candidate, measuredOf(candidate, setting)))
    .sort((a, b) => b.relevance - a.relevance);
  return {
    width: frame.width,
    height: frame.height,
    side: call.side,
    noise: look.noise,
    leastDifference: look.least,
    wouldHaveShown: wouldHaveShown(look.least),
    surface: look.levelC,
    framing: look.framing,
    setAside: look.asides.map(({ kind, rows }) => ({ kind, area: rows.reduce((sum, { from, to }) => sum + to - from + 1, 0) })),
    regions,
    warnings: [...call.warnings, ...frame.warnings, ...lookWarnings(look.mended, setting)],
  };
}

/** More mended pixels than this hide small things. */
const MANY_MENDED = 0.02;

function lookWarnings(mended: number, setting: ReturnType<typeof settingOf>): { code: string; message: string }[] {
  const warnings = [];
  if (mended > MANY_MENDED)
    warnings.push({
      code: 'mended_pixels',
      message: `${Math.round(100 * mended)} % of the pixels had no reading or answered wrongly and were filled from around them: small things cannot be told.`,
    });
  if (setting.insideC === null || setting.outsideC === null)
    warnings.push({
      code: 'air_unknown',
      message:
        'Without the air on both sides it is not known which way a loss of heat shows: causes are argued by shape alone. Give --inside and --outside.',
    });
  if (setting.wetBulbC === null)
    warnings.push({
      code: 'humidity_unknown',
      message: 'Without the humidity of the air, moisture and condensation cannot be told by their limits. Give --humidity.',
    });
  return warnings;
}

function regionEntry(candidate: Candidate, measured: ReturnType<typeof measuredOf>) {
  const ranked = rankCauses({ evidence: measured.evidence, circumstances: [], outcomes: [] });
  const checks = offeredChecks(ranked, { side: measured.side, tools: null, loft: true, made: [], told: [] });
  const { bbox, centroid } = candidate.shape;
  return {
    bbox: [bbox.x, bbox.y, bbox.width, bbox.height],
    area: candidate.area,
    centroid: [centroid.x, centroid.y],
    contrast: candidate.contrast,
    peak: candidate.peak,
    sign: candidate.sign < 0 ? 'colder' : 'warmer',
    mask: candidate.rows.map(({ y, from, to }) => [y, from, to]),
    relevance: relevance(candidate, ranked),
    causes: ranked.map((one) => ({
      cause: one.cause.code,
      score: one.score,
      for: argumentSentences(one.for, one.cause, measured, 'C').map(({ words }) => words),
      against: argumentSentences(one.against, one.cause, measured, 'C').map(({ words }) => words),
      // What would settle it, as far as this cause has a say in it.
      check: (checks.find(({ code }) => code in one.cause.checks) ?? checks[0])?.check.how ?? null,
    })),
  };
}
