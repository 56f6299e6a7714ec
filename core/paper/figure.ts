import type { Shape, Span } from '../method/frame/region';
import type { RadianceLine } from '../method/radiometry/measurement';
import { COLOUR_MAPS } from '../method/scale/colourMaps';
import { isNarrow, type Scale } from '../method/scale/scale';
import * as format from '../ground/format';
import type { DisplayUnit } from '../ground/temperature';
import { type ScaleAnchor, steadyScaleFor } from '../work/visit/colours';
import { leftOutOf, pixelsOf } from '../work/visit/readings';
import { lineFor } from '../work/visit/settingsInForce';
import { visitRow } from '../work/visit/theVisit';
import type { VisitDocument } from '../model/document';

/** A frame as it stands in the report: what is needed to draw it and to say what its colours mean. */
export interface Figure {
  frameId: string;
  width: number;
  height: number;
  line: RadianceLine;
  scale: Scale;
  /** Left out by hand: hatched. */
  leftOut: Shape[];
  /** Ends of the scale, °C and against the reference. */
  scaleEnds: { low: string; high: string };
  scaleWords: string;
  marks: { id: string; shape: Shape; spans: Span[] | undefined; text: string; reference: boolean }[];
}

/** Always in steady colours: what is stated is never stretched. */
export function figureOf(
  document: VisitDocument,
  frameId: string,
  anchor: ScaleAnchor,
  values: Float32Array,
  unit: DisplayUnit,
  regions: { id: string; mean: number; reference: boolean }[],
): Figure {
  const { width, height } = document.frameFacts[frameId]!;
  const scale = steadyScaleFor(document, frameId, anchor);
  const leftOut = leftOutOf(document, frameId);
  const around = anchor.name
    ? `${anchor.source === 'visit' ? 'the visit’s reference' : 'the reference'}, ${anchor.name}`
    : 'the mean of the frame';
  return {
    frameId,
    width,
    height,
    line: lineFor(document, frameId),
    leftOut,
    scale,
    scaleEnds: {
      low: `${format.temperature(scale.low, unit)} (${format.signedDifference(scale.low - anchor.celsius, unit)})`,
      high: `${format.temperature(scale.high, unit)} (${format.signedDifference(scale.high - anchor.celsius, unit)})`,
    },
    scaleWords: scaleWordsOf(
      document,
      scale,
      `${around} at ${format.temperature(anchor.celsius, unit)}`,
      leftOut.length > 0,
      unit,
    ),
    marks: regions.map(({ id, mean, reference }) => {
      const { name, shape } = document.rows.region[id]!.value;
      const spans = shape.kind === 'beyond' ? pixelsOf(document, id, values) : undefined;
      return { id, shape, spans, text: `${name} ${format.bareTemperature(mean, unit)}`, reference };
    }),
  };
}

/** A picture in the colours of another, so that the two can be compared by eye. */
export function inColoursOf(figure: Figure, like: Figure): Figure {
  return { ...figure, scale: like.scale, scaleEnds: like.scaleEnds, scaleWords: 'In the colours of the first picture.' };
}

/** What the colours of a picture mean, in words. */
function scaleWordsOf(document: VisitDocument, scale: Scale, around: string, hasLeftOut: boolean, unit: DisplayUnit): string {
  const { fixed } = visitRow(document).value.span;
  const span = format.difference(scale.high - scale.low, unit);
  const tied = fixed ? `${span} between fixed temperatures` : `${span} around ${around}`;
  return [
    `${COLOUR_MAPS[scale.map].label}: ${tied}, the same span on every picture of this visit.`,
    isNarrow(scale) && 'All colours lie within very little.',
    'Striped: beyond the colours.',
    scale.shade && `Shaded: ${scale.shade.side} than ${format.temperature(scale.shade.celsius, unit)}.`,
    hasLeftOut && 'Hatched: left out by hand.',
  ]
    .filter(Boolean)
    .join(' ');
}
