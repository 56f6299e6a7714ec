'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { reflectedFromFoil } from '@core/method/radiometry/experiments';
import type { Level } from '@core/method/radiometry/settings';
import { cameraErrorsFor } from '@core/work/visit/settingsInForce';
import { useVisit } from '@ui/visit/VisitProvider';
import dialog from '../Dialogs.module.css';
import {
  LevelSelect,
  OutcomeView,
  reflectedFound,
  RegionSelect,
  tried,
  useKeep,
  useSeen,
  useSurroundings,
  useWords,
  type ExperimentProps,
} from './parts';

/** Reflected apparent temperature from crumpled foil. */
export function FoilExperiment({ frame, onDone }: ExperimentProps) {
  const { document } = useVisit();
  const [regionId, setRegion] = useState<string | null>(null);
  const [level, setLevel] = useState<Level>('frame');
  const seen = useSeen(frame, regionId);
  const { air } = useSurroundings(frame);
  const { keep, time } = useKeep(frame);
  const words = useWords();
  const { outcome, problem } = tried(() => seen && reflectedFromFoil(seen, air, cameraErrorsFor(document, frame.id)));
  return (
    <div className={dialog.fields}>
      <ol className={dialog.steps} style={{ gridColumn: '1 / -1' }}>
        <li>Crumple foil, smooth it again and hold it where the target is, facing as the target does.</li>
        <li>Stand where you stand for the target; take a frame.</li>
        <li>Draw a box on the foil in that frame, and choose it here.</li>
      </ol>
      <RegionSelect frame={frame} label="The foil" value={regionId} onChange={setRegion} />
      <OutcomeView outcome={outcome} problem={problem} words={words.reflected} />
      <LevelSelect frame={frame} regionId={null} value={level} onChange={setLevel} />
      <div>
        <Button
          type="primary"
          disabled={!outcome}
          onClick={() => {
            keep(level, null, reflectedFound(outcome!, `foil, ${time}`), 'Reflected temperature from foil');
            onDone();
          }}
        >
          Keep the reflected temperature
        </Button>
      </div>
    </div>
  );
}
