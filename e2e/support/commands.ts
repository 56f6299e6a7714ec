import { v7 as newId } from 'uuid';

/** A change of one row with the id of its step; see `stepOf`. */
export function put(entity: string, value: unknown, rowId = newId(), version = 0) {
  return { id: newId(), action: 'put', entity, rowId, version, value };
}

/** A change that puts a spot on a frame. */
export function regionPut(frame: string, change: Record<string, unknown> = {}) {
  const value = { frameId: frame, name: 'a', ordinal: 0, role: 'reading', shape: { kind: 'spot', x: 3, y: 3 } };
  return { ...put('region', value), value, ...change };
}

/** The step of one change, as a page of ours sends it. */
export function stepOf({ id, ...change }: { id: string } & Record<string, unknown>) {
  return { id, changes: [change] };
}
