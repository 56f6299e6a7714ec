import type { VisitDocument } from '../../model/document';
import type { Argued } from '../../model/arguedRow';
import { knownOf } from '../../model/arguedRow';
import { measuredOf } from '../../method/causes/measured';
import { rankCauses, type RankedCause } from '../../method/causes/rank';
import { relevance } from '../../method/causes/relevance';
import type { Circumstance } from '../../method/causes/circumstances';
import type { Row } from '../../model/entities';
import { spansOf } from '../../method/frame/region';
import { circumstancesOf } from './circumstances';
import { settingFor } from './lookAt';
import { movedBetween } from './moved';
import { lastTimeSays, otherSideSays, repeatsInHouse } from './related';
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

/** What other frames hold that speak of the same surface; null for none, and while it is not known. */
export interface Related {
  /** Another frame of the same stop: what moved between both is a reflection. */
  partner: FrameLook | null;
  /** A frame of the other side of the surface. */
  otherSide: { frameId: string; look: FrameLook } | null;
  /** The frame of this stop on the last visit. */
  lastTime: FrameLook | null;
}

const NOTHING_RELATED: Related = { partner: null, otherSide: null, lastTime: null };

/** The candidates of a frame, argued by everything that the visit knows; those that matter most first. */
export function argueFrame(
  document: VisitDocument,
  frameId: string,
  look: FrameLook,
  { partner, otherSide, lastTime }: Related = NOTHING_RELATED,
): ArguedCandidate[] {
  const setting = settingFor(document, frameId);
  const known = circumstancesOf(document, frameId);
  const { width } = document.frameFacts[frameId]!;
  return look.candidates
    .map((seen, index): ArguedCandidate => {
      const finding = findingOn(document, frameId, seen);
      const measured = measuredOf(seen, setting);
      const moved = partner && movedBetween(look, index, partner, width);
      const other = otherSide && otherSideSays(document, frameId, seen, otherSide);
      const since = lastTimeSays(document, frameId, seen, lastTime);
      const circumstances: Circumstance[] = [
        ...known,
        ...(moved ? [`${moved}-between-frames` as const] : []),
        ...(other ? [other] : []),
        ...(since ? [since] : []),
        ...(repeatsInHouse(document, frameId, measured.evidence) ? (['repeats-in-house'] as const) : []),
      ];
      const argued: Argued = finding?.value.argued ?? { measured, circumstances, outcomes: [] };
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
    .sort(mostRelevantFirst);
}

/** Order of a list of candidates: what nothing explains comes last, as there is less to do about it. */
export function mostRelevantFirst(
  a: Pick<ArguedCandidate, 'ranked' | 'relevance'>,
  b: Pick<ArguedCandidate, 'ranked' | 'relevance'>,
): number {
  return Number(isUndecided(a)) - Number(isUndecided(b)) || b.relevance - a.relevance;
}

/** None of the causes that are known is likelier than that it is something else. */
function isUndecided({ ranked }: Pick<ArguedCandidate, 'ranked'>): boolean {
  return ranked[0]!.cause.code === 'unknown';
}

/** The finding on this frame whose region lies where the candidate does. */
function findingOn(document: VisitDocument, frameId: string, { shape: { bbox, centroid } }: Seen): Row<'finding'> | null {
  const { width, height } = document.frameFacts[frameId]!;
  const here = Object.values(document.rows.finding).filter(({ value }) => value.frameId === frameId);
  return (
    here.find(({ value }) => {
      const shape = document.rows.region[value.thisRegionId ?? '']?.value.shape;
      if (!shape || shape.kind === 'beyond') return false;
      const spans = spansOf(shape, width, height);
      const middle = spans[spans.length >> 1];
      if (!middle) return false;
      const [x, y] = [(middle.from + middle.to) / 2, middle.y];
      const holds = spans.some((span) => span.y === Math.round(centroid.y) && span.from <= centroid.x && span.to >= centroid.x);
      const held = x >= bbox.x && x < bbox.x + bbox.width && y >= bbox.y && y < bbox.y + bbox.height;
      return holds || held;
    }) ?? null
  );
}
