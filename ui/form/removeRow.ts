import { v7 as newId } from 'uuid';
import * as z from 'zod';
import type { Entity } from '@core/model/entities';
import { postJson } from '@ui/server/api';

/** Removes one row, with all that hangs on it, outside of a page that holds a store. @throws CoreError as the server refuses */
export async function removeRow(entity: Entity, rowId: string, version: number): Promise<void> {
  await postJson('/api/commands', { id: newId(), changes: [{ action: 'remove', entity, rowId, version }] }, z.unknown());
}
