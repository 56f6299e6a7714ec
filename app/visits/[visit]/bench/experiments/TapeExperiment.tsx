'use client';

import { Button, InputNumber } from 'antd';
import { useState } from 'react';
import { emissivityFromTape, TAPE } from '@core/method/radiometry/experiments';
import type { Level } from '@core/method/radiometry/settings';
import { cameraErrorsFor } from '@core/work/visit/settingsInForce';
import { useVisit } from '@ui/visit/VisitProvider';
import dialog from '../Dialogs.module.css';
import {
  emissivityFound,
  LevelSelect,
  OutcomeView,
  RegionSelect,
  tried,
  useKeep,
  useSeen,
  useSurroundings,
  useWords,
  type ExperimentProps,
} from './parts';

/** Emissivity from a patch of tape beside the bare surface. */
export function TapeExperiment({ frame, onDone }: ExperimentProps) {
  const { document } = useVisit();
  const [bareId, setBare] = useState<string | null>(null);
  const [tapeId, setTape] = useState<string | null>(null);
  const [tape, setTapeValue] = useState<number | null>(TAPE.value);
  const [level, setLevel] = useState<Level>('region');
  const bare = useSeen(frame, bareId);
  const taped = useSeen(frame, tapeId);
  const around = useSurroundings(frame);
  const { keep, time } = useKeep(frame);
  const words = useWords();
  const { outcome, problem } = tried(() =>
    bare && taped && bareId !== tapeId && tape !== null
      ? emissivityFromTape(
          bare,
          taped,
          { value: tape, uncertainty: TAPE.uncertainty },
          around,
          cameraErrorsFor(document, frame.id),
        )
      : null,
  );
  return (
    <div className={dialog.fields}>
      <ol className={dialog.steps} style={{ gridColumn: '1 / -1' }}>
        <li>Stick matt tape on the surface, press it down, wait a minute. Never on live parts.</li>
        <li>The surface should differ from its surroundings by 10 K or more. Read the foil first.</li>
        <li>Draw one box on the tape and one on the bare surface beside it.</li>
      </ol>
      <RegionSelect frame={frame} label="The tape" value={tapeId} onChange={setTape} />
      <RegionSelect frame={frame} label="The bare surface" value={bareId} onChange={setBare} />
      <label htmlFor="tape-emissivity">Emissivity of the tape</label>
      <InputNumber id="tape-emissivity" value={tape} min={0.5} max={1} step={0.01} onChange={setTapeValue} />
      <OutcomeView outcome={outcome} problem={problem} words={words.emissivity} />
      <LevelSelect frame={frame} regionId={bareId} value={bareId || level !== 'region' ? level : 'frame'} onChange={setLevel} />
      <div>
        <Button
          type="primary"
          disabled={!outcome}
          onClick={() => {
            const found = emissivityFound(outcome!, `tape, ${time}`);
            keep(level, bareId, found, 'Emissivity from tape');
            onDone();
          }}
        >
          Keep the emissivity
        </Button>
      </div>
    </div>
  );
}
