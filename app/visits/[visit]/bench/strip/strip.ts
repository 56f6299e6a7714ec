import { orderedFrames, photosOf, momentsOf } from '@core/work/visit/frames';
import { derived } from '@core/ground/derived';
import { roomsOf } from '@core/work/visit/theVisit';
import type { VisitDocument } from '@core/model/document';
import type { Row } from '@core/model/entities';

/** What stands in the film strip, from left to right. */
export type StripItem =
  | { kind: 'room'; key: string; words: string }
  | { kind: 'frame'; key: string; frame: Row<'frame'> }
  /** A recording: one picture for all its moments. */
  | { kind: 'sequence'; key: string; sequence: Row<'sequence'>; frames: readonly Row<'frame'>[] }
  | { kind: 'evidence'; key: string; photo: Row<'photo'> };

/** Widths in the strip, CSS pixels, by kind. */
export const ITEM_WIDTHS: Record<StripItem['kind'], number> = { room: 30, frame: 104, sequence: 112, evidence: 104 };

/** Frames by room in the order of the walk; moments of a recording stand together behind one picture, unless they were picked. */
export const stripItems = derived(
  (document: VisitDocument) => [orderedFrames(document), document.rows.room, document.rows.sequence, document.rows.photo],
  (document): readonly StripItem[] => {
    const names = new Map(roomsOf(document).map(({ id, value }) => [id, value.name]));
    const items: StripItem[] = [];
    const shown = new Set<string>();
    let room: string | null = null;
    const frames = orderedFrames(document);
    for (const frame of frames) {
      const words = names.get(frame.value.roomId ?? '') ?? 'No place yet';
      if (words !== room) {
        room = words;
        items.push({ kind: 'room', key: `${words} ${items.length}`, words });
      }
      const sequence = document.rows.sequence[frame.value.sequenceId ?? ''];
      if (sequence && !shown.has(sequence.id)) {
        shown.add(sequence.id);
        items.push({ kind: 'sequence', key: sequence.id, sequence, frames: momentsOf(document, sequence.id) });
      }
      if (!sequence || frame.value.picked) {
        items.push({ kind: 'frame', key: frame.id, frame });
      }
    }
    const evidence = photosOf(document)
      .filter(({ value }) => value.evidence)
      .sort((a, b) => a.id.localeCompare(b.id));
    if (evidence.length > 0) items.push({ kind: 'room', key: 'evidence', words: 'Without data' });
    return [...items, ...evidence.map((photo): StripItem => ({ kind: 'evidence', key: photo.id, photo }))];
  },
);

/** The ids that N and Shift N go through: a recording counts once. */
export function stepsOf(items: readonly StripItem[]): string[] {
  return items.flatMap((item) => {
    switch (item.kind) {
      case 'room':
        return [];
      case 'sequence':
        return [item.frames[0]!.id];
      case 'frame':
        return [item.frame.id];
      case 'evidence':
        return [item.photo.id];
    }
  });
}
