import type { VisitDocument } from '../model/document';
import type { Row } from '../model/entities';
import { heatScale } from '../work/heating/heatScale';
import { COLOUR_MAPS } from '../method/scale/colourMaps';
import * as format from '../ground/format';
import type { DisplayUnit } from '../ground/temperature';
import { lineFor } from '../work/visit/settingsInForce';
import type { Figure } from './figure';

/** The frame of an emitter, its face marked, in the colours that all emitters of a visit share. */
export function faceFigure(document: VisitDocument, { value }: Row<'face'>, unit: DisplayUnit): Figure {
  const { frameId, box } = value;
  const { width, height } = document.frameFacts[frameId]!;
  const scale = heatScale(document);
  return {
    frameId,
    width,
    height,
    line: lineFor(document, frameId),
    scale,
    leftOut: [],
    scaleEnds: { low: format.temperature(scale.low, unit), high: format.temperature(scale.high, unit) },
    scaleWords: `${COLOUR_MAPS[scale.map].label}: from cold walls to the set flow, the same on every emitter of this visit.`,
    marks: [{ id: 'face', shape: { kind: 'box', ...box }, spans: undefined, text: 'face', reference: false }],
  };
}
