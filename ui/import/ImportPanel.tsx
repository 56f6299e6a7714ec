'use client';

import { CloseOutlined } from '@ant-design/icons';
import { Button, Progress } from 'antd';
import type { ReactNode } from 'react';
import type { ImportState } from './useImport';
import styles from './ImportPanel.module.css';

/** More lines than this nobody reads. */
const SHOWN = 100;

/** How an import goes and how it went: count, cancel, and every refusal with its reason. */
export function ImportPanel({
  state,
  onCancel,
  onDismiss,
  children,
}: {
  state: ImportState;
  onCancel(): void;
  onDismiss(): void;
  /** What can be done with what came in. */
  children?: ReactNode;
}) {
  if (state.total === 0 && !state.running) return null;
  const done = state.files.length;
  const count = (outcome: string) => state.files.filter((file) => file.outcome === outcome).length;
  const frames = state.files.reduce((sum, file) => sum + (file.outcome === 'frame' ? (file.pages ?? 1) : 0), 0);
  const telling = state.files.filter((file) => file.words !== '');
  const parts = [
    [frames, 'frame', 'frames'],
    [count('photo'), 'photo', 'photos'],
    [count('evidence'), 'picture without data', 'pictures without data'],
    [count('duplicate'), 'already here', 'already here'],
    [count('refused'), 'refused', 'refused'],
  ] as const;
  const summary = parts
    .filter(([n]) => n > 0)
    .map(([n, one, many]) => `${n} ${n === 1 ? one : many}`)
    .join(' · ');
  const early = state.files.filter((file) => file.early).length;
  const unread = state.total - done;
  return (
    <section className={styles.panel} aria-label="Import" aria-live="polite">
      <header>
        <b>
          {state.running
            ? `${done} of ${state.total} files · ${state.rate.toFixed(1)} a second`
            : summary || 'Nothing was taken in'}
        </b>
        {state.running ? (
          <Button size="small" onClick={onCancel}>
            Cancel
          </Button>
        ) : (
          <Button size="small" type="text" icon={<CloseOutlined />} aria-label="Close the import's summary" onClick={onDismiss} />
        )}
      </header>
      {state.running && <Progress percent={Math.round((100 * done) / Math.max(1, state.total))} size="small" />}
      {!state.running && unread > 0 && (
        <p>
          Cancelled: {unread} {unread === 1 ? 'file was' : 'files were'} not taken in.
        </p>
      )}
      {!state.running && early > 0 && (
        <p>
          {early} {early === 1 ? 'was' : 'were'} taken on a day before this visit: is the camera&apos;s clock right?
        </p>
      )}
      {!state.running && children}
      {telling.length > 0 && (
        <ul>
          {telling.slice(0, SHOWN).map((file, i) => (
            <li key={i} data-outcome={file.outcome}>
              <b>{file.fileName}</b> {file.outcome === 'refused' && 'refused: '}
              {file.words}
            </li>
          ))}
        </ul>
      )}
      {telling.length > SHOWN && <p>And {telling.length - SHOWN} more.</p>}
    </section>
  );
}
