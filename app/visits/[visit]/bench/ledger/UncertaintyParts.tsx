'use client';

import { UNCERTAINTY_PARTS, type Uncertainty, type UncertaintyPart } from '@core/method/radiometry/quantity';
import type { CameraValue, Learnable } from '@core/model/cameraRow';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './UncertaintyParts.module.css';

const WORDS: Record<UncertaintyPart, string> = {
  noise: 'noise of the pixels',
  uniformity: 'unevenness over the picture',
  blur: 'surroundings that the blur of the optics brings in',
  emissivity: 'emissivity',
  reflected: 'reflected temperature',
  air: 'temperature of the air',
  path: 'air on the way',
  calibration: 'level of the camera',
  gain: 'slope of the camera, far from its own temperature',
  repeatability: 'from one frame to the next',
};

/** What of a camera each part rests on. */
const OF_CAMERA: Partial<Record<UncertaintyPart, Learnable>> = {
  uniformity: 'uniformityK',
  blur: 'blurPx',
  calibration: 'calibrationK',
  gain: 'gain',
  repeatability: 'repeatabilityK',
};

/** Parts below this share of the whole change nothing. */
const WORTH_SHOWING = 0.02;

/** What a ± is made of, largest first; parts add up as squares. */
export function UncertaintyParts({
  uncertainty,
  of,
  camera,
}: {
  uncertainty: Uncertainty;
  of: string;
  /** Of the frame; null while nobody said which. */
  camera: CameraValue | null;
}) {
  const units = useUnits();
  const assumed = (part: UncertaintyPart) => {
    const field = OF_CAMERA[part];
    if (!field) return '';
    if (!camera) return ' (camera not noted: usual ± taken)';
    return camera.assumed.includes(field) ? ' (assumed, as usual)' : '';
  };
  const parts = UNCERTAINTY_PARTS.map((name) => ({ name, part: uncertainty[name] }))
    .filter(({ part }) => part >= WORTH_SHOWING * uncertainty.total && part > 0)
    .sort((a, b) => b.part - a.part);
  return (
    <details className={styles.parts}>
      <summary aria-label={`What the uncertainty of ${of} is made of`}>
        {units.plusMinus(uncertainty.total)} {units.differenceUnit}: made of
      </summary>
      <ul>
        {parts.map(({ name, part }) => (
          <li key={name}>
            <span>
              {WORDS[name]}
              {assumed(name)}
            </span>
            <b>{units.plusMinus(part)}</b>
            <i style={{ width: `${(100 * part) / uncertainty.total}%` }} aria-hidden="true" />
          </li>
        ))}
      </ul>
    </details>
  );
}
