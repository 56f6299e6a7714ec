import * as z from 'zod';
import { defineEntity } from './entity';
import { nameSchema } from '../ground/fields';
import { VISIT_KINDS } from './visitKinds';

/** What a kind of visit begins with, as somebody changed it; the usual list holds while there is none. */
const kitListValueSchema = z.object({
  kind: z.enum(VISIT_KINDS),
  items: z.array(nameSchema(160)).max(80, 'must not be more than 80'),
});

export const kitListEntity = defineEntity({
  name: 'kitList',
  label: 'usual kit list',
  schema: kitListValueSchema,
  scope: 'shelf',
  parent: null,
  fixed: ['kind'],
  words: { items: 'what is usually packed' },
});
