'use client';

import { Button, Select } from 'antd';
import { useState } from 'react';
import { emissivityFromContact } from '@core/method/radiometry/experiments';
import type { Level } from '@core/method/radiometry/settings';
import { probeReading } from '@core/work/visit/probes';
import { cameraErrorsFor } from '@core/work/visit/settingsInForce';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import dialog from '../Dialogs.module.css';
import { probesOf } from '../ledger/probes';
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

/** Emissivity from a contact thermometer on the surface. */
export function ContactExperiment({ frame, onDone }: ExperimentProps) {
  const { document } = useVisit();
  const units = useUnits();
  const probes = probesOf(document, frame.id);
  const [regionId, setRegion] = useState<string | null>(null);
  const [probeId, setProbe] = useState<string | null>(probes[0]?.id ?? null);
  const [level, setLevel] = useState<Level>('region');
  const seen = useSeen(frame, regionId);
  const around = useSurroundings(frame);
  const { keep, time } = useKeep(frame);
  const words = useWords();
  const probe = document.rows.probe[probeId ?? ''];
  const { outcome, problem } = tried(() =>
    seen && probe
      ? emissivityFromContact(seen, probeReading(document, probe.value), around, cameraErrorsFor(document, frame.id))
      : null,
  );
  return (
    <div className={dialog.fields}>
      <ol className={dialog.steps} style={{ gridColumn: '1 / -1' }}>
        <li>Hold the contact thermometer on the surface until it stands still. Never on live parts.</li>
        <li>Take it away, take a frame, and add what it showed as a probe value.</li>
        <li>Draw a box where it was.</li>
      </ol>
      <span id="contact-probe">It showed</span>
      <Select
        aria-labelledby="contact-probe"
        value={probeId}
        placeholder="Add a probe value first"
        onChange={setProbe}
        options={probes.map(({ id, value }) => ({
          value: id,
          label: `${value.name}: ${units.temperature(probeReading(document, value).celsius)}`,
        }))}
      />
      <RegionSelect frame={frame} label="The surface" value={regionId} onChange={setRegion} />
      <OutcomeView outcome={outcome} problem={problem} words={words.emissivity} />
      <LevelSelect
        frame={frame}
        regionId={regionId}
        value={regionId || level !== 'region' ? level : 'frame'}
        onChange={setLevel}
      />
      <div>
        <Button
          type="primary"
          disabled={!outcome}
          onClick={() => {
            const found = emissivityFound(outcome!, `contact thermometer, ${time}`);
            keep(level, regionId, found, 'Emissivity from a contact thermometer');
            onDone();
          }}
        >
          Keep the emissivity
        </Button>
      </div>
    </div>
  );
}
