import { CoreError, requireRange } from '@core/errors';
import type { FrameWarning } from '@core/frame/frame';
import type { Basis } from '@core/radiometry/basis';
import type { ReadOptions } from '@core/formats/readOptions';
import { airTransmittance, CLEAR_PATH_M } from '@core/radiometry/airPath';
import { AS_SEEN, type RadiometricSettings } from '@core/radiometry/radiometricSettings';
import { DEFAULT_UNCERTAINTY, type UncertaintySources } from '@core/radiometry/uncertainty';
import { TEMPERATURE_UNITS, type TemperatureUnit } from '@core/units/temperature';
import { namedNumbers, numberOption, usage, type Arguments } from './arguments';

export const SETTING_OPTIONS = {
  emissivity: 'value',
  reflected: 'value',
  air: 'value',
  humidity: 'value',
  distance: 'value',
  transmittance: 'value',
  'computed-with': 'value',
  unit: 'value',
  'allow-missing': 'flag',
  uncertainty: 'value',
} as const;

export interface CommandSettings {
  settings: RadiometricSettings;
  read: ReadOptions;
  sources: UncertaintySources;
  /** Standard deviation of a pixel's noise, K, when the user knows it; otherwise it is estimated from the frame. */
  noise: number | undefined;
  warnings: (FrameWarning | { code: string; message: string })[];
}

const FROM_TO = { emissivity: 'emissivity', reflected: 'reflected', air: 'air', transmittance: 'transmittance' } as const;

/** Settings of a call, with what was taken for granted as warnings. Nothing given: values as they are. */
export function commandSettings(args: Arguments): CommandSettings {
  const warnings: CommandSettings['warnings'] = [];
  const given = {
    emissivity: numberOption(args, 'emissivity'),
    reflected: numberOption(args, 'reflected'),
    air: numberOption(args, 'air'),
    transmittance: numberOption(args, 'transmittance'),
  };
  const settings = complete(given, '', warnings);
  const distance = numberOption(args, 'distance');
  const humidity = numberOption(args, 'humidity');
  if (distance !== undefined) requireRange('distance', distance, 0, 10_000);
  if (humidity !== undefined) requireRange('humidity', humidity, 0, 100);
  let transmittanceU = 0;
  if (distance !== undefined && distance > CLEAR_PATH_M && given.transmittance === undefined) {
    if (given.air === undefined || humidity === undefined) {
      warnings.push({
        code: 'air_path_clear',
        message: `The air over ${distance} m is taken as clear; its path is reckoned when --air and --humidity are given.`,
      });
    } else {
      const path = airTransmittance(given.air, humidity / 100, distance);
      settings.transmittance = path.value;
      transmittanceU = path.uncertainty;
      warnings.push({
        code: 'air_path',
        message: `The air over ${distance} m lets through ${path.value.toFixed(4)} (± ${path.uncertainty.toFixed(4)}).`,
      });
    }
  }
  const { noise, ...sources } = uncertaintyOf(args);
  return {
    settings,
    read: {
      unit: unitOf(args),
      allowMissing: args.options.has('allow-missing'),
      basis: basisOf(args, warnings),
    },
    sources: { ...sources, transmittance: transmittanceU },
    noise,
    warnings,
  };
}

function complete(
  given: { [K in keyof typeof FROM_TO]?: number | undefined },
  option: string,
  warnings: CommandSettings['warnings'],
): RadiometricSettings {
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

function uncertaintyOf(args: Arguments): UncertaintySources & { noise?: number } {
  const text = args.options.get('uncertainty')?.at(-1);
  if (text === undefined) return DEFAULT_UNCERTAINTY;
  const given = namedNumbers(text, 'uncertainty', [...Object.keys(DEFAULT_UNCERTAINTY), 'noise']);
  for (const [name, value] of Object.entries(given)) requireRange(`uncertainty ${name}`, value, 0, 100);
  return { ...DEFAULT_UNCERTAINTY, ...given };
}

/** Settings of one region, written behind it: `name=box:1,2,3,4@emissivity=0.9,reflected=18`. */
export function withOverrides(settings: RadiometricSettings, text: string | undefined): RadiometricSettings {
  return text === undefined ? settings : { ...settings, ...namedNumbers(text, 'region', Object.keys(FROM_TO)) };
}
