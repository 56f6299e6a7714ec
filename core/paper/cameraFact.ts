import { type Learnable } from '../model/cameraRow';
import type { VisitDocument } from '../model/document';
import { cameraIdOfFrame, framesOf } from '../work/visit/frames';

export const LEARNABLE_WORDS: Record<Learnable, string> = {
  noiseK: 'noise',
  calibrationK: 'calibration',
  uniformityK: 'uniformity',
  repeatabilityK: 'repeatability',
  gain: 'slope',
  blurPx: 'blur',
  minDistanceM: 'nearest distance',
};

/** Which cameras took the frames of a visit, and what of them nobody said. */
export function cameraFact(document: VisitDocument): string {
  const ids = new Set(framesOf(document).map(({ id }) => cameraIdOfFrame(document, id)));
  if (ids.size === 0) return 'no frames';
  const known = Object.values(document.rows.camera).filter(({ id }) => ids.has(id));
  const named = known.map(({ value: { name, assumed } }) =>
    assumed.length === 0 ? name : `${name} (assumed, as usual: ${assumed.map((field) => LEARNABLE_WORDS[field]).join(', ')})`,
  );
  const unnamed = [...ids].some((id) => id === null || !document.rows.camera[id]);
  return [...named, ...(unnamed ? [named.length > 0 ? 'others not noted: usual ± taken' : 'not noted: usual ± taken'] : [])].join(
    ', ',
  );
}
