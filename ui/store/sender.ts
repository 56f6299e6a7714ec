import { v7 as newId } from 'uuid';
import * as z from 'zod';
import type { Change, Command, Stale } from '@core/model/command';
import type { Entity } from '@core/model/entities';
import { CoreError, type CoreErrorData } from '@core/ground/errors';
import { untilBack } from '@ui/server/reachable';
import type { RowChange } from './held';
import type { Saving } from './saving';

/** A step that met rows which somebody else changed. */
export interface Conflict {
  changes: RowChange[];
  /** Those of its rows that somebody has to choose for, as they are stored. */
  stale: Stale[];
}

export type Choice = 'mine' | 'stored';

export interface SenderEvents {
  onSaving(saving: Saving): void;
  /** New versions of rows that were stored; 0 where a row is gone. */
  onStored(changes: readonly RowChange[], versions: Readonly<Record<string, number>>): void;
  onConflict(conflict: Conflict): void;
  /** Refused for good: these rows go back to what is stored. */
  onRefused(error: CoreError, changes: readonly RowChange[]): void;
}

/** What failed is sent again after so long, and not before server and database answer. */
const RETRY_MS = 2000;

const answerSchema = z.object({
  versions: z.record(z.string(), z.number()).optional(),
  error: z.custom<CoreErrorData>((value) => typeof value === 'object').optional(),
  stale: z.custom<Stale[]>(Array.isArray).optional(),
});
type Answer = z.infer<typeof answerSchema>;

/**
 * Sends steps one after the other, each row with the version that this page knows. A step over the same rows as the one that
 * waits last replaces it; what fails is tried again until it is stored, so that nothing is lost. A conflict holds up all that
 * comes after it until somebody has answered.
 */
export class Sender {
  /** Grows with every step. */
  sent = 0;
  private queue: RowChange[][] = [];
  private sending: RowChange[] | null = null;
  private readonly conflicts: Conflict[] = [];

  /** @param versions - of rows as they are stored, by id */
  constructor(
    private readonly versions: Map<string, number>,
    private readonly events: SenderEvents,
  ) {}

  /** Rows with changes that are not stored yet. */
  pending(): Set<string> {
    return new Set(
      [...this.queue, this.sending ?? [], ...this.conflicts.map(({ changes }) => changes)].flatMap((step) =>
        step.map(({ rowId }) => rowId),
      ),
    );
  }

  /** Rows with changes that came after the conflict that is asked for now: what is shown of them is newer. */
  later(): Set<string> {
    const waiting = [...this.queue, this.sending ?? [], ...this.conflicts.slice(1).map(({ changes }) => changes)];
    return new Set(waiting.flatMap((step) => step.map(({ rowId }) => rowId)));
  }

  get unsaved(): number {
    return this.queue.length + (this.sending ? 1 : 0) + this.conflicts.length;
  }

  send(changes: readonly RowChange[]): void {
    this.sent += 1;
    const last = this.queue.at(-1);
    if (last && sameRows(last, changes)) this.queue[this.queue.length - 1] = [...changes];
    else this.queue.push([...changes]);
    void this.next();
  }

  /** Goes on after a conflict: with what of it is still wanted. */
  goOn(changes: readonly RowChange[]): void {
    this.conflicts.shift();
    if (changes.length > 0) this.queue.unshift([...changes]);
    if (this.conflicts[0]) this.events.onConflict(this.conflicts[0]);
    else void this.next();
  }

  /** Puts a question before everything else: for a step that must not be sent before it is answered. */
  hold(conflict: Conflict): void {
    this.conflicts.push(conflict);
    this.tell('asking');
    if (this.conflicts.length === 1) this.events.onConflict(conflict);
  }

  private tell(state: Saving['state']): void {
    this.events.onSaving({ state: this.unsaved === 0 ? 'saved' : state, unsaved: this.unsaved });
  }

  private async next(): Promise<void> {
    this.tell(this.conflicts.length > 0 ? 'asking' : 'saving');
    if (this.sending || this.conflicts.length > 0) return;
    const step = this.queue.shift();
    if (!step) return;
    this.sending = step;
    const conflict = await this.carryOut(step);
    this.sending = null;
    if (conflict) this.hold(conflict);
    void this.next();
  }

  private async carryOut(step: RowChange[]): Promise<Conflict | null> {
    const command = this.commandOf(step);
    if (command.changes.length === 0) return null;
    for (;;) {
      const answer = await ask(command);
      if (answer?.versions) {
        for (const [rowId, version] of Object.entries(answer.versions)) this.versions.set(rowId, version);
        this.events.onStored(step, answer.versions);
        return null;
      }
      if (answer?.error?.code === 'stale') return { changes: step, stale: answer.stale ?? [] };
      if (answer?.error) {
        // What was changed again since stays as it is: it comes next.
        const waiting = new Set(this.queue.flat().map(({ rowId }) => rowId));
        this.events.onRefused(
          CoreError.fromJSON(answer.error),
          step.filter(({ rowId }) => !waiting.has(rowId)),
        );
        return null;
      }
      this.tell('waiting');
      await Promise.all([untilBack(), new Promise((resolve) => setTimeout(resolve, RETRY_MS))]);
      this.tell('saving');
    }
  }

  private commandOf(step: readonly RowChange[]): Command {
    const changes = step.flatMap(({ entity, rowId, value }): Change[] => {
      const version = this.versions.get(rowId) ?? 0;
      if (value !== null) return [{ action: 'put', entity, rowId, version, value } as Change<Entity>];
      // A row that was never stored needs no removing.
      return version > 0 ? [{ action: 'remove', entity, rowId, version }] : [];
    });
    return { id: newId(), changes };
  }
}

function sameRows(a: readonly RowChange[], b: readonly RowChange[]): boolean {
  return a.length === b.length && a.every(({ rowId }, i) => rowId === b[i]!.rowId);
}

/** The server's answer; null where there is none, or where it failed for a reason that is not in the step: it is kept then. */
async function ask(command: Command): Promise<Answer | null> {
  try {
    const response = await fetch('/api/commands', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(command),
    });
    return response.status >= 500 ? null : (answerSchema.safeParse(await response.json()).data ?? null);
  } catch {
    return null;
  }
}
