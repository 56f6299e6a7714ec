'use client';

import { Segmented } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { coldSharesOf, framesOfShares, stagesSeen } from '@core/work/heating/coldShares';
import { FACE_STAGES, STAGE_WORDS, type FaceStage } from '@core/method/heating/stages';
import { percent } from '@core/ground/format';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';
import { EmitterCamera } from './EmitterCamera';
import { FlushMarks } from './FlushMarks';
import { FlushSteps } from './FlushSteps';
import { FlushWater } from './FlushWater';
import { PdfButton } from '@ui/pdf/PdfButton';
import { NoEmitters } from './Radiators';
import { useHeat } from './useHeat';
import heat from './Heat.module.css';
import styles from './Flush.module.css';

/** The log of a flush in the order of work, with the cold share of every face as its proof. */
export function Flush() {
  const { document, emitters } = useHeat();
  if (emitters.length === 0) return <NoEmitters visitId={document.visitId} />;
  return (
    <div className={heat.columns}>
      <div className={heat.main}>
        <Faces />
        <FlushMarks />
        <FlushWater />
        <div className={heat.row}>
          <PdfButton what="flush">Certificate (PDF)</PdfButton>
        </div>
      </div>
      <aside className={heat.side}>
        <FlushSteps />
      </aside>
    </div>
  );
}

/** Cold shares as bars, stage by stage; and frames of the stage that is on. */
function Faces() {
  const { document, pixels } = useVisit();
  const { emitters } = useHeat();
  const get = usePixels(null);
  const needed = useMemo(() => framesOfShares(document), [document]);
  useEffect(() => {
    for (const id of needed) pixels.want(id);
  }, [needed, pixels]);
  const shares = coldSharesOf(document, get);
  const seen = stagesSeen(shares);
  const [stage, setStage] = useState<FaceStage>(() => seen.at(-1) ?? 'found');
  const [emitterId, setEmitter] = useState<string | null>(null);
  const missing = shares.filter(({ shares: of }) => of[stage] === null).map(({ emitter }) => emitter.id);
  const current = emitters.find(({ id }) => id === (emitterId ?? missing[0]));
  return (
    <section className={heat.card}>
      <h2>Cold share of every face</h2>
      <Segmented
        aria-label="Stage of the work"
        value={stage}
        options={FACE_STAGES.map((one) => ({ value: one, label: STAGE_WORDS[one] }))}
        onChange={(next) => {
          setStage(next);
          setEmitter(null);
        }}
      />
      <div className={styles.bars} role="table" aria-label="Cold share by stage">
        <div role="row" className={styles.line}>
          <span role="columnheader">Emitter</span>
          {(seen.length > 0 ? seen : [stage]).map((one) => (
            <span role="columnheader" key={one}>
              {STAGE_WORDS[one]}
            </span>
          ))}
        </div>
        {shares.map(({ emitter, shares: of }) => (
          <button
            type="button"
            role="row"
            key={emitter.id}
            className={styles.line}
            aria-selected={emitter.id === current?.id}
            onClick={() => setEmitter(emitter.id)}
          >
            <span role="cell">{emitter.name}</span>
            {(seen.length > 0 ? seen : [stage]).map((one) => (
              <span role="cell" key={one} className={styles.cell}>
                {of[one] === null ? '–' : of[one] === undefined ? '…' : percent(of[one])}
                {typeof of[one] === 'number' && <i style={{ width: `${Math.round(100 * of[one])}%` }} />}
              </span>
            ))}
          </button>
        ))}
      </div>
      <p className={heat.quiet}>
        {emitters.length - missing.length} of {emitters.length} have a frame of this stage. Stand where you stood before.
      </p>
      {current && (
        <>
          <h2>
            {STAGE_WORDS[stage]}: {current.name}
          </h2>
          <div className={styles.camera}>
            <EmitterCamera
              key={`${stage} ${current.id}`}
              emitter={current}
              stage={stage}
              walk={null}
              onTaken={() => setEmitter(null)}
            />
          </div>
        </>
      )}
    </section>
  );
}
