import { framesOf } from '../visit/frames';
import { frontAzimuthOf, onlyRow, roomsOf, visitRow } from '../visit/theVisit';
import type { CameraValue } from '../../model/cameraRow';
import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import type { StopValue } from '../../model/stopRow';
import { derived } from '../../ground/derived';
import { rowIdFrom } from '../../ground/rowId';
import { STAND_IN_CAMERA } from '../../model/standInCamera';
import { coverageOf, outcomesOf, type Coverage, type Outcome } from './coverage';
import { type House, stopGroups, type Stop, type StopGroup } from './stops';

/** The round of a visit as it stands: its stops, what became of each, and how much is done. */
export interface Round {
  groups: readonly StopGroup[];
  /** In the order of the walk. */
  stops: readonly Stop[];
  outcomes: ReadonlyMap<string, Outcome>;
  coverage: Coverage;
}

function houseOf(document: VisitDocument): House {
  const { surface, ownStop, service } = document.rows;
  return {
    rooms: roomsOf(document),
    surfaces: Object.values(surface),
    own: Object.values(ownStop),
    services: Object.values(service),
    frontAzimuth: frontAzimuthOf(document),
  };
}

export const roundOf = derived(
  ({ rows }: VisitDocument) => [
    rows.stop,
    rows.frame,
    rows.room,
    rows.surface,
    rows.ownStop,
    rows.service,
    rows.site,
    rows.intake,
  ],
  (document): Round => {
    const answers = Object.values(document.rows.stop);
    const taken = framesOf(document).flatMap(({ value }) => value.stopKey ?? []);
    const groups = stopGroups(
      houseOf(document),
      onlyRow(document, 'intake').value,
      new Set([...answers.filter(({ value }) => value.answer !== null).map(({ value }) => value.key), ...taken]),
      new Set(answers.filter(({ value }) => value.struck).map(({ value }) => value.key)),
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

/** Stops that were taken off the round by hand, as they would stand on it. */
export function struckStops(document: VisitDocument): { group: string; stop: Stop; row: Row<'stop'> }[] {
  const struck = new Map(
    Object.values(document.rows.stop).flatMap((row) => (row.value.struck ? [[row.value.key, row] as const] : [])),
  );
  if (struck.size === 0) return [];
  const groups = stopGroups(houseOf(document), onlyRow(document, 'intake').value, new Set(struck.keys()));
  return groups.flatMap(({ name, stops }) =>
    stops.flatMap((stop) => {
      const row = struck.get(stop.key);
      return row ? [{ group: name, stop, row }] : [];
    }),
  );
}

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
    struck: false,
    openedAt: null,
    answeredAt: null,
  };
  return document.rows.stop[id] ?? { id, version: 0, value: empty };
}

/** The camera of the visit: in practice the stand-in while nobody chose one; in a real visit null until somebody says. */
export function cameraOf(document: VisitDocument): { id: string; value: CameraValue } | null {
  const { cameraId, practice } = visitRow(document).value;
  return (cameraId === null ? undefined : document.rows.camera[cameraId]) ?? (practice ? STAND_IN_CAMERA : null);
}

/** What still has to be put back, the oldest first. */
export function openChanges(document: VisitDocument): Row<'putBack'>[] {
  return Object.values(document.rows.putBack)
    .filter(({ value }) => value.putBackAt === null)
    .sort((a, b) => a.value.changedAt - b.value.changedAt);
}
