import type { VisitDocument } from '../document';
import type { Argued } from '../causes/arguedRow';
import { knownOf } from '../causes/arguedRow';
import { measuredOf } from '../causes/measured';
import { rankCauses, type RankedCause } from '../causes/rank';
import { relevance } from '../causes/relevance';
import type { Circumstance } from '../causes/circumstances';
import type { Row } from '../entities';
import { circumstancesOf } from './circumstances';
import { settingFor } from './lookAt';
import { rulingOn } from './rulings';
import type { FrameLook, Seen } from './seen';

/** A candidate of a frame with its likely causes. */
export interface ArguedCandidate {
  frameId: string;
  /** Place among the frame's candidates: names it as long as the frame's look does not change. */
  index: number;
  seen: Seen;
  argued: Argued;
  ranked: RankedCause[];
  relevance: number;
  /** What somebody said of it. */
  ruling: Row<'ruling'> | null;
  /** The finding that it became. */
  finding: Row<'finding'> | null;
}

/**
 * The candidates of a frame, argued by everything that the visit knows; those that matter most first.
 *
 * @param more - circumstances that were found by comparing frames
 */
export function argueFrame(
  document: VisitDocument,
  frameId: string,
  look: FrameLook,
  more: readonly Circumstance[] = [],
): ArguedCandidate[] {
  const setting = settingFor(document, frameId);
  const circumstances = [...circumstancesOf(document, frameId), ...more];
  return look.candidates
    .map((seen, index): ArguedCandidate => {
      const finding = findingOn(document, frameId, seen);
      const argued: Argued = finding?.value.argued ?? { measured: measuredOf(seen, setting), circumstances, outcomes: [] };
      const ranked = rankCauses(knownOf(argued));
      return {
        frameId,
        index,
        seen,
        argued,
        ranked,
        relevance: relevance(seen, ranked),
        ruling: rulingOn(document, frameId, seen),
        finding,
      };
    })
    .sort((a, b) => b.relevance - a.relevance);
}

/** The finding whose region lies where the candidate does. */
function findingOn(document: VisitDocument, frameId: string, { shape: { centroid } }: Seen): Row<'finding'> | null {
  for (const finding of Object.values(document.rows.finding)) {
    if (finding.value.frameId !== frameId || finding.value.argued === null) continue;
    const region = document.rows.region[finding.value.thisRegionId ?? '']?.value.shape;
    if (!region) continue;
    const points =
      region.kind === 'poly'
        ? region.points
        : region.kind === 'box'
          ? [
              [region.x, region.y],
              [region.x + region.width, region.y + region.height],
            ]
          : [];
    const xs = points.map(([x]) => x!);
    const ys = points.map(([, y]) => y!);
    if (
      Math.min(...xs) <= centroid.x &&
      Math.max(...xs) >= centroid.x &&
      Math.min(...ys) <= centroid.y &&
      Math.max(...ys) >= centroid.y
    )
      return finding;
  }
  return null;
}
