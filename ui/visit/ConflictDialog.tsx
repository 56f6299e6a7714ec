'use client';

import { Button, Modal } from 'antd';
import type { Entity } from '@core/visit/rows';
import type { Conflict } from './saver';
import styles from './ConflictDialog.module.css';

const NAMES: Record<Entity, string> = {
  region: 'region',
  frame: 'frame',
  settings: 'settings',
  visit: 'visit',
  conditions: 'conditions',
  photo: 'photo',
  finding: 'finding',
  site: 'site',
  intake: 'question',
  plan: 'plan',
  loan: 'loan',
  loanHome: 'home',
  room: 'room',
  surface: 'surface',
  stop: 'stop',
  putBack: 'entry of the put-back list',
  log: 'log',
  kit: 'kit list',
  kitList: 'kit list',
  camera: 'camera',
  instrument: 'instrument',
  handover: 'handover',
  sequence: 'sequence',
  probe: 'probe value',
  material: 'material',
};

/** Fields that are ids or places say nothing to people. */
const HIDDEN = /Id$|^level$|^ordinal$|^key$|[aA]t$/;

/** Another tab changed the same thing: both values side by side, nothing lost until somebody chooses. */
export function ConflictDialog<E extends Entity>({
  conflict,
  onSettle,
}: {
  conflict: Conflict<E>;
  onSettle(conflict: Conflict<E>, keep: 'yours' | 'theirs'): void;
}) {
  const { yours, stored, entity } = conflict;
  const mine = (yours ?? {}) as Record<string, unknown>;
  const theirs = (stored?.value ?? {}) as Record<string, unknown>;
  const fields = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])].filter(
    (field) => !HIDDEN.test(field) && JSON.stringify(mine[field]) !== JSON.stringify(theirs[field]),
  );
  return (
    <Modal
      open
      title={`This ${NAMES[entity]} was changed in another tab`}
      closable={false}
      footer={[
        <Button key="theirs" onClick={() => onSettle(conflict, 'theirs')}>
          Keep what is stored
        </Button>,
        <Button key="yours" type="primary" onClick={() => onSettle(conflict, 'yours')}>
          Use mine instead
        </Button>,
      ]}
    >
      <table className={styles.values}>
        <thead>
          <tr>
            <th scope="col">Field</th>
            <th scope="col">Mine</th>
            <th scope="col">Stored</th>
          </tr>
        </thead>
        <tbody>
          {fields.map((field) => (
            <tr key={field}>
              <th scope="row">{field}</th>
              <td>{yours === null ? 'removed' : shown(mine[field])}</td>
              <td>{stored === null ? 'removed' : shown(theirs[field])}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {fields.length === 0 && <p>One of the two was removed, or both say the same.</p>}
    </Modal>
  );
}

function shown(value: unknown): string {
  if (value === null || value === undefined) return '—';
  if (typeof value !== 'object') return String(value);
  return Object.entries(value)
    .map(([name, part]) => `${name} ${String(part)}`)
    .join(', ');
}
