'use client';

import { Segmented } from 'antd';
import toolbar from '../Toolbar.module.css';
import styles from './Candidates.module.css';

/** What the side of the bench shows: the numbers of regions, or what deserves a look. */
export function SideHead({ looking, onLook }: { looking: boolean; onLook(looking: boolean): void }) {
  return (
    <Segmented<'numbers' | 'look'>
      block
      className={styles.head!}
      aria-label="What the side shows"
      value={looking ? 'look' : 'numbers'}
      onChange={(shown) => onLook(shown === 'look')}
      options={[
        { value: 'numbers', label: 'Numbers' },
        {
          value: 'look',
          label: (
            <>
              Places <kbd className={toolbar.key}>W</kbd>
            </>
          ),
        },
      ]}
    />
  );
}
