import { v7 as newId } from 'uuid';

/** A command that puts a row, as a page of ours sends it. */
export function put(entity: string, value: unknown, rowId = newId(), version = 0) {
  return { id: newId(), action: 'put', entity, rowId, version, value };
}

/** A command that puts a spot on a frame. */
export function regionPut(frame: string, change: Record<string, unknown> = {}) {
  const value = { frameId: frame, name: 'a', ordinal: 0, role: 'reading', shape: { kind: 'spot', x: 3, y: 3 } };
  return { ...put('region', value), value, ...change };
}
