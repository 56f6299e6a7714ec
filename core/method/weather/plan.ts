import * as z from 'zod';
import { USUAL_TIME_CONSTANTS, WALLS } from './wallMemory';

/** Two schools: any cold overcast hour that physics allows, or darkness and numbers only. */
export const STRICTNESSES = ['usual', 'strict'] as const;
export type Strictness = (typeof STRICTNESSES)[number];

/** Whether a house is heated or cooled: by the weather hour by hour, or as somebody says. */
export const SEASON_CHOICES = ['weather', 'heated', 'cooled'] as const;
export type SeasonChoice = (typeof SEASON_CHOICES)[number];

/** Faults want no sun; a look at solar gain wants just that. */
const PURPOSES = ['faults', 'solar-gain'] as const;

export const facadeSchema = z.object({
  /** Which way it faces, ° clockwise from north. */
  azimuth: z.number().min(0, 'must be at least 0°').lt(360, 'must be below 360°'),
  wall: z.enum(WALLS),
});
export type Facade = z.infer<typeof facadeSchema>;

export const latitudeSchema = z.number().min(-90, 'must be at least −90°').max(90, 'must not exceed 90°');
export const longitudeSchema = z.number().min(-180, 'must be at least −180°').max(180, 'must not exceed 180°');

export const timeZoneSchema = z.string().refine(isTimeZone, 'is not a time zone, such as Europe/London');

const timeConstant = z.number().min(0.1, 'must be at least 0.1 h').max(48, 'must not exceed 48 h');
export const timeConstantsSchema = z.object({ light: timeConstant, brick: timeConstant, stone: timeConstant });

/** Everything that hours are scored for, beside the weather. */
export const hoursPlanSchema = z.object({
  latitude: latitudeSchema,
  longitude: longitudeSchema,
  timezone: timeZoneSchema,
  inside_c: z.number().min(-10, 'must be at least −10 °C').max(40, 'must not exceed 40 °C'),
  strictness: z.enum(STRICTNESSES).default('usual'),
  season: z.enum(SEASON_CHOICES).default('weather'),
  purpose: z.enum(PURPOSES).default('faults'),
  facades: z.array(facadeSchema).max(12, 'must not be more than 12'),
  time_constants_h: timeConstantsSchema.default(USUAL_TIME_CONSTANTS),
});
export type HoursPlan = z.infer<typeof hoursPlanSchema>;

const COMPASS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'];

/** `south-west`, to the nearest of eight. */
export function compassWord(azimuth: number): string {
  return COMPASS[Math.round(azimuth / 45) % 8]!;
}

function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}
