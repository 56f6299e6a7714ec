import { v7 as newId } from 'uuid';
import { CoreError, type CoreErrorData } from '@core/errors';
import type { Entity, Row, Values } from '@core/visit/rows';
import { untilBack } from '@ui/server/reachable';

/** Whether everything is stored, and how many changes are not. */
export interface Saving {
  state: 'saved' | 'saving' | 'waiting';
  unsaved: number;
}

export const ALL_SAVED: Saving = { state: 'saved', unsaved: 0 };

export interface Conflict<E extends Entity> {
  entity: E;
  rowId: string;
  /** What this tab wants; null is "removed". */
  yours: Values[E] | null;
  /** What is stored; null when it was removed elsewhere. */
  stored: Row<E> | null;
}

interface Pending<E extends Entity> {
  /** Names the command; the same command may be sent again without harm. */
  id: string;
  entity: E;
  rowId: string;
  value: Values[E] | null;
}

interface SaverEvents<E extends Entity> {
  onSaving(saving: Saving): void;
  onVersion(entity: E, rowId: string, version: number): void;
  onConflict(conflict: Conflict<E>): void;
  /** Refused for good: the row goes back to what is stored. */
  onRefused(error: CoreError): void;
}

/** What failed is sent again after so long, and not before server and database answer. */
const RETRY_MS = 2000;

interface Answer<E extends Entity> {
  version?: number;
  error?: CoreErrorData;
  stored?: Row<E> | null;
}

/**
 * Sends changes one after the other, each with the row version that this tab knows. Changes of a row that still waits
 * replace each other; a lost connection is tried again until it is back, so that nothing is lost.
 */
export class Saver<E extends Entity> {
  private readonly queue: Pending<E>[] = [];
  private sending: Pending<E> | null = null;
  private events: SaverEvents<E> | null = null;

  constructor(private versions: Map<string, number>) {}

  listen(events: SaverEvents<E>): void {
    this.events = events;
  }

  /** Takes the versions of rows that were loaded anew. Only while nothing waits. */
  replaceVersions(versions: Map<string, number>): void {
    this.versions = versions;
  }

  /** Resolves when nothing waits any more. */
  async idle(): Promise<void> {
    while (this.busy) await new Promise((resolve) => setTimeout(resolve, 100));
  }

  save(entity: E, rowId: string, value: Values[E] | null): void {
    const waiting = this.queue.find((one) => one.rowId === rowId);
    if (waiting) {
      waiting.value = value;
    } else {
      this.queue.push({ id: newId(), entity, rowId, value });
    }
    this.tell('saving');
    void this.next();
  }

  /** Makes the next change of a row go against this version: the answer to a conflict. */
  know(rowId: string, version: number): void {
    this.versions.set(rowId, version);
  }

  /** The version that this tab knows; 0 for a row that is not stored. */
  versionOf(rowId: string): number {
    return this.versions.get(rowId) ?? 0;
  }

  /** Changes that are not stored yet. */
  get unsaved(): number {
    return this.queue.length + (this.sending ? 1 : 0);
  }

  get busy(): boolean {
    return this.unsaved > 0;
  }

  private tell(state: Saving['state']): void {
    this.events?.onSaving({ state, unsaved: this.unsaved });
  }

  private async next(): Promise<void> {
    if (this.sending) return;
    const pending = this.queue.shift();
    if (!pending) {
      this.tell('saved');
      return;
    }
    this.sending = pending;
    const version = this.versionOf(pending.rowId);
    // A row that was never stored needs no removing.
    if (pending.value !== null || version > 0) await this.send(pending, version);
    this.sending = null;
    void this.next();
  }

  private async send(pending: Pending<E>, version: number): Promise<void> {
    const { id, entity, rowId, value } = pending;
    const command =
      value === null ? { id, action: 'remove', entity, rowId, version } : { id, action: 'put', entity, rowId, version, value };
    for (;;) {
      const answer = await ask<E>(command);
      if (answer?.version !== undefined) {
        this.versions.set(rowId, answer.version);
        this.events?.onVersion(entity, rowId, answer.version);
        return;
      }
      if (answer?.error) {
        if (answer.error.code === 'stale') {
          this.events?.onConflict({ entity, rowId, yours: value, stored: answer.stored ?? null });
        } else {
          this.events?.onRefused(CoreError.fromJSON(answer.error));
        }
        return;
      }
      this.tell('waiting');
      await Promise.all([untilBack(), new Promise((resolve) => setTimeout(resolve, RETRY_MS))]);
      this.tell('saving');
    }
  }
}

/** The server's answer; null where there is none, or where it failed for a reason that is not in the change: it is kept then. */
async function ask<E extends Entity>(command: unknown): Promise<Answer<E> | null> {
  try {
    const response = await fetch('/api/commands', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(command),
    });
    return response.status >= 500 ? null : ((await response.json()) as Answer<E>);
  } catch {
    return null;
  }
}
