'use client';

import { CheckCircleFilled, CompressOutlined } from '@ant-design/icons';
import { useMemo } from 'react';
import { aimWords } from '@core/method/compare/aim';
import type { Grid } from '@core/ground/grid';
import type { EarlierStop } from '@core/model/document';
import { usePixels } from '@ui/visit/VisitProvider';
import { useAim } from './useAim';
import styles from './Viewfinder.module.css';

/** How well the camera sees again what was seen last time, and where to turn it. */
export function AimChip({ frame: { id, width, height }, now }: { frame: NonNullable<EarlierStop['frame']>; now: Grid | null }) {
  const values = usePixels(id)(id);
  const earlier = useMemo(() => (values ? { width, height, values } : null), [values, width, height]);
  const aim = useAim(earlier, now);
  if (aim === null) return null;
  if (aim === 'elsewhere')
    return (
      <span className={styles.aim} role="status">
        <CompressOutlined /> not what was seen last time
      </span>
    );
  const todo = aimWords(aim);
  return (
    <span className={styles.aim} role="status" data-good={aim.good}>
      {aim.good ? <CheckCircleFilled /> : <CompressOutlined />} {Math.round(100 * aim.overlap)} % as last time
      {!aim.good && todo && `: ${todo}`}
    </span>
  );
}
