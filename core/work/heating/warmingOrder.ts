import type { VisitDocument } from '../../model/document';
import { orderOfWarming, type WarmedOrder } from '../../method/heating/byOrder';
import { emittersOf } from './emitters';
import { heatingOf, warmingOf } from './heatingOf';

/**
 * The order in which emitters became warm, and who is late, by what was tapped or seen.
 *
 * @param now - ms since 1970
 */
export function warmingOrder(document: VisitDocument, now: number): WarmedOrder & { minutes: Map<string, number | null> } {
  const { onAt } = heatingOf(document).value;
  const minutes = new Map(
    emittersOf(document).map(({ id }) => {
      const { warmAt } = warmingOf(document, id).value;
      return [id, onAt === null || warmAt === null ? null : Math.max(0, (warmAt - onAt) / 60_000)];
    }),
  );
  if (onAt === null) return { order: [], late: [], minutes };
  const warmed = [...minutes].map(([id, m]) => ({ id, minutes: m }));
  return { ...orderOfWarming(warmed, Math.max(0, (now - onAt) / 60_000)), minutes };
}
