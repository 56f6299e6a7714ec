import { BUILD_UPS } from './wallLayers';
import { balancedLoss, type Face, faceAfter, faceMemory, type FaceMemory, type Films } from './wallFaces';
import { drivesOf, type WallHistory } from './wallHistory';
import type { Wall } from './wallMemory';

/** Films, W/m²K: ISO 6946 inside, a calm evening outside. */
const FILMS: Films = { outer: 15, inner: 7.7 };
/** A contrast below this share of what it should be, or of the wrong sign, is taken as so much. */
const LEAST_SHARE = 0.05;

/** How far walls of a kind are from balance after what they stood in. */
export interface OffBalance {
  /** Mean over the usual build-ups of |ln|, as the Hours board counts it. */
  off: number;
  /** Contrast of a usual fault over that in balance; the mean. */
  share: number;
}

/**
 * How far the contrast of a usual fault is from what it would be in balance with the air at the end of a history: the Hours
 * board's measure, with the same build-ups, for a moment that is known by readings.
 *
 * @throws CoreError `malformed` for a history that cannot be used
 */
export function offBalance(kind: Wall, history: WallHistory, face: Face): OffBalance {
  const drives = drivesOf(history, FILMS.outer);
  const last = history.at(-1)!;
  const drive = last.insideC - last.outsideC;
  const memories = memoriesOf(kind, face);
  const shares = BUILD_UPS[kind].map(({ sound, fault }, i) => {
    const [ofSound, ofFault] = memories[i]!;
    const shows = faceAfter(ofFault, drives).faceC - faceAfter(ofSound, drives).faceC;
    const loss = balancedLoss(fault, FILMS, face) - balancedLoss(sound, FILMS, face);
    const balanced = (face === 'inner' ? -1 : 1) * loss * drive;
    return Math.abs(balanced) < 1e-3 ? LEAST_SHARE : Math.max(LEAST_SHARE, shows / balanced);
  });
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  return { off: mean(shares.map((share) => Math.abs(Math.log(share)))), share: mean(shares) };
}

const kept = new Map<string, (readonly [FaceMemory, FaceMemory])[]>();

/** The same for every visit: the ribbon asks with each change of a document. */
function memoriesOf(kind: Wall, face: Face): (readonly [FaceMemory, FaceMemory])[] {
  const key = `${kind} ${face}`;
  const found =
    kept.get(key) ??
    BUILD_UPS[kind].map(({ sound, fault }) => [faceMemory(sound, FILMS, face), faceMemory(fault, FILMS, face)] as const);
  kept.set(key, found);
  return found;
}
