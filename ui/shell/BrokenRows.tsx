'use client';

import { Alert } from 'antd';
import { entityOf } from '@core/model/entityOf';
import { useVisitPart } from '@ui/visit/VisitProvider';

/** Names what is stored and cannot be read; everything else of the visit works. */
export function BrokenRows() {
  const broken = useVisitPart(({ document }) => document.broken);
  if (broken.length === 0) return null;
  const words = broken.map(({ entity, id, problem }) => `a ${entityOf(entity).label} (${id.slice(-6)}: ${problem})`);
  return (
    <Alert
      type="warning"
      banner
      closable
      title={`${broken.length === 1 ? 'One thing' : `${broken.length} things`} of this visit cannot be read and ${broken.length === 1 ? 'is' : 'are'} not shown: ${words.slice(0, 5).join(', ')}. The rest is whole; nothing was removed.`}
    />
  );
}
