import { z } from 'zod';
import type { RadiometricSettings } from './radiometricSettings';

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
});

export type Settings = z.infer<typeof settingsSchema>;
export type SettingName = keyof Settings;

export const SETTING_NAMES = Object.keys(settingsSchema.shape) as SettingName[];

export const NO_SETTINGS: Settings = {
  emissivity: null,
  reflectedC: null,
  airC: null,
  humidityPct: null,
  distanceM: null,
  transmittance: null,
};

export type Level = 'visit' | 'surface' | 'frame' | 'region';

/** Where a value comes from: a level where somebody set it, the visit's conditions, or what is taken when nobody said. */
export type Origin = Level | 'conditions' | 'air' | 'default';

export interface Resolved<T> {
  value: T;
  origin: Origin;
}

export interface ResolvedSettings {
  emissivity: Resolved<number>;
  reflectedC: Resolved<number>;
  airC: Resolved<number>;
  humidityPct: Resolved<number | null>;
  distanceM: Resolved<number | null>;
  transmittance: Resolved<number>;
}

/** Non-metals: paint, plaster, brick, wood, paper all lie near it. */
export const DEFAULT_EMISSIVITY = 0.95;
const DEFAULT_AIR_C = 20;

export interface SurveyConditions {
  /** Air on the side where the camera stands, °C, null when not known. */
  airC: number | null;
  humidityPct: number | null;
}

/**
 * Settings in force, each with its origin: the innermost level that sets a value wins (region over frame over surface over visit),
 * then the conditions on the camera's side, then a default. Reflected apparent temperature falls back to the air.
 */
export function resolveSettings(
  levels: { visit?: Settings | null; surface?: Settings | null; frame?: Settings | null; region?: Settings | null },
  conditions: SurveyConditions,
): ResolvedSettings {
  const pick = <K extends SettingName>(name: K): Resolved<NonNullable<Settings[K]>> | null => {
    for (const origin of ['region', 'frame', 'surface', 'visit'] as const) {
      const value = levels[origin]?.[name];
      if (value !== null && value !== undefined) return { value: value as NonNullable<Settings[K]>, origin };
    }
    return null;
  };
  const airC =
    pick('airC') ??
    (conditions.airC === null
      ? ({ value: DEFAULT_AIR_C, origin: 'default' } as const)
      : ({ value: conditions.airC, origin: 'conditions' } as const));
  return {
    emissivity: pick('emissivity') ?? { value: DEFAULT_EMISSIVITY, origin: 'default' },
    reflectedC: pick('reflectedC') ?? { value: airC.value, origin: 'air' },
    airC,
    humidityPct:
      pick('humidityPct') ??
      (conditions.humidityPct === null
        ? { value: null, origin: 'default' }
        : { value: conditions.humidityPct, origin: 'conditions' }),
    distanceM: pick('distanceM') ?? { value: null, origin: 'default' },
    transmittance: pick('transmittance') ?? { value: 1, origin: 'default' },
  };
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
