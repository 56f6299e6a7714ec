import * as z from 'zod';
import { arguedSchema } from './arguedRow';
import { PAIR_BY } from '../method/frame/reading';
import { ref } from './reference';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema, nameSchema, temperatureSchema, textSchema } from '../ground/fields';
import { BASES, FINDING_STATES } from './findingBasis';
import { EXPERIMENTS } from './experiments';

/** A value that was read off an instrument, with that of a sound place beside it. */
const typedSchema = z.object({
  celsius: temperatureSchema,
  againstC: temperatureSchema.nullable(),
  /** Which instrument. */
  with: textSchema(120),
});

export const findingValueSchema = z
  .object({
    visitId: idSchema,
    basis: z.enum(BASES).default('pair'),
    /** The stop of the round where it was found; null for what was found on the bench. */
    stopKey: nameSchema(160).nullable().default(null),
    /** The complaint that it answers, where somebody said which. */
    complaintId: idSchema.nullable().default(null),
    frameId: ref('frame', 'refuse').nullable(),
    /** This against that: difference is this minus that. Both or neither. */
    thisRegionId: ref('region', 'refuse', { on: 'frameId' }).nullable(),
    thatRegionId: ref('region', 'refuse').nullable(),
    /** What stands for this: its mean, or the coldest or warmest part of it. */
    by: z.enum(PAIR_BY).default('mean'),
    typed: typedSchema.nullable().default(null),
    photoId: ref('photo', 'forget').nullable(),
    title: nameSchema(160),
    note: textSchema(4000),
    /** The check that would settle it. */
    next: textSchema(400).default(''),
    state: z.enum(FINDING_STATES).default('open'),
    /** What was tried, to be looked at again after a while; null for a finding of the house. */
    tried: z.enum(EXPERIMENTS).nullable().default(null),
    triedAt: momentSchema.nullable().default(null),
    /** What the fix takes: metres of it, and of what. */
    lengthM: z.number().min(0.01, 'must be at least 0.01 m').max(500, 'must not exceed 500 m').nullable().default(null),
    material: textSchema(120).default(''),
    /** What its cause is argued from; null for what was found without a candidate. */
    argued: arguedSchema.nullable().default(null),
  })
  .refine(
    ({ basis, frameId, thisRegionId, thatRegionId }) =>
      basis !== 'pair' || (frameId !== null && thisRegionId !== null && thatRegionId !== null),
    { message: 'needs a frame and two regions', path: ['thatRegionId'] },
  )
  .refine(({ basis, typed }) => basis !== 'typed' || typed !== null, { message: 'needs a value', path: ['typed'] })
  .refine(({ basis, next }) => basis !== 'unsolved' || next !== '', {
    message: 'needs the check that would settle it',
    path: ['next'],
  });

export type FindingValue = z.infer<typeof findingValueSchema>;

/** A finding without anything said of it yet. */
export const emptyFinding = (visitId: string, change: Partial<FindingValue> = {}): FindingValue => ({
  visitId,
  basis: 'shape',
  stopKey: null,
  complaintId: null,
  frameId: null,
  thisRegionId: null,
  thatRegionId: null,
  by: 'mean',
  typed: null,
  photoId: null,
  title: '',
  note: '',
  next: '',
  state: 'open',
  tried: null,
  triedAt: null,
  lengthM: null,
  material: '',
  argued: null,
  ...change,
});

export const findingEntity = defineEntity({
  name: 'finding',
  label: 'finding',
  schema: findingValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: {
    title: 'title',
    note: 'note',
    basis: 'what it rests on',
    by: 'stated by',
    typed: 'typed value',
    next: 'next check',
    state: 'what became of it',
    tried: 'what was tried',
    triedAt: 'tried at',
    lengthM: 'length to seal',
    material: 'material',
    argued: 'argued cause',
  },
});
