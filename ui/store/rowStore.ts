import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Stale } from '@core/model/command';
import type { Entity, Row, Values } from '@core/model/entities';
import type { CoreError } from '@core/ground/errors';
import {
  afterRedo,
  afterUndo,
  EMPTY_HISTORY,
  reversed,
  rowIdsIn,
  withoutRows,
  withStep,
  type History,
  type Step,
  type Travelled,
} from './history';
import { rowIn, rowsIn, withRows, type Held, type RowChange } from './held';
import { keep, readKept } from './keptHistory';
import { ALL_SAVED, type Saving } from './saving';
import { Sender, type Choice, type Conflict } from './sender';

/** A change of one row: its new value, or null to remove it. */
export interface Edit {
  entity: Entity;
  rowId: string;
  value: Values[Entity] | null;
  /** What undo goes back to, where that is not what is there now. */
  before?: Values[Entity] | null;
}

export interface State<D extends Held> {
  document: D;
  saving: Saving;
  conflict: Conflict | null;
  history: History;
}

/** What people are told: what was undone, and what was refused. */
export interface Notices {
  onTravel(label: string): void;
  onRefused(error: CoreError): void;
}

/**
 * The rows that a page edits: changed here at once, stored soon after, each step as a whole. It lives outside of what is
 * drawn, so that an error there loses nothing.
 */
export class RowStore<D extends Held> {
  readonly state: StoreApi<State<D>>;
  /** Rows as they are stored, as far as this page knows. */
  private readonly stored = new Map<string, Row<Entity>>();
  private readonly versions = new Map<string, number>();
  /** Version of each row that a step of undo touches, as this page left it. */
  private readonly mine = new Map<string, number>();
  private readonly sender: Sender;
  private notices: Notices = { onTravel: () => undefined, onRefused: () => undefined };

  /** @param historyKey - where the tab keeps undo; null for a page without undo */
  constructor(
    document: D,
    private readonly historyKey: string | null = null,
  ) {
    this.state = createStore<State<D>>()(() => ({ document, saving: ALL_SAVED, conflict: null, history: EMPTY_HISTORY }));
    for (const { row } of rowsIn(document)) this.know(row.id, row);
    this.sender = new Sender(this.versions, {
      onSaving: (saving) => {
        this.state.setState({ saving });
        if (saving.state === 'saved') this.keepHistory();
      },
      onStored: (changes, versions) => this.onStored(changes, versions),
      onConflict: (conflict) => this.onConflict(conflict),
      onRefused: (error, changes) => {
        this.show(changes.map(({ entity, rowId }) => ({ entity, rowId, row: this.stored.get(rowId) ?? null })));
        this.notices.onRefused(error);
      },
    });
  }

  listen(notices: Notices): void {
    this.notices = notices;
  }

  get document(): D {
    return this.state.getState().document;
  }

  /** Changes rows at once, here and (soon after) in the database; one step of undo. */
  readonly edit = (label: string, edits: readonly Edit[]): void => {
    const changes = new Map<string, Travelled>();
    for (const { entity, rowId, value, before } of edits) {
      const earlier = changes.get(rowId);
      const from = earlier ? earlier.before : (before ?? rowIn(this.document, entity, rowId)?.value ?? null);
      changes.set(rowId, { entity, rowId, before: from, after: value });
    }
    const real = [...changes.values()].filter(({ before, after }) => !same(before, after));
    if (real.length === 0) return;
    const step = { label, changes: real };
    if (this.historyKey) this.state.setState(({ history }) => ({ history: withStep(history, step) }));
    this.apply(step);
  };

  /** Removes rows for good: nothing leads back, and no step of undo touches them any more. */
  readonly removeForGood = (rows: readonly { entity: Entity; rowId: string }[]): void => {
    this.forgetSteps(new Set(rows.map(({ rowId }) => rowId)));
    const changes = rows.map(({ entity, rowId }) => ({ entity, rowId, value: null }));
    this.show(changes.map((change) => this.rowOf(change)));
    this.sender.send(changes);
  };

  readonly undo = (): void => {
    const step = this.state.getState().history.done.at(-1);
    if (step) this.travel({ ...reversed(step), label: `Undone: ${step.label}` }, afterUndo);
  };

  readonly redo = (): void => {
    const step = this.state.getState().history.undone.at(-1);
    if (step) this.travel({ ...step, label: `Redone: ${step.label}` }, afterRedo);
  };

  /** Drops steps of undo over rows that were changed as a whole by the server. */
  readonly forgetSteps = (rowIds: ReadonlySet<string>): void =>
    this.state.setState(({ history }) => ({ history: withoutRows(history, rowIds) }));

  /** Takes up the undo that this tab kept. In the browser only, after the first drawing. */
  readonly recall = (): void => {
    if (this.state.getState().history !== EMPTY_HISTORY) return;
    const kept = this.historyKey && readKept(this.historyKey);
    if (!kept) return;
    const { versions, ...history } = kept;
    for (const [rowId, version] of Object.entries(versions)) this.mine.set(rowId, version);
    this.state.setState({ history });
  };

  /** Answers a conflict: for each of its rows, what is kept. */
  readonly settle = (choices: Readonly<Record<string, Choice>>): void => {
    const { conflict } = this.state.getState();
    if (!conflict) return;
    this.state.setState({ conflict: null });
    for (const { rowId, stored } of conflict.stale) {
      this.know(rowId, stored);
      this.mine.set(rowId, stored?.version ?? 0);
    }
    const given = new Set(conflict.stale.filter(({ rowId }) => choices[rowId] === 'stored').map(({ rowId }) => rowId));
    const wanted = conflict.changes.filter(({ rowId }) => !given.has(rowId));
    const later = this.sender.later();
    const settled = [
      ...conflict.stale.filter(({ rowId }) => given.has(rowId)).map(asStored),
      ...wanted.map((change) => this.rowOf(change)),
    ];
    this.show(settled.filter(({ rowId }) => !later.has(rowId)));
    this.sender.goOn(wanted);
  };

  /** Grows with everything that is sent. */
  get sent(): number {
    return this.sender.sent;
  }

  /** Resolves when everything is stored. */
  readonly idle = async (): Promise<void> => {
    while (this.sender.unsaved > 0) await new Promise((resolve) => setTimeout(resolve, 100));
  };

  /**
   * Takes in rows as they are stored now. Those with changes of this page that are not stored yet stay as they are: they
   * will meet what is stored as a conflict.
   */
  readonly take = (
    rows: readonly { entity: Entity; rowId: string; stored: Row<Entity> | null }[],
    more: Partial<D> = {},
  ): void => {
    const pending = this.sender.pending();
    const news = rows.filter(
      ({ rowId, stored }) => !pending.has(rowId) && (stored?.version ?? 0) !== (this.versions.get(rowId) ?? 0),
    );
    for (const { rowId, stored } of news) this.know(rowId, stored);
    this.state.setState(({ document }) => ({ document: { ...withRows(document, news.map(asStored)), ...more } }));
  };

  private know(rowId: string, row: Row<Entity> | null): void {
    if (row) this.stored.set(rowId, row);
    else this.stored.delete(rowId);
    this.versions.set(rowId, row?.version ?? 0);
  }

  private show(changes: readonly { entity: Entity; rowId: string; row: Row<Entity> | null }[]): void {
    this.state.setState(({ document }) => ({ document: withRows(document, changes) }));
  }

  private rowOf({ entity, rowId, value }: RowChange): { entity: Entity; rowId: string; row: Row<Entity> | null } {
    return { entity, rowId, row: value && { id: rowId, version: this.versions.get(rowId) ?? 0, value } };
  }

  private apply({ changes }: Step): void {
    const wanted = changes.map(({ entity, rowId, after }) => ({ entity, rowId, value: after }));
    this.show(wanted.map((change) => this.rowOf(change)));
    this.sender.send(wanted);
  }

  /** Undo and redo of what somebody else changed meanwhile are held up, with both values shown. */
  private travel(step: Step, move: (history: History) => History): void {
    const pending = this.sender.pending();
    const stale = step.changes.flatMap(({ entity, rowId }): Stale[] => {
      const left = this.mine.get(rowId);
      const foreign = left !== undefined && !pending.has(rowId) && left !== (this.versions.get(rowId) ?? 0);
      return foreign ? [{ entity, rowId, stored: this.stored.get(rowId) ?? null }] : [];
    });
    this.state.setState(({ history }) => ({ history: move(history) }));
    if (stale.length > 0) {
      this.sender.hold({ changes: step.changes.map(({ entity, rowId, after }) => ({ entity, rowId, value: after })), stale });
      return;
    }
    this.apply(step);
    this.notices.onTravel(step.label);
  }

  private onStored(changes: readonly RowChange[], versions: Readonly<Record<string, number>>): void {
    for (const { rowId, value } of changes) {
      const version = versions[rowId] ?? 0;
      this.know(rowId, value && version > 0 ? { id: rowId, version, value } : null);
      this.mine.set(rowId, version);
    }
  }

  /** What both say alike needs no answer; the rest is asked. */
  private onConflict({ changes, stale }: Conflict): void {
    const wanted = new Map(changes.map(({ rowId, value }) => [rowId, value]));
    const open = stale.filter(({ rowId, stored }) => !same(stored?.value ?? null, wanted.get(rowId) ?? null));
    const alike = stale.filter((one) => !open.includes(one));
    for (const { rowId, stored } of alike) {
      this.know(rowId, stored);
      this.mine.set(rowId, stored?.version ?? 0);
    }
    const left = changes.filter(({ rowId }) => !alike.some((one) => one.rowId === rowId));
    if (open.length > 0) this.state.setState({ conflict: { changes: left, stale: open } });
    else this.sender.goOn(left);
  }

  private keepHistory(): void {
    const { history } = this.state.getState();
    if (!this.historyKey || history === EMPTY_HISTORY) return;
    const versions = Object.fromEntries(rowIdsIn(history).map((rowId) => [rowId, this.mine.get(rowId) ?? 0]));
    keep(this.historyKey, { ...history, versions });
  }
}

const asStored = ({ entity, rowId, stored }: Stale) => ({ entity, rowId, row: stored });

function same(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}
