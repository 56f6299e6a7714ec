import * as z from 'zod';
import { defineEntity } from './entity';
import { nameSchema, textSchema } from '../ground/fields';

const emissivity = z.number().gt(0, 'must be above 0').max(1, 'must not exceed 1');

/** A material by its finish, as it stands on the shelf. */
export const materialValueSchema = z
  .object({
    name: nameSchema(80),
    finish: textSchema(80),
    emissivity,
    /** What is found in practice. */
    low: emissivity,
    high: emissivity,
    note: textSchema(240),
    source: textSchema(160),
    archived: z.boolean(),
  })
  .refine(({ low, emissivity: usual, high }) => low <= usual && usual <= high, {
    path: ['emissivity'],
    message: 'must lie between the lowest and the highest',
  });

export type MaterialValue = z.infer<typeof materialValueSchema>;

export const materialEntity = defineEntity({
  name: 'material',
  label: 'material',
  schema: materialValueSchema,
  scope: 'shelf',
  parent: null,
  words: {
    name: 'name',
    finish: 'finish',
    emissivity: 'usual emissivity',
    low: 'lowest',
    high: 'highest',
    note: 'note',
    source: 'source',
    archived: 'put away',
  },
  removable: false,
});
