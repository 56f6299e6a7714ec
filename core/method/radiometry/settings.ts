import * as z from 'zod';
import { textSchema } from '../../ground/fields';
import { USUAL } from '../../ground/usual';
import type { Side } from '../../ground/side';
import { airTransmittance } from './airPath';
import { reflectedOutdoors } from './outdoors';
import { type Share, UNCERTAINTY_PARTS } from './quantity';
import type { RadiometricSettings } from '../../ground/radiometricSettings';

/** What an experiment owes to errors that other readings share: its camera's, above all. */
const shareSchema = z.object({
  name: textSchema(200),
  part: z.enum(UNCERTAINTY_PARTS),
  u: z.number().min(0).max(1000),
  per: z.number().min(-1e4).max(1e4),
});
const sharesSchema = z.array(shareSchema).max(20, 'must not be more than 20');

/**
 * Settings as people give them at one level (visit, surface, frame, region). `null` means: not set here, take it from above.
 * The ranges are those of the physics; air may be as cold or hot as weather and boiler rooms get.
 */
export const settingsSchema = z.object({
  emissivity: z.number().gt(0, 'must be above 0').max(1, 'must not exceed 1').nullable(),
  reflectedC: z.number().min(-150, 'must be at least −150 °C').max(1000, 'must not exceed 1000 °C').nullable(),
  airC: z.number().min(-80, 'must be at least −80 °C').max(200, 'must not exceed 200 °C').nullable(),
  humidityPct: z.number().min(0, 'must be at least 0 %').max(100, 'must not exceed 100 %').nullable(),
  distanceM: z.number().gt(0, 'must be above 0 m').max(1000, 'must not exceed 1000 m').nullable(),
  transmittance: z.number().gt(0, 'must be above 0').max(1, 'must not exceed 1').nullable(),
  /** Standard uncertainty of the emissivity, and where it comes from in words: a material, a piece of tape. */
  emissivityU: z.number().gt(0, 'must be above 0').max(0.5, 'must not exceed 0.5').nullable(),
  emissivityFrom: textSchema(160).nullable(),
  /** Of that uncertainty, what is common with other readings. */
  emissivityShares: sharesSchema.nullable(),
  /** Names a material: all that is made of it has one emissivity, and one error of it. */
  material: textSchema(160).nullable(),
  /** The same of the reflected apparent temperature, K. */
  reflectedU: z.number().gt(0, 'must be above 0').max(50, 'must not exceed 50 K').nullable(),
  reflectedFrom: textSchema(160).nullable(),
  reflectedShares: sharesSchema.nullable(),
  /** What a palm pressed on the surface left: a print that stays (it can be read), or nothing but a reflection. */
  palm: z.enum(['emits', 'mirror']).nullable(),
});

export type Settings = z.infer<typeof settingsSchema>;

/** Settings that are numbers which people set; what else is known of them goes along. */
export const SETTING_NAMES = ['emissivity', 'reflectedC', 'airC', 'humidityPct', 'distanceM', 'transmittance'] as const;
export type SettingName = (typeof SETTING_NAMES)[number];

export const NO_SETTINGS: Settings = {
  emissivity: null,
  reflectedC: null,
  airC: null,
  humidityPct: null,
  distanceM: null,
  transmittance: null,
  emissivityU: null,
  emissivityFrom: null,
  emissivityShares: null,
  material: null,
  reflectedU: null,
  reflectedFrom: null,
  reflectedShares: null,
  palm: null,
};

/** Whether nothing is said at all: such a row may go. */
export function saysNothing(settings: Settings): boolean {
  return settings.palm === null && settings.material === null && SETTING_NAMES.every((name) => settings[name] === null);
}

/** One number set or taken back; what was known of the old one goes with it. */
export function withSetting(settings: Settings, name: SettingName, value: number | null): Settings {
  const next = { ...settings, [name]: value };
  if (name === 'emissivity') return { ...next, emissivityU: null, emissivityFrom: null, emissivityShares: null, material: null };
  if (name === 'reflectedC') return { ...next, reflectedU: null, reflectedFrom: null, reflectedShares: null };
  return next;
}

/** From the innermost outward: the first that says something wins. */
const LEVELS = ['region', 'frame', 'surface', 'visit'] as const;
export type Level = (typeof LEVELS)[number];

/** Where a value comes from: a level where somebody set it, the visit's conditions, or what is taken when nobody said. */
export type Origin = Level | 'conditions' | 'air' | 'sky' | 'path' | 'default';

export interface Resolved<T> {
  value: T;
  origin: Origin;
}

/** A setting with what is known of it. */
export interface Sourced extends Resolved<number> {
  /** Standard uncertainty; null where nobody stated one. */
  u: number | null;
  from: string | null;
  /** Of the uncertainty, what other readings share. */
  shares: readonly Share[];
}

export interface ResolvedSettings {
  emissivity: Sourced;
  reflectedC: Sourced;
  airC: Resolved<number>;
  humidityPct: Resolved<number | null>;
  distanceM: Resolved<number | null>;
  transmittance: Resolved<number>;
  /** Standard uncertainty of the transmittance; 0 where it was given or the way is short. */
  transmittanceU: number;
  palm: { value: Settings['palm']; origin: Origin };
  /** The innermost material that was named; null where nobody did. */
  material: string | null;
}

export interface SurveyConditions {
  /** Air on the side where the camera stands, °C, null when not known. */
  airC: number | null;
  humidityPct: number | null;
  /** Where the camera stands: outdoors a surface mirrors the sky as well. */
  side: Side;
  /** Cloud, per cent; null where nobody noted it. */
  cloudPct: number | null;
}

/**
 * Settings in force, each with its origin: the innermost level that sets a value wins (region over frame over surface over visit),
 * then the conditions on the camera's side, then a default. What a visit says of its rooms is not taken outdoors. Reflected apparent temperature falls back to the air, outdoors to
 * sky and ground, and transmittance to the air path where the distance is known.
 */
export function resolveSettings(
  levels: { visit?: Settings | null; surface?: Settings | null; frame?: Settings | null; region?: Settings | null },
  conditions: SurveyConditions,
): ResolvedSettings {
  const levelOf = (name: SettingName | 'palm' | 'material'): Level | null =>
    LEVELS.find((level) => (levels[level]?.[name] ?? null) !== null && !(level === 'visit' && isInsideOnly(name, conditions))) ??
    null;
  const pick = (name: SettingName): Resolved<number> | null => {
    const origin = levelOf(name);
    return origin && { value: levels[origin]![name]!, origin };
  };
  const sourced = (name: 'emissivity' | 'reflectedC', otherwise: Resolved<number> & { u: number | null }): Sourced => {
    const set = pick(name);
    if (!set) return { ...otherwise, from: null, shares: [] };
    const of = levels[set.origin as Level]!;
    return name === 'emissivity'
      ? { ...set, u: of.emissivityU, from: of.emissivityFrom, shares: of.emissivityShares ?? [] }
      : { ...set, u: of.reflectedU, from: of.reflectedFrom, shares: of.reflectedShares ?? [] };
  };
  const airC =
    pick('airC') ??
    (conditions.airC === null
      ? ({ value: USUAL.airC, origin: 'default' } as const)
      : ({ value: conditions.airC, origin: 'conditions' } as const));
  const humidityPct: Resolved<number | null> =
    pick('humidityPct') ??
    (conditions.humidityPct === null
      ? { value: null, origin: 'default' }
      : { value: conditions.humidityPct, origin: 'conditions' });
  const distanceM: Resolved<number | null> = pick('distanceM') ?? { value: null, origin: 'default' };
  const given = pick('transmittance');
  const path =
    given === null && distanceM.value !== null && Math.abs(airC.value) <= 60
      ? airTransmittance(airC.value, humidityPct.value === null ? null : humidityPct.value / 100, distanceM.value)
      : null;
  const palmLevel = levelOf('palm');
  const materialLevel = levelOf('material');
  return {
    emissivity: sourced('emissivity', { value: USUAL.emissivity, origin: 'default', u: null }),
    reflectedC: sourced('reflectedC', surroundings(airC.value, conditions)),
    airC,
    humidityPct,
    distanceM,
    transmittance: given ?? (path ? { value: path.value, origin: 'path' } : { value: 1, origin: 'default' }),
    transmittanceU: path?.uncertainty ?? 0,
    palm: palmLevel ? { value: levels[palmLevel]!.palm, origin: palmLevel } : { value: null, origin: 'default' },
    material: materialLevel && levels[materialLevel]!.material,
  };
}

const INSIDE_ONLY: readonly string[] = ['reflectedC', 'airC', 'humidityPct'] satisfies SettingName[];

/**
 * What a visit says of air, humidity and what is mirrored holds in the house: outdoors each wall has its own part of the sky, and
 * a loft has its own air.
 */
export function isInsideOnly(name: string, { side }: Pick<SurveyConditions, 'side'>): boolean {
  return side !== 'inside' && INSIDE_ONLY.includes(name);
}

/** What a surface mirrors where nobody looked: indoors what has the temperature of the air, outdoors ground and sky. */
function surroundings(
  airC: number,
  { side, cloudPct }: Pick<SurveyConditions, 'side' | 'cloudPct'>,
): Resolved<number> & { u: number | null } {
  if (side !== 'outside' || Math.abs(airC) > 60) return { value: airC, origin: 'air', u: null };
  const { value, uncertainty } = reflectedOutdoors(airC, cloudPct);
  return { value, origin: 'sky', u: uncertainty };
}

/** The part of resolved settings that the measurement equation needs. */
export function radiometricSettings(resolved: ResolvedSettings): RadiometricSettings {
  return {
    emissivity: resolved.emissivity.value,
    reflected: resolved.reflectedC.value,
    air: resolved.airC.value,
    transmittance: resolved.transmittance.value,
  };
}
