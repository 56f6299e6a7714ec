import { v7 as newId } from 'uuid';
import * as z from 'zod';
import type { Entity, Values } from '@core/model/entities';
import { postJson } from '@ui/server/api';

/** Keeps one row outside of a page that holds a store. @throws CoreError as the server refuses */
export async function putRow<E extends Entity>(entity: E, rowId: string, version: number, value: Values[E]): Promise<void> {
  await postJson('/api/commands', { id: newId(), changes: [{ action: 'put', entity, rowId, version, value }] }, z.unknown());
}
