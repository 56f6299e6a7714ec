import * as z from 'zod';
import { ENTITIES, type Entity, type Row, type Values } from './entities';
import type { EntityDefinition } from './entity';
import { idSchema } from '../ground/fields';

/** As many changes as one step may have: a visit's frames at once. */
const MAX_CHANGES = 10_000;

/**
 * A change of one row. `version` is the version that was seen (0: there is no such row yet), so that a stale change is
 * refused.
 */
export type Change<E extends Entity = Entity> =
  | { [K in E]: { action: 'put'; entity: K; rowId: string; version: number; value: Values[K] } }[E]
  | { action: 'remove'; entity: E; rowId: string; version: number };

/** One step of a person, carried out whole or not at all. Its id makes it safe to send twice. */
export interface Command {
  id: string;
  changes: Change[];
}

/** What is answered when a command was carried out: the new version of each row, 0 where it is gone. */
export interface CommandAnswer {
  versions: Record<string, number>;
}

/** A row that somebody else changed meanwhile, as it is stored; null when it was removed. */
export interface Stale {
  entity: Entity;
  rowId: string;
  stored: Row<Entity> | null;
}

/** The schema of commands over these kinds of rows. */
function commandSchemaOf(definitions: readonly EntityDefinition[]): z.ZodType<Command> {
  const row = { rowId: idSchema, version: z.number().int().min(0) };
  const put = ({ name, schema }: EntityDefinition) =>
    z.object({ action: z.literal('put'), entity: z.literal(name), ...row, value: schema });
  const [first, ...others] = definitions.map(put);
  const removable = definitions.filter((one) => one.removable).map(({ name }) => name);
  const change = z.discriminatedUnion('action', [
    z.discriminatedUnion('entity', [first!, ...others]),
    z.object({ action: z.literal('remove'), entity: z.enum(removable), ...row, version: z.number().int().min(1) }),
  ]);
  return z.object({
    id: idSchema,
    changes: z
      .array(change)
      .min(1, 'must not be empty')
      .max(MAX_CHANGES, `must not be more than ${MAX_CHANGES}`)
      .refine((all) => new Set(all.map(({ rowId }) => rowId)).size === all.length, 'must change each row once'),
  }) as unknown as z.ZodType<Command>;
}

export const commandSchema = commandSchemaOf(ENTITIES as unknown as EntityDefinition[]);
