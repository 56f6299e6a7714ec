'use client';

import { lastTails, turnWords } from '@core/work/heating/balance';
import { emitterState } from '@core/work/heating/emitterState';
import type { BalanceAdvice } from '@core/method/heating/balance/state';
import { useUnits } from '@ui/units/UnitProvider';
import { FacePicture } from './FacePicture';
import { useFaces, useHeatPixels } from './useJudged';
import { useHeat } from './useHeat';
import heat from './Heat.module.css';
import styles from './EmitterCards.module.css';

/** One card for each emitter: its face, its state, its drop. */
export function EmitterCards({
  chosen,
  onChoose,
  advice = null,
}: {
  chosen: string | null;
  onChoose?: (id: string) => void;
  advice?: BalanceAdvice | null;
}) {
  const { document, emitters } = useHeat();
  const units = useUnits();
  const faces = useFaces();
  const pixels = useHeatPixels();
  return (
    <ul className={styles.cards} aria-label="Emitters">
      {emitters.map((emitter, k) => {
        const face = faces.get(emitter.id) ?? null;
        const tails = lastTails(document, emitter.id, pixels);
        const drop = tails ? tails.flowC - tails.returnC : null;
        const state = emitterState(document, emitter, face, drop, advice);
        const content = (
          <>
            <b>
              {k + 1} {emitter.name}
            </b>
            <span className={heat.chip} data-tone={state.tone}>
              {state.words}
            </span>
            {face ? (
              <FacePicture
                frameId={face.row.value.frameId}
                box={face.row.value.box}
                className={styles.face}
                label={`${emitter.name}: mean ${units.temperature(face.meanC)}, ${Math.round(100 * face.coldShare)} % cold`}
              />
            ) : (
              <span className={styles.noFace}>no frame yet</span>
            )}
            <span className={styles.drop}>
              <b>{drop === null ? '–' : units.difference(drop)}</b>
              <small>
                {tails
                  ? `${units.bareTemperature(tails.flowC)} → ${units.bareTemperature(tails.returnC)}`
                  : emitter.turns === null
                    ? 'lockshield not noted'
                    : `${turnWords(emitter.turns)} turns`}
              </small>
            </span>
          </>
        );
        return (
          <li key={emitter.id}>
            {onChoose ? (
              <button
                type="button"
                className={styles.card}
                aria-pressed={emitter.id === chosen}
                onClick={() => onChoose(emitter.id)}
              >
                {content}
              </button>
            ) : (
              <div className={styles.card} data-now={emitter.id === chosen}>
                {content}
              </div>
            )}
          </li>
        );
      })}
    </ul>
  );
}
