import { changesOf, type Look, type Place } from '@core/method/compare/change';
import { register } from '@core/method/compare/register';
import { CoreError } from '@core/ground/errors';
import { readFrame } from '@core/method/formats/readFrame';
import { spansOf } from '@core/method/frame/region';
import { correctValues, impossibleSettings, radianceLine } from '@core/method/radiometry/measurement';
import { hasReading } from '@core/ground/hasReading';
import { nodeCodecs } from '@server/codecs';
import { reflectedOutdoors } from '@core/method/radiometry/outdoors';
import { SIDES, type Side } from '@core/ground/side';
import { WALL_CLASSES } from '@core/method/weather/wallFamilies';
import { choiceOption, namedNumbers, parseArguments, usage, type Arguments } from './arguments';
import { historyOption } from './history';
import { fileBytes } from './read';
import { parseRegion } from './region';

const OPTIONS = {
  before: 'value',
  after: 'value',
  region: 'value',
  void: 'value',
  side: 'value',
  wall: 'value',
  'history-before': 'value',
  'history-after': 'value',
} as const;
const CONDITIONS = ['inside', 'outside', 'space', 'emissivity', 'reflected'] as const;
const USUAL_EMISSIVITY = 0.95;

const REFLECTED_WORDS: Record<Side, string> = {
  inside: 'as the air inside',
  loft: 'as the air of that space',
  outside: 'as an upright wall mirrors sky and ground',
};

interface Warning {
  code: string;
  message: string;
}

/** `./den compare BEFORE AFTER`: how the later frame lies on the earlier one, and what changed in each region. */
export async function compare(words: readonly string[]): Promise<{ document: unknown; refused: boolean }> {
  const args = parseArguments(words, OPTIONS);
  const [first, second, ...more] = args.files;
  if (!first || !second || more.length > 0) throw usage('compare takes two frames.', 'Write ./den compare BEFORE AFTER');
  const warnings: Warning[] = [];
  const regions = (args.options.get('region') ?? []).map(parseRegion);
  const voids = voidsOf(
    args,
    regions.map(({ name }) => name),
  );
  const wall = choiceOption(args, 'wall', WALL_CLASSES) ?? 'unknown';
  const [before, after] = [await lookAt(first, 'before', args, warnings), await lookAt(second, 'after', args, warnings)];
  const registration = register(before.raw, after.raw);
  const { width, height } = before.raw;
  const places = regions.map(({ name, shape }): Place => {
    if (shape.kind !== 'box' && shape.kind !== 'poly' && shape.kind !== 'spot')
      throw new CoreError('bad_region', `Region ${name} has no area.`, { argument: name }, 'Give it as box, poly or spot.');
    const spans = spansOf(shape, width, height);
    if (spans.length === 0)
      throw new CoreError(
        'bad_region',
        `Region ${name} lies outside BEFORE.`,
        { argument: name },
        `It has ${width} × ${height} pixels.`,
      );
    const cut =
      shape.kind === 'box' && (shape.x < 0 || shape.y < 0 || shape.x + shape.width > width || shape.y + shape.height > height);
    return { name, spans, cut, surface: voids.has(name) ? 'changed' : 'not-said' };
  });
  if (places.length > 0 && !(before.look && after.look))
    throw new CoreError(
      'missing_setting',
      'Regions need the air on both sides.',
      {},
      'Give inside and outside in --before and --after.',
    );
  const changes =
    places.length > 0 ? changesOf(before.look!, after.look!, registration.transform, places, { wall, work: null }) : [];
  const h = registration.transform;
  return {
    document: {
      transform: [h.slice(0, 3), h.slice(3, 6), h.slice(6, 9)],
      residualPx: registration.residualPx,
      overlap: registration.overlap,
      regions: changes.map(({ beforeC, afterC, ...change }) => ({ before: beforeC, after: afterC, ...change })),
      warnings,
    },
    refused: false,
  };
}

function voidsOf(args: Arguments, names: readonly string[]): Map<string, string> {
  const voids = new Map<string, string>();
  for (const text of args.options.get('void') ?? []) {
    const [name, what, ...more] = text.split('=');
    if (!name || !what || more.length > 0)
      throw usage(`--void ${JSON.stringify(text)} cannot be read.`, 'Write --void "name=foil".');
    if (!names.includes(name))
      throw usage(`--void names ${JSON.stringify(name)}, which is no region.`, 'Name one of the regions.');
    voids.set(name, what);
  }
  return voids;
}

async function lookAt(file: string, side: 'before' | 'after', args: Arguments, warnings: Warning[]) {
  const bytes = await fileBytes(file);
  try {
    const frame = readFrame(bytes, nodeCodecs, {});
    const raw = { width: frame.width, height: frame.height, values: frame.values };
    const text = args.options.get(side)?.at(-1);
    const { inside, outside, space, emissivity, reflected } = text === undefined ? {} : namedNumbers(text, side, CONDITIONS);
    const standsIn = choiceOption(args, 'side', SIDES) ?? 'inside';
    const history = await historyOption(args, `history-${side}`);
    warnings.push(...frame.warnings);
    if (inside === undefined || outside === undefined) return { raw, look: null };
    if (emissivity !== undefined && !(emissivity > 0 && emissivity <= 1))
      throw usage(`The emissivity of --${side} is ${emissivity}.`, 'It lies above 0 and is at most 1.');
    if (emissivity === undefined)
      warnings.push({ code: 'emissivity_default', message: `${file}: emissivity taken as ${USUAL_EMISSIVITY}.` });
    if (standsIn === 'loft' && space === undefined)
      throw new CoreError(
        'missing_setting',
        'Seen from a loft its own air is needed.',
        { argument: `--${side}` },
        `Give space in --${side}, for example inside=20,outside=2,space=4.`,
      );
    const here = standsIn === 'inside' ? inside : standsIn === 'loft' ? space! : outside;
    const outdoors = standsIn === 'outside' && reflected === undefined ? reflectedOutdoors(outside, null).value : here;
    if (reflected === undefined)
      warnings.push({
        code: 'reflected_as_air',
        message: `${file}: reflected temperature taken as ${outdoors.toFixed(1)} °C, ${REFLECTED_WORDS[standsIn]}.`,
      });
    const values = new Float32Array(frame.values.length);
    const settings = {
      emissivity: emissivity ?? USUAL_EMISSIVITY,
      reflected: reflected ?? outdoors,
      transmittance: 1,
      air: here,
    };
    correctValues(frame.values, radianceLine(frame.basis, settings), values);
    if (!values.some(hasReading)) throw impossibleSettings();
    const look: Look = {
      surface: { ...raw, values },
      side: standsIn,
      insideC: inside,
      outsideC: outside,
      spaceC: space ?? null,
      emissivity: settings.emissivity,
      history,
    };
    return { raw, look };
  } catch (error) {
    throw error instanceof CoreError ? error.inFile(file) : error;
  }
}
