import { CoreError, requireRange } from '@core/ground/errors';
import type { FrameWarning } from '@core/method/frame/frame';
import type { Basis } from '@core/ground/basis';
import type { ReadOptions } from '@core/method/formats/readOptions';
import { airTransmittance, CLEAR_PATH_M } from '@core/method/radiometry/airPath';
import { reflectedOutdoors } from '@core/method/radiometry/outdoors';
import { AS_SEEN, type RadiometricSettings } from '@core/ground/radiometricSettings';
import { USUAL_CAMERA, USUAL_UNCERTAINTY } from '@core/method/radiometry/uncertainty';
import { TEMPERATURE_UNITS, type TemperatureUnit } from '@core/ground/temperature';
import { SIDES, type Side } from '@core/ground/side';
import { choiceOption, namedNumbers, numberOption, usage, type Arguments } from './arguments';

export const SETTING_OPTIONS = {
  emissivity: 'value',
  reflected: 'value',
  air: 'value',
  humidity: 'value',
  distance: 'value',
  transmittance: 'value',
  side: 'value',
  space: 'value',
  cloud: 'value',
  'computed-with': 'value',
  unit: 'value',
  'allow-missing': 'flag',
  uncertainty: 'value',
} as const;

/** Standard uncertainties of a call; noise is estimated from the frame where it is not given. */
export interface StatedUncertainty {
  calibration: number;
  gain: number;
  uniformity: number;
  noise: number | undefined;
  blur: number;
  emissivity: number;
  reflected: number;
  air: number;
  transmittance: number;
}

export interface CommandSettings {
  settings: RadiometricSettings;
  read: ReadOptions;
  u: StatedUncertainty;
  /** Inside, regions share what they mirror unless they say otherwise; outside none do. */
  side: Side;
  warnings: (FrameWarning | { code: string; message: string })[];
}

const FROM_TO = { emissivity: 'emissivity', reflected: 'reflected', air: 'air', transmittance: 'transmittance' } as const;

/** Settings of a call, with what was taken for granted as warnings. Nothing given: values as they are. */
export function commandSettings(args: Arguments): CommandSettings {
  const warnings: CommandSettings['warnings'] = [];
  const side = choiceOption(args, 'side', SIDES) ?? 'inside';
  const space = spaceOf(args, side);
  const given = {
    emissivity: numberOption(args, 'emissivity'),
    reflected: numberOption(args, 'reflected'),
    air: numberOption(args, 'air') ?? space,
    transmittance: numberOption(args, 'transmittance'),
  };
  const mirrored = side === 'outside' && given.reflected === undefined ? outdoors(args, given, warnings) : null;
  const settings = complete({ ...given, reflected: given.reflected ?? mirrored?.value }, '', warnings);
  const path = airPath(args, given, warnings);
  if (path) settings.transmittance = path.value;
  const stated = uncertaintyOf(args);
  return {
    settings,
    read: {
      unit: unitOf(args),
      allowMissing: args.options.has('allow-missing'),
      basis: basisOf(args, warnings),
    },
    side,
    u: {
      ...USUAL_CAMERA,
      ...USUAL_UNCERTAINTY,
      noise: undefined,
      transmittance: path?.uncertainty ?? 0,
      // What somebody says of the reflected temperature is said of the one that was given.
      ...(mirrored ? { ...stated, reflected: mirrored.uncertainty } : stated),
    },
    warnings,
  };
}

/** A loft, a garage or a cellar has an air of its own. */
function spaceOf(args: Arguments, side: Side): number | undefined {
  const space = numberOption(args, 'space');
  if (space !== undefined && side !== 'loft')
    throw usage('--space is the air of a space that is looked from.', 'Say --side loft, or leave it out.');
  if (side === 'loft' && space === undefined && numberOption(args, 'air') === undefined)
    throw missing('space', '', 'A loft, a garage or a cellar has an air of its own.');
  return space;
}

type Given = { [K in keyof typeof FROM_TO]?: number | undefined };

/** What upright walls mirror outdoors, from air and cloud. */
function outdoors(args: Arguments, given: Given, warnings: CommandSettings['warnings']) {
  const cloud = numberOption(args, 'cloud') ?? null;
  if (cloud !== null) requireRange('cloud', cloud, 0, 100);
  if (given.air === undefined) throw missing('air', '', 'What a wall outdoors mirrors follows from the air and the sky.');
  requireRange('air', given.air, -80, 60);
  const mirrored = reflectedOutdoors(given.air, cloud);
  warnings.push({
    code: 'reflected_from_sky',
    message: `Reflected apparent temperature was not given and is taken as what upright walls mirror under ${
      cloud === null ? 'a sky of which nothing is known (cloud 50 %)' : `${cloud} % of cloud`
    }: ${mirrored.value.toFixed(1)} °C with a standard uncertainty of ${mirrored.uncertainty.toFixed(1)} K.`,
  });
  return mirrored;
}

/** Air between camera and surface: its transmittance, where it takes something. */
function airPath(args: Arguments, given: Given, warnings: CommandSettings['warnings']) {
  const distance = numberOption(args, 'distance');
  const humidity = numberOption(args, 'humidity');
  if (distance !== undefined) requireRange('distance', distance, 0, 10_000);
  if (humidity !== undefined) requireRange('humidity', humidity, 0, 100);
  if (distance === undefined || distance <= CLEAR_PATH_M || given.transmittance !== undefined) return null;
  if (given.air === undefined) {
    warnings.push({
      code: 'air_path_clear',
      message: `The air over ${distance} m is taken as clear; its path is reckoned when --air and --humidity are given.`,
    });
    return null;
  }
  const path = airTransmittance(given.air, humidity === undefined ? null : humidity / 100, distance);
  warnings.push({
    code: 'air_path',
    message: `The air over ${distance} m lets through ${path.value.toFixed(4)} (± ${path.uncertainty.toFixed(4)})${
      humidity === undefined ? '; humidity was not given, so that anything from dry to damp is allowed for' : ''
    }.`,
  });
  return path;
}

function complete(given: Given, option: string, warnings: CommandSettings['warnings']): RadiometricSettings {
  const emissivity = given.emissivity ?? AS_SEEN.emissivity;
  const transmittance = given.transmittance ?? AS_SEEN.transmittance;
  if (transmittance !== 1 && given.air === undefined) {
    throw missing('air', option, 'The air between camera and surface shines into the reading when transmittance is below 1.');
  }
  if (emissivity !== 1 && given.reflected === undefined) {
    if (given.air === undefined) {
      throw missing('reflected', option, 'A surface with an emissivity below 1 mirrors its surroundings.');
    }
    warnings.push({
      code: 'reflected_from_air',
      message: `Reflected apparent temperature was not given and is taken as the air's, ${given.air} °C.`,
    });
  }
  return {
    emissivity,
    transmittance,
    reflected: given.reflected ?? given.air ?? AS_SEEN.reflected,
    air: given.air ?? AS_SEEN.air,
  };
}

function missing(name: string, option: string, why: string): CoreError {
  return new CoreError(
    'missing_setting',
    `${option ? `--${option} lacks ${name}` : `--${name} is missing`}. ${why}`,
    { argument: name },
    option ? `Add ${name}=… to --${option}.` : `Give --${name}.`,
  );
}

function basisOf(args: Arguments, warnings: CommandSettings['warnings']): Basis | undefined {
  const text = args.options.get('computed-with')?.at(-1);
  if (text === undefined) return undefined;
  const given = namedNumbers(text, 'computed-with', Object.keys(FROM_TO));
  return { kind: 'computed', settings: complete(given, 'computed-with', warnings) };
}

function unitOf(args: Arguments): TemperatureUnit | undefined {
  const text = args.options.get('unit')?.at(-1);
  if (text === undefined) return undefined;
  const unit = TEMPERATURE_UNITS.find((known) => known === text);
  if (!unit) throw usage(`--unit ${JSON.stringify(text)} is not known.`, `Choose one of ${TEMPERATURE_UNITS.join(', ')}.`);
  return unit;
}

const UNCERTAIN = [
  'calibration',
  'gain',
  'uniformity',
  'noise',
  'blur',
  'emissivity',
  'reflected',
  'air',
  'transmittance',
] as const satisfies readonly (keyof StatedUncertainty)[];

/** The widest blur that is reckoned with, pixels. */
const MOST_BLUR = 3;

function uncertaintyOf(args: Arguments): Partial<Record<(typeof UNCERTAIN)[number], number>> {
  const text = args.options.get('uncertainty')?.at(-1);
  if (text === undefined) return {};
  const given = namedNumbers(text, 'uncertainty', UNCERTAIN);
  for (const [name, value] of Object.entries(given))
    requireRange(`uncertainty ${name}`, value, 0, name === 'blur' ? MOST_BLUR : 100);
  return given;
}
