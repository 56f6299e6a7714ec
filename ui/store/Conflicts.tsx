'use client';

import { ConflictDialog } from './ConflictDialog';
import type { Held } from './held';
import type { RowStore } from './rowStore';
import { useNotices, usePart } from './useRowStore';

/** What a store has to say and to ask: undone, refused, changed elsewhere. */
export function Conflicts<D extends Held>({ store }: { store: RowStore<D> }) {
  useNotices(store);
  const conflict = usePart(store, (state) => state.conflict);
  return conflict && <ConflictDialog conflict={conflict} onSettle={store.settle} />;
}
