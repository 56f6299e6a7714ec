import type { VisitDocument } from '../../model/document';
import { USUAL } from '../../ground/usual';
import { orderedScale, type Scale } from '../../method/scale/scale';
import { conditionsOf, visitRow } from '../visit/theVisit';
import { heatingInForce } from './heatingOf';

/** Outside walls are some kelvin below the room; faces may exceed the set flow a little. */
const BELOW_K = 6;
const ABOVE_K = 2;

/** One span of colours for all emitters of a visit: from cold walls to the set flow. */
export function heatScale(document: VisitDocument): Scale {
  const room = conditionsOf(document)?.value.insideC ?? USUAL.airC;
  const { colourMap } = visitRow(document).value.span;
  return orderedScale(room - BELOW_K, heatingInForce(document).flowSetC + ABOVE_K, colourMap);
}
