import * as z from 'zod';
import { PAIR_BY } from '../method/frame/reading';
import { ref } from './reference';
import { defineEntity } from './entity';
import { idSchema, momentSchema, textSchema } from '../ground/fields';

/** What an exhibit adds: more of the same, the place from its other side, one of several side by side, or a look after the fix. */
export const EXHIBIT_ROLES = ['also', 'other-side', 'beside', 'after'] as const;
export type ExhibitRole = (typeof EXHIBIT_ROLES)[number];

export const ROLE_WORDS: Record<ExhibitRole, string> = {
  also: 'Also',
  'other-side': 'From the other side',
  beside: 'Beside it',
  after: 'Looked at again',
};

/** A further frame, pair or photo of a finding. */
export const exhibitValueSchema = z.object({
  findingId: idSchema,
  role: z.enum(EXHIBIT_ROLES),
  frameId: ref('frame', 'refuse').nullable(),
  /** This against that, both or neither; on the exhibit's own frame. */
  thisRegionId: ref('region', 'refuse').nullable(),
  thatRegionId: ref('region', 'refuse').nullable(),
  by: z.enum(PAIR_BY),
  photoId: ref('photo', 'forget').nullable(),
  note: textSchema(400),
  addedAt: momentSchema,
});

export type ExhibitValue = z.infer<typeof exhibitValueSchema>;

export const exhibitEntity = defineEntity({
  name: 'exhibit',
  label: 'picture of a finding',
  schema: exhibitValueSchema,
  scope: 'visit',
  parent: { field: 'findingId', kinds: ['finding'] },
  fixed: ['addedAt'],
  words: { role: 'what it shows', by: 'stated by', note: 'note' },
});
