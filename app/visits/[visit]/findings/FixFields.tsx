'use client';

import { WarningOutlined } from '@ant-design/icons';
import { InputNumber, Segmented } from 'antd';
import { FINDING_STATES, type FindingState, STATE_WORDS } from '@core/model/findingBasis';
import { type FindingValue, findingValueSchema } from '@core/model/findingRow';
import { fixCautions } from '@core/work/findings/fixCautions';
import { CommitText } from '@ui/form/CommitText';
import { useVisit } from '@ui/visit/VisitProvider';
import { useMemo } from 'react';
import styles from './Findings.module.css';

/** What became of a finding, and what its fix takes. */
export function FixFields({ value, onPut }: { value: FindingValue; onPut(label: string, change: Partial<FindingValue>): void }) {
  const { document } = useVisit();
  const cautions = useMemo(() => fixCautions(document, value), [document, value]);
  return (
    <div className={styles.fix} role="group" aria-label="The fix">
      <Segmented<FindingState>
        aria-label="What became of it"
        value={value.state}
        options={FINDING_STATES.map((state) => ({ value: state, label: STATE_WORDS[state] }))}
        onChange={(state) => onPut(STATE_WORDS[state], { state })}
      />
      <label>
        <span>The fix takes</span>
        <InputNumber
          aria-label="Length to seal, m"
          value={value.lengthM}
          min={0.01}
          max={500}
          step={0.1}
          suffix="m"
          onChange={(lengthM) => onPut('Length', { lengthM })}
        />
      </label>
      <label>
        <span>of</span>
        <CommitText
          label="Material"
          value={value.material}
          schema={findingValueSchema.shape.material}
          placeholder="foam strip 9 mm"
          onCommit={(material) => onPut('Material', { material })}
        />
      </label>
      {cautions.length > 0 && (
        <ul className={styles.cautions} aria-label="Before the fix">
          {cautions.map((caution) => (
            <li key={caution}>
              <WarningOutlined /> {caution}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
