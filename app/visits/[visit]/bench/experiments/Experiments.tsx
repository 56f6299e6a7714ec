'use client';

import { Modal, Segmented } from 'antd';
import { useState } from 'react';
import { ContactExperiment } from './ContactExperiment';
import { FoilExperiment } from './FoilExperiment';
import { PalmExperiment } from './PalmExperiment';
import { TapeExperiment } from './TapeExperiment';
import type { FrameView } from '@core/work/visit/frameView';

type Kind = 'foil' | 'tape' | 'contact' | 'palm';

const KINDS: { value: Kind; label: string }[] = [
  { value: 'palm', label: 'Palm' },
  { value: 'foil', label: 'Foil' },
  { value: 'tape', label: 'Tape' },
  { value: 'contact', label: 'Contact' },
];

/** Experiments that find what a table can only guess, each step by step. */
export function Experiments({ frame, onClose }: { frame: FrameView; onClose(): void }) {
  const [kind, setKind] = useState<Kind>('foil');
  const Steps = { foil: FoilExperiment, tape: TapeExperiment, contact: ContactExperiment, palm: PalmExperiment }[kind];
  return (
    <Modal open title="Find by experiment" footer={null} onCancel={onClose} width={520}>
      <Segmented<Kind> block aria-label="Experiment" value={kind} onChange={setKind} options={KINDS} />
      <div style={{ marginTop: 14 }}>
        <Steps key={kind} frame={frame} onDone={onClose} />
      </div>
    </Modal>
  );
}
