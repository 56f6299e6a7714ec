'use client';

import { Button } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './EmptyRound.module.css';

/** A round needs a house; a site without rooms is told so, and where they come from. */
export function EmptyRound() {
  const { document } = useVisit();
  return (
    <div className={styles.empty}>
      <h1>The round follows from the house</h1>
      <p>
        Rooms, what their walls are made of and what lies behind them decide what to look at, in which order and from how far
        away. Begin with a template and correct it; it takes a few minutes.
      </p>
      <QuickLink href={`/visits/${document.visitId}/round/house`}>
        <Button type="primary" size="large">
          Build the house
        </Button>
      </QuickLink>
    </div>
  );
}
