import type { VisitDocument } from '../../model/document';
import { takenAtOf } from '../visit/frames';

/** Another frame of the same stop and size, the nearest in time: what moved between both is a reflection. */
export function partnerOf(document: VisitDocument, frameId: string): string | null {
  const { stopKey } = document.rows.frame[frameId]!.value;
  if (stopKey === null) return null;
  const { width, height } = document.frameFacts[frameId]!;
  const at = Date.parse(takenAtOf(document, frameId));
  const away = (id: string) => Math.abs(Date.parse(takenAtOf(document, id)) - at);
  return (
    Object.values(document.rows.frame)
      .filter(({ id, value }) => {
        const facts = document.frameFacts[id]!;
        return (
          id !== frameId && !value.discarded && value.stopKey === stopKey && facts.width === width && facts.height === height
        );
      })
      .map(({ id }) => id)
      .sort((a, b) => away(a) - away(b))[0] ?? null
  );
}
