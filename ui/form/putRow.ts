import { v7 as newId } from 'uuid';
import { CoreError, type CoreErrorData } from '@core/errors';
import type { Entity, Values } from '@core/visit/rows';

/** Keeps one row outside of a visit's page; throws what the server refuses. */
export async function putRow<E extends Entity>(entity: E, rowId: string, version: number, value: Values[E]): Promise<void> {
  const response = await fetch('/api/commands', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id: newId(), action: 'put', entity, rowId, version, value }),
  }).catch(() => {
    throw new CoreError('not_found', 'The connection was lost; nothing was kept.', {}, 'Try again.');
  });
  if (!response.ok) throw CoreError.fromJSON(((await response.json()) as { error: CoreErrorData }).error);
}
