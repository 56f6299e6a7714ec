import { framesOf } from '../visit/frames';
import { onlyRow, roomsOf, visitRow } from '../visit/theVisit';
import type { CameraValue } from '../camera/cameraRow';
import type { VisitDocument } from '../document';
import type { Row } from '../entities';
import type { StopValue } from './stopRow';
import { derived } from '../rows/derived';
import { rowIdFrom } from '../rows/rowId';
import { STAND_IN_CAMERA } from '../camera/standInCamera';
import { coverageOf, outcomesOf, type Coverage, type Outcome } from './coverage';
import { stopGroups, type Stop, type StopGroup } from './stops';

/** The round of a visit as it stands: its stops, what became of each, and how much is done. */
export interface Round {
  groups: readonly StopGroup[];
  /** In the order of the walk. */
  stops: readonly Stop[];
  outcomes: ReadonlyMap<string, Outcome>;
  coverage: Coverage;
}

export const roundOf = derived(
  ({ rows }: VisitDocument) => [rows.stop, rows.frame, rows.room, rows.surface, rows.intake],
  (document): Round => {
    const answers = Object.values(document.rows.stop);
    const taken = framesOf(document).flatMap(({ value }) => value.stopKey ?? []);
    const groups = stopGroups(
      { rooms: roomsOf(document), surfaces: Object.values(document.rows.surface) },
      onlyRow(document, 'intake').value,
      new Set([...answers.filter(({ value }) => value.answer !== null).map(({ value }) => value.key), ...taken]),
    );
    const outcomes = outcomesOf(
      groups,
      answers,
      framesOf(document).map(({ value }) => value),
    );
    const stops = groups.flatMap((group) => group.stops);
    return { groups, stops, outcomes, coverage: coverageOf(stops, outcomes) };
  },
);

/** What is stored of a stop, or what would be stored first. */
export function stopRowOf(document: VisitDocument, key: string): Row<'stop'> {
  const id = rowIdFrom(document.visitId, key);
  const empty: StopValue = {
    visitId: document.visitId,
    key,
    answer: null,
    reason: '',
    note: '',
    probes: [],
    openedAt: null,
    answeredAt: null,
  };
  return document.rows.stop[id] ?? { id, version: 0, value: empty };
}

/** The camera of the visit; the stand-in while nobody chose one. */
export function cameraOf(document: VisitDocument): { id: string; value: CameraValue } {
  const { cameraId } = visitRow(document).value;
  return (cameraId === null ? undefined : document.rows.camera[cameraId]) ?? STAND_IN_CAMERA;
}

/** What still has to be put back, the oldest first. */
export function openChanges(document: VisitDocument): Row<'putBack'>[] {
  return Object.values(document.rows.putBack)
    .filter(({ value }) => value.putBackAt === null)
    .sort((a, b) => a.value.changedAt - b.value.changedAt);
}
