import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_SITE } from './entity';
import { idSchema, nameSchema } from '../ground/fields';

/** A stop that somebody added to the round by hand; all visits of the site have it. */
export const ownStopValueSchema = z.object({
  siteId: idSchema,
  /** null for the house as a whole. */
  roomId: ref('room', 'forget').nullable(),
  title: nameSchema(120),
});

export const ownStopEntity = defineEntity({
  name: 'ownStop',
  label: 'stop added by hand',
  schema: ownStopValueSchema,
  scope: 'site',
  parent: OF_SITE,
  words: { title: 'title' },
});
