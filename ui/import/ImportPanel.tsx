'use client';

import { CloseOutlined } from '@ant-design/icons';
import { Button, Progress } from 'antd';
import type { ImportState } from './useImport';
import styles from './ImportPanel.module.css';

/** How an import goes and how it went: count, cancel, and every refusal with its reason. */
export function ImportPanel({ state, onCancel, onDismiss }: { state: ImportState; onCancel(): void; onDismiss(): void }) {
  if (state.total === 0) return null;
  const done = state.files.length;
  const count = (outcome: string) => state.files.filter((file) => file.outcome === outcome).length;
  const telling = state.files.filter((file) => file.words !== '');
  const parts = [
    [count('frame'), 'frame', 'frames'],
    [count('photo'), 'photo', 'photos'],
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
        <b>{state.running ? `${done} of ${state.total} files` : summary || 'Nothing was taken in'}</b>
        {state.running ? (
          <Button size="small" onClick={onCancel}>
            Cancel
          </Button>
        ) : (
          <Button size="small" type="text" icon={<CloseOutlined />} aria-label="Close the import's summary" onClick={onDismiss} />
        )}
      </header>
      {state.running && <Progress percent={Math.round((100 * done) / state.total)} size="small" />}
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
      {telling.length > 0 && (
        <ul>
          {telling.map((file, i) => (
            <li key={i} data-outcome={file.outcome}>
              <b>{file.fileName}</b> {file.outcome === 'refused' && 'refused: '}
              {file.words}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
