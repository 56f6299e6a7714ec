'use client';

import { App } from 'antd';
import { useEffect } from 'react';
import { useStore } from 'zustand';
import type { Held } from './held';
import type { RowStore, State } from './rowStore';

/** A part of what a store holds; drawn anew only when that part changes. */
export function usePart<D extends Held, T>(store: RowStore<D>, pick: (state: State<D>) => T): T {
  return useStore(store.state, pick);
}

/** Tells people what was undone and what was refused, and asks before they leave with something unsaved. */
export function useNotices<D extends Held>(store: RowStore<D>): void {
  const { message } = App.useApp();
  useEffect(() => {
    store.listen({
      onTravel: (label) => void message.info(label, 1.5),
      onRefused: (error) => void message.error(`${error.message} ${error.hint}`, 8),
    });
  }, [store, message]);
  const unsaved = usePart(store, ({ saving }) => saving.state !== 'saved');
  useEffect(() => {
    if (!unsaved) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [unsaved]);
}
