import * as z from 'zod';
import { COLOUR_MAP_NAMES, type ColourMapName } from './colourMaps';

/** Everything on one side of a temperature, °C, is shaded. */
export interface Shade {
  side: 'colder' | 'warmer';
  celsius: number;
}

/** Temperatures at the ends of the colours, °C, and the colours. */
export interface Scale {
  low: number;
  high: number;
  map: ColourMapName;
  shade?: Shade | null;
}

/** What a mark on the scale is reckoned from. */
export const MARKS = ['reference', 'dew point', '80 % humid', 'air', 'zero'] as const;

/** A shade of the visit: beyond a mark that is so many kelvin above (or below) something; `zero` is 0 °C. */
export const shadeSchema = z.object({
  side: z.enum(['colder', 'warmer']),
  from: z.enum(MARKS),
  offsetK: z.number().min(-200, 'must be at least −200 K').max(500, 'must not exceed 500 K'),
});

export type ShadeRule = z.infer<typeof shadeSchema>;

/** The least span that a scale can have; below it colours show nothing but noise. */
export const LEAST_SPAN_K = 0.2;

const celsius = z.number().min(-150, 'must be at least −150 °C').max(2000, 'must not exceed 2000 °C');

/**
 * The steady scale of a visit, the same on every picture: so many kelvin below and above the reference, or between two fixed
 * temperatures; and what is shaded on it.
 */
export const steadySpanSchema = z.object({
  belowK: z.number().min(0.1, 'must be at least 0.1 K').max(500, 'must not exceed 500 K'),
  aboveK: z.number().min(0.1, 'must be at least 0.1 K').max(500, 'must not exceed 500 K'),
  colourMap: z.enum(COLOUR_MAP_NAMES as [ColourMapName, ...ColourMapName[]]),
  fixed: z
    .object({ lowC: celsius, highC: celsius })
    .refine(({ lowC, highC }) => highC - lowC >= LEAST_SPAN_K, { path: ['highC'], message: 'must lie above the cold end' })
    .nullable(),
  shade: shadeSchema.nullable(),
});

export type SteadySpan = z.infer<typeof steadySpanSchema>;

/** The steady scale: between its fixed temperatures, else around a reference temperature, °C. */
export function steadyScale(reference: number, span: SteadySpan): Scale {
  if (span.fixed) return { low: span.fixed.lowC, high: span.fixed.highC, map: span.colourMap };
  return { low: reference - span.belowK, high: reference + span.aboveK, map: span.colourMap };
}

/** Colours that part at the reference, °C: as far up as down, so that equal differences have equal strength. */
export function againstScale(reference: number, span: SteadySpan): Scale {
  const reach = Math.max(span.belowK, span.aboveK);
  return { low: reference - reach, high: reference + reach, map: 'balance' };
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
