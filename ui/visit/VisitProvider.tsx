'use client';

import { App } from 'antd';
import {
  createContext,
  startTransition,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useReducer,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import type { VisitDocument } from '@core/visit/document';
import type { Values, VisitEntity } from '@core/visit/rows';
import { patientFetch } from '@ui/server/reachable';
import { ConflictDialog } from './ConflictDialog';
import { documentReducer } from './documentReducer';
import {
  afterRedo,
  afterUndo,
  EMPTY_HISTORY,
  reversed,
  withoutRows,
  withStep,
  type History,
  type RowChange,
  type Step,
} from './history';
import { PixelStore } from './pixels';
import { useArrivals } from './useArrivals';
import { ALL_SAVED, Saver, type Conflict, type Saving } from './saver';

/** A change of one row: its new value, or null to remove it. */
export interface Edit {
  entity: VisitEntity;
  rowId: string;
  value: Values[VisitEntity] | null;
  /** What undo goes back to, where that is not what is there now. */
  before?: Values[VisitEntity] | null;
}

interface VisitStore {
  document: VisitDocument;
  saving: Saving;
  /** Changes rows at once, here and (soon after) in the database; one step of undo. */
  edit(label: string, edits: Edit[]): void;
  undo(): void;
  redo(): void;
  /** Labels of what undo and redo would do; null when there is nothing. */
  undoLabel: string | null;
  redoLabel: string | null;
  /**
   * Takes in what was stored meanwhile, for example by an import.
   *
   * @param unhurried - drawn in slices, for hundreds of frames at once
   */
  reload(unhurried?: boolean): Promise<VisitDocument | null>;
  /** Drops steps of undo over rows that were changed as a whole by the server. */
  forgetSteps(rowIds: ReadonlySet<string>): void;
  pixels: PixelStore;
  thumbs: PixelStore;
}

const VisitContext = createContext<VisitStore | null>(null);

export function useVisit(): VisitStore {
  const store = useContext(VisitContext);
  if (!store) throw new Error('useVisit outside of a visit');
  return store;
}

/** A frame's pixels, or undefined while they are on their way. */
export function usePixels(frameId: string | null): (id: string) => Float32Array | undefined {
  const { pixels } = useVisit();
  useArrivals(pixels);
  useEffect(() => {
    if (frameId) pixels.want(frameId);
  }, [pixels, frameId]);
  return useCallback((id: string) => pixels.get(id), [pixels]);
}

interface StoredHistory extends History {
  /** Version of each row that a step touches, as this tab left it. */
  versions: Record<string, number>;
}

function rowsIn(history: History): RowChange[] {
  return [...history.done, ...history.undone].flatMap((step) => step.changes);
}

export function VisitProvider({ initial, children }: { initial: VisitDocument; children: ReactNode }) {
  const { message } = App.useApp();
  const [document, dispatch] = useReducer(documentReducer, initial);
  const [saving, setSaving] = useState<Saving>(ALL_SAVED);
  const [history, setHistory] = useState<History>(EMPTY_HISTORY);
  const [conflicts, setConflicts] = useState<Conflict<VisitEntity>[]>([]);
  const [saver] = useState(() => new Saver<VisitEntity>(versionsOf(initial)));
  const [pixels] = useState(() => knowing(new PixelStore('pixels'), initial));
  const [thumbs] = useState(() => knowing(new PixelStore('thumb'), initial));
  // Versions of rows that another tab changed while this one was closed: undoing them is refused.
  const foreign = useRef(new Map<string, number>());
  const latest = useRef(document);
  const storageKey = `glow-den.undo.${initial.visitId}`;

  useEffect(() => {
    latest.current = document;
  }, [document]);

  const reload = useCallback(
    async (unhurried = false) => {
      for (;;) {
        await saver.idle();
        const response = await patientFetch(`/api/visits/${initial.visitId}/document`);
        if (!response.ok) return null;
        const fresh = (await response.json()) as VisitDocument;
        // Something was changed while it was on its way: what came is older than what is shown.
        if (saver.busy) continue;
        saver.replaceVersions(versionsOf(fresh));
        pixels.know(fresh.frameFacts);
        thumbs.know(fresh.frameFacts);
        const load = () => dispatch({ kind: 'loaded', document: fresh });
        // Drawn in slices only where nothing waits for it: what is changed next has to find what was loaded.
        if (unhurried) startTransition(load);
        else load();
        return fresh;
      }
    },
    [initial.visitId, saver, pixels, thumbs],
  );

  useEffect(() => {
    saver.listen({
      onSaving: setSaving,
      onVersion: (entity, rowId, version) => dispatch({ kind: 'version', entity, rowId, version }),
      onConflict: (conflict) => setConflicts((all) => [...all, conflict]),
      onRefused: (error) => {
        void message.error(`${error.message} ${error.hint}`, 8);
        void reload();
      },
    });
  }, [saver, message, reload]);

  const apply = useCallback(
    (step: Step) => {
      for (const { entity, rowId, after } of step.changes) {
        dispatch({ kind: 'set', entity, rowId, value: after });
        saver.save(entity, rowId, after);
      }
    },
    [saver],
  );

  const edit = useCallback(
    (label: string, edits: Edit[]) => {
      const changes = edits
        .map(({ entity, rowId, value, before }) => ({
          entity,
          rowId,
          before: before ?? latest.current.rows[entity][rowId]?.value ?? null,
          after: value,
        }))
        .filter(({ before, after }) => JSON.stringify(before) !== JSON.stringify(after));
      if (changes.length === 0) return;
      const step = { label, changes };
      setHistory((current) => withStep(current, step));
      apply(step);
    },
    [apply],
  );

  /** Undo and redo of what another tab changed are refused, with both values shown. */
  const travel = useCallback(
    (step: Step | undefined, move: (history: History) => History) => {
      if (!step) return;
      const touched = step.changes.find(({ rowId }) => foreign.current.has(rowId));
      if (touched) {
        const stored = latest.current.rows[touched.entity][touched.rowId] ?? null;
        setConflicts((all) => [...all, { entity: touched.entity, rowId: touched.rowId, yours: touched.after, stored }]);
        return;
      }
      setHistory(move);
      apply(step);
      void message.info(step.label, 1.5);
    },
    [apply, message],
  );
  const forgetSteps = useCallback((rowIds: ReadonlySet<string>) => setHistory((current) => withoutRows(current, rowIds)), []);
  const lastDone = history.done.at(-1);
  const lastUndone = history.undone.at(-1);
  const undo = useCallback(
    () => travel(lastDone && { ...reversed(lastDone), label: `Undone: ${lastDone.label}` }, afterUndo),
    [travel, lastDone],
  );
  const redo = useCallback(
    () => travel(lastUndone && { ...lastUndone, label: `Redone: ${lastUndone.label}` }, afterRedo),
    [travel, lastUndone],
  );

  // Undo survives a reload and ends with the tab.
  useEffect(() => {
    const kept = readKept(storageKey);
    if (!kept) return;
    const { versions: known, ...stored } = kept;
    for (const { rowId } of rowsIn(stored)) {
      if ((known[rowId] ?? 0) !== saver.versionOf(rowId)) foreign.current.set(rowId, known[rowId] ?? 0);
    }
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the session's storage can only be read after hydration
    setHistory(stored);
  }, [storageKey, saver]);
  useEffect(() => {
    if (history === EMPTY_HISTORY || saving.state !== 'saved') return;
    const known = Object.fromEntries(rowsIn(history).map(({ rowId }) => [rowId, saver.versionOf(rowId)]));
    keep(storageKey, { ...history, versions: known });
  }, [history, saving, storageKey, saver]);

  // Leaving with something unsaved asks first.
  useEffect(() => {
    if (saving.state === 'saved') return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [saving]);

  const settle = (conflict: Conflict<VisitEntity>, keep: 'yours' | 'theirs') => {
    const { entity, rowId, yours, stored } = conflict;
    setConflicts((all) => all.filter((one) => one !== conflict));
    foreign.current.delete(rowId);
    saver.know(rowId, stored?.version ?? 0);
    if (keep === 'theirs') {
      dispatch({ kind: 'stored', entity, rowId, row: stored });
    } else {
      dispatch({ kind: 'set', entity, rowId, value: yours });
      saver.save(entity, rowId, yours);
    }
  };

  const store = useMemo<VisitStore>(
    () => ({
      document,
      saving,
      edit,
      undo,
      redo,
      undoLabel: lastDone?.label ?? null,
      redoLabel: lastUndone?.label ?? null,
      reload,
      forgetSteps,
      pixels,
      thumbs,
    }),
    [document, saving, edit, undo, redo, lastDone, lastUndone, reload, forgetSteps, pixels, thumbs],
  );
  return (
    <VisitContext.Provider value={store}>
      {children}
      {conflicts[0] && <ConflictDialog conflict={conflicts[0]} onSettle={settle} />}
    </VisitContext.Provider>
  );
}

/** Undo that a tab kept; nothing where the browser keeps nothing, or something else. */
function readKept(key: string): StoredHistory | null {
  try {
    const kept = JSON.parse(sessionStorage.getItem(key) ?? 'null') as StoredHistory | null;
    return kept && Array.isArray(kept.done) && Array.isArray(kept.undone) ? kept : null;
  } catch {
    return null;
  }
}

/** Undo is a comfort: where there is no room for it, it ends with the page. */
function keep(key: string, history: StoredHistory): void {
  try {
    sessionStorage.setItem(key, JSON.stringify(history));
  } catch {
    sessionStorage.removeItem(key);
  }
}

function knowing(store: PixelStore, document: VisitDocument): PixelStore {
  store.know(document.frameFacts);
  return store;
}

function versionsOf(document: VisitDocument): Map<string, number> {
  return new Map(
    Object.values(document.rows).flatMap((rows) => Object.values(rows).map((row) => [row.id, row.version] as [string, number])),
  );
}
