import * as z from 'zod';
import { shapeSchema, type DrawnShape } from '../method/frame/region';
import { WORKS } from '../method/compare/lossChange';
import type { WallClass } from '../method/weather/wallFamilies';
import { ref } from './reference';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, nameSchema, textSchema } from '../ground/fields';

/**
 * What somebody says of a surface who looked: it is as it was, or what was done to it, so that its temperature tells another
 * story than before.
 */
export const SURFACE_ANSWERS = ['unchanged', 'painted', 'papered', 'foiled', 'taped', 'blind', 'furniture', 'other'] as const;
export type SurfaceAnswer = (typeof SURFACE_ANSWERS)[number];

/** What a person makes of a pair: the finding is done with, it stays, it is left as it is. */
export const OUTCOMES = ['closed', 'open', 'accepted'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** How a wall is built, as far as heat in it goes. */
export const SAID_WALLS = ['light', 'brick', 'cavity', 'stone', 'unknown'] as const satisfies readonly WallClass[];
export type SaidWall = (typeof SAID_WALLS)[number];

const drawn = shapeSchema.refine((shape): shape is DrawnShape => shape.kind !== 'beyond', { message: 'must be drawn' });
const place = z.tuple([z.number().min(-20_000).max(20_000), z.number().min(-20_000).max(20_000)]);

/** This frame against that one of before: the same wall before and after the work. */
export const pairValueSchema = z.object({
  visitId: idSchema,
  /** Where the earlier frame was taken: an earlier visit of the site, or this one. */
  beforeVisitId: ref('visit', 'refuse', { within: 'site' }),
  beforeFrameId: ref('frame', 'refuse', { within: 'site' }),
  afterFrameId: ref('frame', 'refuse'),
  /** The finding of the earlier visit that is to be proven; null for none. */
  findingId: ref('finding', 'stays', { within: 'site' }).nullable(),
  title: nameSchema(160),
  /** In pixels of the earlier frame. */
  regions: z
    .array(
      z.object({
        id: idSchema,
        name: nameSchema(80),
        shape: drawn,
        /** Null while nobody said. */
        surface: z.enum(SURFACE_ANSWERS).nullable(),
      }),
    )
    .max(12, 'must not exceed 12 regions'),
  /** The same places in both frames, marked by hand where they do not find each other. */
  points: z.array(z.object({ before: place, after: place })).max(12),
  outcome: z.enum(OUTCOMES).nullable(),
  /** How the wall is built, where somebody said; null as its surface says. */
  wall: z.enum(SAID_WALLS).nullable().default(null),
  /** What the work was: some places, or the wall as a whole; null while nobody said. */
  work: z.enum(WORKS).nullable().default(null),
  note: textSchema(2000),
});

export type PairValue = z.infer<typeof pairValueSchema>;
export type PairRegion = PairValue['regions'][number];

export const pairEntity = defineEntity({
  name: 'pair',
  label: 'pair of before and after',
  schema: pairValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: {
    title: 'title',
    regions: 'regions',
    points: 'points by hand',
    outcome: 'what became of it',
    wall: 'how the wall is built',
    work: 'what was done',
    note: 'note',
  },
});
