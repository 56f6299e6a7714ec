import type { VisitDocument } from '../../document';
import type { Row } from '../../entities';
import { heatingOf } from '../../circuit/heatingOf';
import { COLOUR_MAPS } from '../../scale/colourMaps';
import { orderedScale } from '../../scale/scale';
import * as format from '../../units/format';
import type { DisplayUnit } from '../../units/temperature';
import { conditionsOf, visitRow } from '../../visit/theVisit';
import { lineFor } from '../../visit/settingsInForce';
import type { Figure } from '../figure';

const USUAL_ROOM_C = 20;
/** The colours reach so far beyond room and flow, K. */
const BEYOND_K = 2;

/** The frame of an emitter, its face marked, in the colours that all emitters of a visit share: from the room to the set flow. */
export function faceFigure(document: VisitDocument, { value }: Row<'face'>, unit: DisplayUnit): Figure {
  const { frameId, box } = value;
  const { width, height } = document.frameFacts[frameId]!;
  const room = conditionsOf(document)?.value.insideC ?? USUAL_ROOM_C;
  const { flowSetC } = heatingOf(document).value;
  const scale = orderedScale(room - BEYOND_K, flowSetC + BEYOND_K, visitRow(document).value.span.colourMap);
  return {
    frameId,
    width,
    height,
    line: lineFor(document, frameId),
    scale,
    leftOut: [],
    scaleEnds: { low: format.temperature(scale.low, unit), high: format.temperature(scale.high, unit) },
    scaleWords: `${COLOUR_MAPS[scale.map].label}: from the room to the set flow, the same on every emitter of this visit.`,
    marks: [{ id: 'face', shape: { kind: 'box', ...box }, spans: undefined, text: 'face', reference: false }],
  };
}
