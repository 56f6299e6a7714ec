import { z } from 'zod';
import { COLOUR_MAP_NAMES, type ColourMapName } from './colourMaps';

/** Temperatures at the ends of the colours, °C, and the colours. */
export interface Scale {
  low: number;
  high: number;
  map: ColourMapName;
}

/** The steady scale of a visit: so many kelvin below and above the reference, the same on every picture. */
export const steadySpanSchema = z.object({
  belowK: z.number().min(0.1, 'must be at least 0.1 K').max(500, 'must not exceed 500 K'),
  aboveK: z.number().min(0.1, 'must be at least 0.1 K').max(500, 'must not exceed 500 K'),
  colourMap: z.enum(COLOUR_MAP_NAMES as [ColourMapName, ...ColourMapName[]]),
});

export type SteadySpan = z.infer<typeof steadySpanSchema>;

/** The least span that a scale can have; below it colours show nothing but noise. */
export const LEAST_SPAN_K = 0.2;

/** The steady scale around a reference temperature, °C. */
export function steadyScale(reference: number, span: SteadySpan): Scale {
  return { low: reference - span.belowK, high: reference + span.aboveK, map: span.colourMap };
}

/** A scale from any two ends: in order, and at least `LEAST_SPAN_K` apart around their middle. */
export function orderedScale(a: number, b: number, map: ColourMapName): Scale {
  const low = Math.min(a, b);
  const high = Math.max(a, b);
  const widen = Math.max(0, (LEAST_SPAN_K - (high - low)) / 2);
  return { low: low - widen, high: high + widen, map };
}

/** Below this span all colours lie within so little that a harmless difference looks alarming. */
const SMALL_SPAN_K = 2;

/** Whether a stretched picture needs its plain warning: all colours within less than 2 K. */
export function isNarrow(scale: Scale): boolean {
  return scale.high - scale.low < SMALL_SPAN_K;
}
