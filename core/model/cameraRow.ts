import * as z from 'zod';
import { storedAlignmentSchema } from '../method/frame/alignment';
import { defineEntity } from './entity';
import { kelvinSchema, momentSchema, nameSchema } from '../ground/fields';

/** A check against something whose temperature is known. */
export const cameraCheckSchema = z.object({
  at: momentSchema,
  bath: z.enum(['ice', 'boiling']),
  readC: z.number().min(-50, 'must be at least −50 °C').max(150, 'must not exceed 150 °C'),
  /** What a faultless camera of the same settings would have read. */
  expectedC: z.number().min(-50).max(150),
});

/** Fields of a camera that a card or a bench test tells, and that many owners never learn. */
export const LEARNABLE = [
  'noiseK',
  'calibrationK',
  'uniformityK',
  'repeatabilityK',
  'gain',
  'blurPx',
  'minDistanceM',
] as const satisfies readonly string[];
export type Learnable = (typeof LEARNABLE)[number];

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
  /** Of its slope: a fraction of the distance to the temperature of its shutter. */
  gain: z.number().min(0, 'must be at least 0').max(0.2, 'must not exceed 20 %'),
  /** Of its optics: standard deviation of the blur, pixels. */
  blurPx: z.number().min(0, 'must be at least 0 px').max(3, 'must not exceed 3 px'),
  /** How its photos lie over its frames, at distances where somebody matched them. */
  alignments: z.array(storedAlignmentSchema).max(20, 'must not be more than 20'),
  /** Nearer than this the picture is not sharp. */
  minDistanceM: z.number().gt(0, 'must be above 0 m').max(20, 'must not exceed 20 m'),
  /** Added to what new frames of this camera read. */
  offsetK: kelvinSchema,
  /** Added as well: so much of the distance from room temperature, by checks in ice and boiling water. */
  slope: z.number().min(-0.1, 'must be at least −10 %').max(0.1, 'must not exceed 10 %'),
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
  /** Fields that nobody said: their values are usual ones, and what follows from them is marked as assumed. */
  assumed: z.array(z.enum(LEARNABLE)).max(LEARNABLE.length),
  archived: z.boolean(),
});

export type CameraCheck = z.infer<typeof cameraCheckSchema>;
export type CameraValue = z.infer<typeof cameraValueSchema>;

export const cameraEntity = defineEntity({
  name: 'camera',
  label: 'camera',
  schema: cameraValueSchema,
  scope: 'shelf',
  parent: null,
  words: {
    name: 'name',
    columns: 'columns',
    rows: 'rows',
    fieldDeg: 'field of view',
    noiseK: 'noise',
    calibrationK: 'calibration',
    uniformityK: 'uniformity',
    repeatabilityK: 'repeatability',
    gain: 'slope',
    blurPx: 'blur of the optics',
    alignments: 'matched photos',
    minDistanceM: 'nearest distance',
    offsetK: 'offset',
    slope: 'correction of the slope',
    clockAheadS: 'clock ahead',
    parts: 'parts',
    trained: 'who was shown',
    checks: 'checks',
    archived: 'put away',
  },
  removable: false,
});
