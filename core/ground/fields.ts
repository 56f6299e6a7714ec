import * as z from 'zod';

/** Fields that many kinds of rows share. */

export const idSchema = z.uuid();

/** A name that somebody typed: no blanks around, at least one character, nothing that cannot be seen. */
export function nameSchema(longest: number) {
  return z
    .string()
    .trim()
    .min(1, 'must not be empty')
    .max(longest, `must not be longer than ${longest} characters`)
    .refine((text) => !/\p{Cc}/u.test(text), 'must not hold control characters');
}

export function textSchema(longest: number) {
  return z.string().trim().max(longest, `must not be longer than ${longest} characters`);
}

/** Milliseconds since 1970, UTC. */
export const momentSchema = z.number().int().min(0).max(4.1e12);

/** What a frame or a probe can read, °C. */
export const temperatureSchema = z.number().min(-150, 'must be at least −150 °C').max(2000, 'must not exceed 2000 °C');

export const airSchema = z.number().min(-60, 'must be at least −60 °C').max(60, 'must not exceed 60 °C');

export const humiditySchema = z.number().min(0, 'must be at least 0 %').max(100, 'must not exceed 100 %');

/** Air that people live in, °C. */
export const indoorSchema = z.number().min(-10, 'must be at least −10 °C').max(40, 'must not exceed 40 °C');

/** An offset, K. */
export const kelvinSchema = z.number().min(-50, 'must be at least −50 K').max(50, 'must not exceed 50 K');

/** A day of the local calendar. */
export const daySchema = z.iso.date();
