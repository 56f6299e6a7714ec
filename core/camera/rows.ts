import { z } from 'zod';
import { storedAlignmentSchema } from '../frame/alignment';
import { idSchema, momentSchema, nameSchema, textSchema } from '../visit/fields';

const kelvin = z.number().min(-50, 'must be at least −50 K').max(50, 'must not exceed 50 K');

/** A check against something whose temperature is known. */
export const cameraCheckSchema = z.object({
  at: momentSchema,
  bath: z.enum(['ice', 'boiling']),
  readC: z.number().min(-50, 'must be at least −50 °C').max(150, 'must not exceed 150 °C'),
  expectedC: z.number().min(-50).max(150),
});

/** A camera on the shelf: what it sees, and what its readings are worth (standard uncertainties, K). */
export const cameraValueSchema = z.object({
  name: nameSchema(120),
  columns: z.number().int().min(16, 'must be at least 16').max(4096, 'must not exceed 4096'),
  rows: z.number().int().min(16, 'must be at least 16').max(4096, 'must not exceed 4096'),
  /** Horizontal field of view, degrees. */
  fieldDeg: z.number().min(2, 'must be at least 2°').max(150, 'must not exceed 150°'),
  noiseK: z.number().gt(0, 'must be above 0').max(5, 'must not exceed 5 K'),
  calibrationK: z.number().min(0, 'must be at least 0 K').max(20, 'must not exceed 20 K'),
  uniformityK: z.number().min(0, 'must be at least 0 K').max(20, 'must not exceed 20 K'),
  /** Of its error from one frame to the next. */
  repeatabilityK: z.number().min(0, 'must be at least 0 K').max(20, 'must not exceed 20 K'),
  /** How its photos lie over its frames, at distances where somebody matched them. */
  alignments: z.array(storedAlignmentSchema).max(20, 'must not be more than 20'),
  /** Nearer than this the picture is not sharp. */
  minDistanceM: z.number().gt(0, 'must be above 0 m').max(20, 'must not exceed 20 m'),
  /** Added to what new frames of this camera read. */
  offsetK: kelvin,
  /** What its clock is ahead of the true time, seconds. */
  clockAheadS: z
    .number()
    .int()
    .min(-400 * 86_400)
    .max(400 * 86_400),
  /** What belongs to it, one part a line: what is handed out has to come back. */
  parts: z.array(nameSchema(120)).max(40, 'must not be more than 40'),
  /** Who was shown how to use it. */
  trained: z.array(z.object({ who: nameSchema(120), at: momentSchema })).max(200, 'must not be more than 200'),
  checks: z.array(cameraCheckSchema).max(500, 'must not be more than 500'),
  archived: z.boolean(),
});

export const INSTRUMENT_KINDS = ['contact', 'air', 'hygrometer', 'moisture'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

/** A thermometer, hygrometer or meter with its own error. */
export const instrumentValueSchema = z.object({
  name: nameSchema(120),
  kind: z.enum(INSTRUMENT_KINDS),
  /** Added to what it shows, in its own unit. */
  offset: kelvin,
  /** Standard uncertainty of what it shows, in its own unit. */
  uncertainty: z.number().min(0, 'must be at least 0').max(50, 'must not exceed 50'),
  /** How long it takes to settle. */
  settleS: z.number().int().min(0, 'must be at least 0 s').max(3600, 'must not exceed 3600 s'),
  archived: z.boolean(),
});

const conditionSchema = z.object({
  at: momentSchema,
  /** Parts that were there, of those that belong to the camera. */
  parts: z.array(nameSchema(120)).max(40),
  chargePct: z.number().int().min(0, 'must be at least 0 %').max(100, 'must not exceed 100 %').nullable(),
  cardEmpty: z.boolean(),
  note: textSchema(500),
});

/** A camera in somebody's hands: out with every part, and back. */
export const handoverValueSchema = z.object({
  loanId: idSchema,
  cameraId: idSchema,
  who: nameSchema(120),
  out: conditionSchema,
  back: conditionSchema.nullable(),
});

export type CameraCheck = z.infer<typeof cameraCheckSchema>;
export type CameraValue = z.infer<typeof cameraValueSchema>;
export type InstrumentValue = z.infer<typeof instrumentValueSchema>;
export type HandoverValue = z.infer<typeof handoverValueSchema>;
