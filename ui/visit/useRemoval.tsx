'use client';

import { App } from 'antd';
import type { Entity } from '@core/model/entities';
import { changesOf, questionOf, removalOf } from '@core/model/removal';
import { useVisitStore } from './VisitProvider';

interface Asked {
  /** Of the step of undo. */
  label: string;
  title: string;
  /** What is removed, all at once. */
  targets: readonly { entity: Entity; rowId: string }[];
  onGone?(): void;
}

/** Removes rows of the visit in one step of undo; asks before where more than what was chosen goes or would miss it. */
export function useRemoval(): (asked: Asked) => void {
  const store = useVisitStore();
  const { modal } = App.useApp();
  return ({ label, title, targets, onGone }) => {
    const { document } = store.state.getState();
    const removal = removalOf(document, targets);
    const { refused, goes, without } = questionOf(removal, targets);
    if (refused) {
      modal.warning({ title: 'It cannot be removed', content: refused });
      return;
    }
    const remove = () => {
      store.edit(label, changesOf(removal));
      onGone?.();
    };
    if (!goes && !without) return remove();
    modal.confirm({
      title,
      content: [goes, without].filter(Boolean).join(' '),
      okText: 'Remove',
      cancelText: 'Keep it',
      onOk: remove,
    });
  };
}
