'use client';

import { ConfigProvider } from 'antd';
import {
  createContext,
  Suspense,
  use,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import type { VisitDocument } from '@core/model/document';
import { Conflicts } from '@ui/store/Conflicts';
import type { Edit, State } from '@ui/store/rowStore';
import type { Saving } from '@ui/store/saving';
import { usePart } from '@ui/store/useRowStore';
import { paperTheme } from '@ui/theme/themes';
import type { PixelStore } from './pixels';
import { useArrivals } from './useArrivals';
import { openVisit, type VisitStore } from './visitStore';

const VisitContext = createContext<VisitStore | null>(null);

/** The visit's store, for what changes it; draws nothing anew. */
export function useVisitStore(): VisitStore {
  const store = useContext(VisitContext);
  if (!store) throw new Error('useVisitStore outside of a visit');
  return store;
}

/** A part of the visit; drawn anew only when that part changes. */
export function useVisitPart<T>(pick: (state: State<VisitDocument>) => T): T {
  return usePart(useVisitStore(), pick);
}

interface Visit {
  document: VisitDocument;
  /** Changes rows at once, here and (soon after) in the database; one step of undo. */
  edit(label: string, edits: readonly Edit[]): void;
  /** Takes in what was stored meanwhile, for example by an import. */
  refresh(): Promise<VisitDocument>;
  pixels: PixelStore;
  thumbs: PixelStore;
}

/** The visit with all its rows. */
export function useVisit(): Visit {
  const store = useVisitStore();
  const document = useVisitPart((state) => state.document);
  return useMemo(
    () => ({ document, edit: store.edit, refresh: store.refresh, pixels: store.pixels, thumbs: store.thumbs }),
    [document, store],
  );
}

export function useSaving(): Saving {
  return useVisitPart((state) => state.saving);
}

/** A frame's pixels, or undefined while they are on their way. */
export function usePixels(frameId: string | null): (id: string) => Float32Array | undefined {
  const { pixels } = useVisitStore();
  // The frame that is looked at is drawn at once, others in slices.
  useSyncExternalStore(
    pixels.subscribe,
    () => (frameId ? pixels.peek(frameId) : undefined),
    () => undefined,
  );
  useArrivals(pixels);
  useEffect(() => {
    if (frameId) pixels.want(frameId);
  }, [pixels, frameId]);
  return useCallback((id: string) => pixels.get(id), [pixels]);
}

/**
 * Opens a visit, and keeps its store for as long as one of its pages is looked at.
 *
 * @param until - what is shown until the visit is there
 */
export function VisitProvider({ visitId, until, children }: { visitId: string; until: ReactNode; children: ReactNode }) {
  const [opening] = useState(() => openVisit(visitId));
  return (
    <Suspense fallback={until}>
      <OpenVisit opening={opening}>{children}</OpenVisit>
    </Suspense>
  );
}

function OpenVisit({ opening, children }: { opening: Promise<VisitStore>; children: ReactNode }) {
  const store = use(opening);
  // What the tab kept can only be read after the first drawing.
  useEffect(() => store.recall(), [store]);
  return (
    <VisitContext.Provider value={store}>
      {children}
      <ConfigProvider theme={paperTheme}>
        <Conflicts store={store} />
      </ConfigProvider>
    </VisitContext.Provider>
  );
}
