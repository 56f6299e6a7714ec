import type { CameraValue } from '../camera/cameraRow';
import type { VisitDocument } from '../document';
import type { Row } from '../entities';
import { roomsOf } from './theVisit';

/** Frames that were not taken back. */
export function framesOf(document: VisitDocument): Row<'frame'>[] {
  return Object.values(document.rows.frame).filter(({ value }) => !value.discarded);
}

/** Photos that were not taken back. */
export function photosOf(document: VisitDocument): Row<'photo'>[] {
  return Object.values(document.rows.photo).filter(({ value }) => !value.discarded);
}

export function cameraOfFrame(document: VisitDocument, frameId: string): CameraValue | null {
  return document.rows.camera[document.frameFacts[frameId]!.cameraId ?? '']?.value ?? null;
}

/** When a frame was really taken: by the clock of its camera, less what that clock is known to be ahead. ISO, UTC. */
export function takenAtOf(document: VisitDocument, frameId: string): string {
  const { takenAt } = document.frameFacts[frameId]!;
  const aheadS = cameraOfFrame(document, frameId)?.clockAheadS ?? 0;
  return aheadS === 0 ? takenAt : new Date(Date.parse(takenAt) - 1000 * aheadS).toISOString();
}

/** Frames in the order in which people walk: by room, then by time. */
export function orderedFrames(document: VisitDocument): Row<'frame'>[] {
  const place = new Map(roomsOf(document).map(({ id }, i) => [id, i]));
  const key = (row: Row<'frame'>) => (row.value.roomId === null ? Infinity : (place.get(row.value.roomId) ?? Infinity));
  const time = (row: Row<'frame'>) => takenAtOf(document, row.id);
  return framesOf(document).sort(
    (a, b) =>
      (key(a) === key(b) ? 0 : key(a) - key(b)) ||
      time(a).localeCompare(time(b)) ||
      document.frameFacts[a.id]!.page - document.frameFacts[b.id]!.page ||
      a.id.localeCompare(b.id),
  );
}
