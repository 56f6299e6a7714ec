import type { VisitDocument } from '../../model/document';
import type { RegionValue } from '../../model/regionRow';
import { regionsOf } from '../visit/readings';
import { emptyFinding, type FindingValue } from '../../model/findingRow';
import type { ArguedCandidate } from './argue';

/** A candidate that a person takes on: what is said of it becomes a finding with its regions. */
export interface Accepted {
  regions: { id: string; value: RegionValue }[];
  finding: { id: string; value: FindingValue };
}

/**
 * Makes a finding of a candidate: its outline as the region that is stated, sound surface beside it (or the frame's reference) as
 * what it is compared with, what is seen as the title, and everything that a cause is argued from. The cause itself stays a
 * likelihood: only a check settles it.
 *
 * @param newId - gives ids to what is made
 */
export function acceptCandidate(document: VisitDocument, candidate: ArguedCandidate, newId: () => string): Accepted {
  const { frameId, seen, argued } = candidate;
  const frame = document.rows.frame[frameId]!.value;
  const known = regionsOf(document, frameId);
  const ordinal = Math.max(-1, ...known.map(({ value }) => value.ordinal)) + 1;
  const here: RegionValue = {
    frameId,
    name: seenWords(candidate),
    role: 'reading',
    ordinal,
    shape: { kind: 'poly', points: seen.outline },
  };
  const regions = [{ id: newId(), value: here }];
  const reference = known.find(({ id }) => id === frame.referenceId)?.id ?? null;
  let thatId = reference;
  if (thatId === null && seen.sound !== null) {
    thatId = newId();
    regions.push({
      id: thatId,
      value: { frameId, name: 'sound beside it', role: 'reading', ordinal: ordinal + 1, shape: { kind: 'box', ...seen.sound } },
    });
  }
  const value = emptyFinding(document.visitId, {
    basis: thatId === null ? 'shape' : 'pair',
    frameId,
    stopKey: frame.stopKey,
    title: `${capital(seenWords(candidate))}${placeOf(document, frame.surfaceId, frame.roomId)}`,
    thisRegionId: thatId === null ? null : regions[0]!.id,
    thatRegionId: thatId,
    argued,
  });
  return { regions: thatId === null ? [] : regions, finding: { id: newId(), value } };
}

/** What a place looks like, by the form that was measured. */
const FORM_WORDS: Record<string, string> = {
  line: 'line',
  'bent-line': 'bent line',
  box: 'patch with straight sides',
  'runs-out': 'tongue that fades out',
  spot: 'spot',
  ragged: 'ragged patch',
  patch: 'patch',
};

function seenWords({ seen, argued }: ArguedCandidate): string {
  return `${seen.sign < 0 ? 'cold' : 'warm'} ${FORM_WORDS[argued.measured.evidence.form ?? ''] ?? 'patch'}`;
}

const capital = (words: string) => words[0]!.toUpperCase() + words.slice(1);

function placeOf(document: VisitDocument, surfaceId: string | null, roomId: string | null): string {
  const surface = document.rows.surface[surfaceId ?? '']?.value;
  const room = document.rows.room[surface?.roomId ?? roomId ?? '']?.value;
  const words = [room?.name, surface?.name.toLowerCase()].filter(Boolean).join(', ');
  return words ? `: ${words}` : '';
}
