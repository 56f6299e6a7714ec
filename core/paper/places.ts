import { roundOf } from '../work/round/round';
import type { VisitDocument } from '../model/document';
import type { FindingValue } from '../model/findingRow';

/** Where a frame was taken, and its name. */
export function placeOfFrame(document: VisitDocument, frameId: string): string {
  const frame = document.rows.frame[frameId]!.value;
  const room = document.rows.room[frame.roomId ?? '']?.value.name ?? 'no place noted';
  return `${room} · ${frame.name}`;
}

/** Where something was found: its frame, else the stop where somebody stood. */
export function placeOfFinding(document: VisitDocument, { frameId, stopKey }: FindingValue): string {
  if (frameId !== null && document.rows.frame[frameId]) return placeOfFrame(document, frameId);
  for (const { name, stops } of roundOf(document).groups) {
    const stop = stops.find(({ key }) => key === stopKey);
    if (stop) return `${name} · ${stop.title}`;
  }
  return 'no place noted';
}

/** The room in which something was found; null outdoors, and for what nobody said. */
export function roomOfFinding(document: VisitDocument, { frameId, stopKey }: FindingValue): string | null {
  const ofFrame = frameId === null ? null : (document.rows.frame[frameId]?.value.roomId ?? null);
  if (ofFrame !== null) return ofFrame;
  const group = roundOf(document).groups.find(({ stops }) => stops.some(({ key }) => key === stopKey));
  return group?.id && document.rows.room[group.id] ? group.id : null;
}
