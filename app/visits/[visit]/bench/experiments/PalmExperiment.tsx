'use client';

import { Button, Space } from 'antd';
import { useState } from 'react';
import type { Level } from '@core/method/radiometry/settings';
import dialog from '../Dialogs.module.css';
import { LevelSelect, RegionSelect, useKeep, type ExperimentProps } from './parts';

/** Can this surface be read at all? A palm tells in five seconds. */
export function PalmExperiment({ frame, onDone }: ExperimentProps) {
  const [regionId, setRegion] = useState<string | null>(null);
  const [level, setLevel] = useState<Level>('frame');
  const { keep } = useKeep(frame);
  const answer = (palm: 'emits' | 'mirror') => {
    keep(level, regionId, { palm }, palm === 'emits' ? 'A palm print stays' : 'A palm leaves no print');
    onDone();
  };
  return (
    <div className={dialog.fields}>
      <ol className={dialog.steps} style={{ gridColumn: '1 / -1' }}>
        <li>Press your palm on the surface for some seconds. Never on live parts, hot pipes or wet plaster.</li>
        <li>Take it away and look: does a print stay for a moment?</li>
      </ol>
      <RegionSelect frame={frame} label="Where" value={regionId} onChange={setRegion} />
      <LevelSelect frame={frame} regionId={regionId} value={level} onChange={setLevel} />
      <Space style={{ gridColumn: '1 / -1' }}>
        <Button type="primary" onClick={() => answer('emits')}>
          A print stays
        </Button>
        <Button onClick={() => answer('mirror')}>No print, only a reflection</Button>
      </Space>
    </div>
  );
}
