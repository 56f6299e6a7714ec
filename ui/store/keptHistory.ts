import type { History } from './history';

/** Undo as a tab keeps it, with the version of each row that a step touches, as this tab left it. */
export interface KeptHistory extends History {
  versions: Record<string, number>;
}

/** Undo that this tab kept; null where the browser keeps nothing, or something else. */
export function readKept(key: string): KeptHistory | null {
  try {
    const kept = JSON.parse(sessionStorage.getItem(key) ?? 'null') as Partial<KeptHistory> | null;
    const whole = kept && Array.isArray(kept.done) && Array.isArray(kept.undone) && typeof kept.versions === 'object';
    return whole ? (kept as KeptHistory) : null;
  } catch {
    return null;
  }
}

/** Keeps as much of undo as there is room for: it is a comfort, and where there is none it ends with the page. */
export function keep(key: string, history: KeptHistory): void {
  for (let { done } = history; ; done = done.slice(Math.ceil(done.length / 2))) {
    try {
      sessionStorage.setItem(key, JSON.stringify({ ...history, done }));
      return;
    } catch {
      if (done.length === 0) break;
    }
  }
  try {
    sessionStorage.removeItem(key);
  } catch {
    // A browser that keeps nothing at all.
  }
}
