import type { Entity, Values } from '@core/model/entities';

/** One row before and after; null where there is no row. */
export interface Travelled {
  entity: Entity;
  rowId: string;
  before: Values[Entity] | null;
  after: Values[Entity] | null;
}

/** What one hand movement did, sent, undone and redone as a whole. */
export interface Step {
  label: string;
  changes: Travelled[];
}

export interface History {
  done: Step[];
  undone: Step[];
}

export const EMPTY_HISTORY: History = { done: [], undone: [] };

/** More than anybody goes back; keeps what is stored in the tab small. */
const LONGEST = 200;

export function withStep(history: History, step: Step): History {
  return { done: [...history.done, step].slice(-LONGEST), undone: [] };
}

export function afterUndo({ done, undone }: History): History {
  return { done: done.slice(0, -1), undone: [...undone, done.at(-1)!] };
}

export function afterRedo({ done, undone }: History): History {
  return { done: [...done, undone.at(-1)!], undone: undone.slice(0, -1) };
}

/** The step that leads back. */
export function reversed(step: Step): Step {
  return {
    label: step.label,
    changes: step.changes.map((change) => ({ ...change, before: change.after, after: change.before })).reverse(),
  };
}

/** Without the steps that touch any of these rows: what they would go back to means something else now. */
export function withoutRows({ done, undone }: History, rowIds: ReadonlySet<string>): History {
  const clear = (step: Step) => !step.changes.some(({ rowId }) => rowIds.has(rowId));
  return { done: done.filter(clear), undone: undone.filter(clear) };
}

export function rowIdsIn({ done, undone }: History): string[] {
  return [...done, ...undone].flatMap((step) => step.changes.map(({ rowId }) => rowId));
}
