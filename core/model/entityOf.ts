import { ENTITIES } from './entities';
import type { EntityDefinition } from './entity';

/** @throws Error for a name that no kind has */
export function entityOf(name: string): EntityDefinition {
  const found = (ENTITIES as unknown as EntityDefinition[]).find((one) => one.name === name);
  if (!found) throw new Error(`There is no kind of row called ${name}.`);
  return found;
}

/** The row that this value hangs on; null for what stands by itself, and where only the table knows. */
export function parentOf(entity: string, value: Record<string, unknown>): { kind: string; id: string } | null {
  const { parent } = entityOf(entity);
  if (!parent) return null;
  const id = value[parent.field];
  const kind = parent.kindField ? value[parent.kindField] : parent.kinds[0];
  return typeof id === 'string' && typeof kind === 'string' ? { kind, id } : null;
}
