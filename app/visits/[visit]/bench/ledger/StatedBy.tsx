'use client';

import { Button, Segmented } from 'antd';
import { type By, differenceOf, proposedBy } from '@core/method/frame/reading';
import type { Comparison } from '@core/work/visit/readings';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './Ledger.module.css';

/** What stands for the region in its pair; proposed where the mean hides a part that lies much farther away. */
export function StatedBy({ comparison, onBy }: { comparison: Comparison; onBy(by: By): void }) {
  const units = useUnits();
  const proposed = proposedBy(comparison.this, comparison.that);
  return (
    <div className={styles.statedBy}>
      <Segmented<By>
        size="small"
        aria-label="What the difference is stated by"
        value={comparison.by}
        onChange={onBy}
        options={[
          { value: 'mean', label: 'mean' },
          { value: 'coldest', label: 'coldest part' },
          { value: 'warmest', label: 'warmest part' },
        ]}
      />
      {proposed !== 'mean' && comparison.by === 'mean' && (
        <p className={styles.quiet}>
          The mean hides its {proposed} part:{' '}
          {units.signedDifference(differenceOf(comparison.this, comparison.that, proposed).value)}.{' '}
          <Button size="small" type="link" onClick={() => onBy(proposed)}>
            State that
          </Button>
        </p>
      )}
    </div>
  );
}
