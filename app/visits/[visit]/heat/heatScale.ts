import { heatingOf } from '@core/circuit/heatingOf';
import type { VisitDocument } from '@core/document';
import { orderedScale, type Scale } from '@core/scale/scale';
import { conditionsOf, visitRow } from '@core/visit/theVisit';

/** One span of colours for all emitters of a visit: from the room to the set flow. */
export function heatScale(document: VisitDocument): Scale {
  const room = conditionsOf(document)?.value.insideC ?? 20;
  return orderedScale(room - 2, heatingOf(document).value.flowSetC + 2, visitRow(document).value.span.colourMap);
}
