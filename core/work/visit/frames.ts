import type { CameraValue } from '../../model/cameraRow';
import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { derived, groupedBy } from '../../ground/derived';
import { roomsOf, visitRow } from './theVisit';

/** Frames that were not taken back. */
export const framesOf = derived(
  (document: VisitDocument) => [document.rows.frame],
  ({ rows }): readonly Row<'frame'>[] => Object.values(rows.frame).filter(({ value }) => !value.discarded),
);

/** Photos that were not taken back. */
export const photosOf = derived(
  (document: VisitDocument) => [document.rows.photo],
  ({ rows }): readonly Row<'photo'>[] => Object.values(rows.photo).filter(({ value }) => !value.discarded),
);

/** The camera that took a frame: the one that was noted with it, else the visit's; null while nobody said. */
export function cameraIdOfFrame(document: VisitDocument, frameId: string): string | null {
  return document.frameFacts[frameId]!.cameraId ?? visitRow(document).value.cameraId;
}

export function cameraOfFrame(document: VisitDocument, frameId: string): CameraValue | null {
  return document.rows.camera[cameraIdOfFrame(document, frameId) ?? '']?.value ?? null;
}

/** When a frame was really taken: by the clock of its camera, less what that clock is known to be ahead. ISO, UTC. */
export function takenAtOf(document: VisitDocument, frameId: string): string {
  const { takenAt } = document.frameFacts[frameId]!;
  const aheadS = cameraOfFrame(document, frameId)?.clockAheadS ?? 0;
  return aheadS === 0 ? takenAt : new Date(Date.parse(takenAt) - 1000 * aheadS).toISOString();
}

/** Frames in the order in which people walk: by room, then by time. */
export const orderedFrames = derived(
  (document: VisitDocument) => [
    document.rows.frame,
    document.rows.room,
    document.rows.camera,
    document.rows.visit,
    document.frameFacts,
  ],
  (document): readonly Row<'frame'>[] => {
    const rooms = new Map(roomsOf(document).map(({ id }, i) => [id, i]));
    return framesOf(document)
      .map((row) => ({
        row,
        room: rooms.get(row.value.roomId ?? '') ?? Infinity,
        time: Date.parse(takenAtOf(document, row.id)),
        page: document.frameFacts[row.id]!.page,
      }))
      .sort(
        (a, b) =>
          (a.room === b.room ? 0 : a.room - b.room) || a.time - b.time || a.page - b.page || (a.row.id < b.row.id ? -1 : 1),
      )
      .map(({ row }) => row);
  },
);

/** The moments of each recording, in order. */
const momentsBySequence = derived(
  (document: VisitDocument) => [orderedFrames(document)],
  (document) => groupedBy(orderedFrames(document), ({ value }) => value.sequenceId ?? ''),
);

/** The moments of a recording, in order. */
export function momentsOf(document: VisitDocument, sequenceId: string): readonly Row<'frame'>[] {
  return momentsBySequence(document).get(sequenceId) ?? [];
}
