'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { CloseOutlined } from '@ant-design/icons';
import { App, Button, Dropdown } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import type { Turn } from '@core/method/frame/reshape';
import { roomsOf } from '@core/work/visit/theVisit';
import type { Edit } from '@ui/store/rowStore';
import { useVisit } from '@ui/visit/VisitProvider';
import { BESIDE } from '../beside/SideBySide';
import { DeleteFrames } from './DeleteFrames';
import { useTurn } from '../useTurn';
import styles from './ChosenBar.module.css';

const SideBySide = onDemand(() => import('../beside/SideBySide').then((m) => m.SideBySide));
const ApplySettings = onDemand(() => import('./ApplySettings').then((m) => m.ApplySettings));

interface Props {
  /** The frame that settings are taken from. */
  frameId: string;
  chosen: ReadonlySet<string>;
  onClear(): void;
}

/** What can be done to several frames at once; each is one step of undo. */
export function ChosenBar({ frameId, chosen, onClear }: Props) {
  const { document, edit } = useVisit();
  const { turn, turning } = useTurn();
  const { message } = App.useApp();
  const [applying, setApplying] = useState(false);
  const [beside, setBeside] = useState(false);
  const rows = [...chosen].flatMap((id) => document.rows.frame[id] ?? []);
  if (rows.length === 0) return null;
  const putAll = (label: string, change: Partial<(typeof rows)[number]['value']>) =>
    edit(
      label,
      rows.map((row): Edit => ({ entity: 'frame', rowId: row.id, value: { ...row.value, ...change } })),
    );
  const makeSequence = () => {
    const id = newId();
    const name = rows[0]!.value.name.replace(/[-_ .]*\d+$/, '') || 'Sequence';
    edit(`${rows.length} frames made a sequence`, [
      { entity: 'sequence', rowId: id, value: { visitId: document.visitId, name, intervalS: null } },
      ...rows.map((row): Edit => ({ entity: 'frame', rowId: row.id, value: { ...row.value, sequenceId: id, picked: false } })),
    ]);
    onClear();
  };
  return (
    <div className={styles.bar} role="region" aria-label="Chosen frames">
      <b>
        {rows.length} {rows.length === 1 ? 'frame' : 'frames'} chosen
      </b>
      <Button size="small" type="primary" onClick={() => setApplying(true)}>
        Apply settings …
      </Button>
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            { key: '', label: 'No place yet' },
            ...roomsOf(document).map(({ id, value }) => ({ key: id, label: value.name })),
          ],
          onClick: ({ key }) => putAll(`${rows.length} frames moved to a room`, { roomId: key || null, surfaceId: null }),
        }}
      >
        <Button size="small">Put into a room</Button>
      </Dropdown>
      <Dropdown
        trigger={['click']}
        disabled={turning}
        menu={{
          items: [
            { key: 'left', label: 'to the left' },
            { key: 'right', label: 'to the right' },
            { key: 'half', label: 'upside down' },
            { key: 'mirror', label: 'mirror' },
          ],
          onClick: ({ key }) => void turn([...chosen], key as Turn),
        }}
      >
        <Button size="small" loading={turning}>
          Turn
        </Button>
      </Dropdown>
      {rows.length > 1 && (
        <Button size="small" onClick={makeSequence}>
          Make a sequence
        </Button>
      )}
      <Button
        size="small"
        disabled={rows.length < BESIDE.least || rows.length > BESIDE.most}
        title={`${BESIDE.least} to ${BESIDE.most} frames in one scale`}
        onClick={() => setBeside(true)}
      >
        Side by side
      </Button>
      {beside && (
        <SideBySide
          ids={rows.map(({ id }) => id)}
          onClose={(kept) => {
            setBeside(false);
            if (kept) {
              onClear();
              void message.success('Kept. It is under Findings.', 3);
            }
          }}
        />
      )}
      <DeleteFrames rows={rows} onDeleted={onClear} />
      <Button size="small" type="text" icon={<CloseOutlined />} aria-label="Choose no frames" onClick={onClear} />
      {applying && <ApplySettings frameId={frameId} chosen={rows} onClose={() => setApplying(false)} />}
    </div>
  );
}
