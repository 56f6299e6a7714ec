import type { VisitDocument } from '../../model/document';
import type { Reading } from '../../method/frame/reading';
import { saturationPressure } from '../../ground/saturation';
import { computed, type Quantity, uncertain, uncertaintyOf } from '../../method/radiometry/quantity';
import { USUAL_UNCERTAINTY } from '../../method/radiometry/uncertainty';
import { orUsual, type Source } from '../../ground/source';
import { USUAL } from '../../ground/usual';
import { settingsFor } from './settingsInForce';
import { standingOf } from './standing';
import { visitRow } from './theVisit';

/** Where a number stands against a limit: on one side with 95 %, or it cannot be told. */
export type Against = 'above' | 'below' | 'undecided';

/** A number with its 95 % interval, against a limit. */
export interface Limited {
  value: number;
  interval: [low: number, high: number];
  limit: number;
  against: Against;
}

/** What a surface's temperature means for moisture. */
export interface Moisture {
  /** Relative humidity of the air right at the surface, now, as a fraction; 1 is wet. null where air or humidity are not known. */
  humidity: (Limited & { wet: Against }) | null;
  /** (surface − outside) / (inside − outside), against the limit of the visit; or why it is not stated. */
  factor: (Limited & { limitFrom: Source }) | { why: 'unknown' | 'too-mild' | 'cooled' } | null;
}

/** Of hygrometers in use, as a fraction (standard uncertainty). */
const HYGROMETER = 0.03;
/** From here mould grows where it lasts for weeks (ISO 13788). */
export const MOULD_HUMIDITY = 0.8;
/** With less between inside and outside no factor is stated, K. */
const LEAST_DIFFERENCE_K = 10;

/** Limits of the temperature factor that countries ask for, so that no mould grows in dwellings at their design climate. */
export const MOULD_FACTORS = [
  { factor: 0.65, words: 'Netherlands, dwellings' },
  { factor: 0.7, words: 'Germany, DIN 4108-2' },
  { factor: 0.75, words: 'United Kingdom, IP 1/06' },
] as const;

/** @param reading - of a region of the frame; outdoors says nothing of moisture inside, and gives null */
export function moistureOf(document: VisitDocument, frameId: string, reading: Reading): Moisture | null {
  const { side, outsideC } = standingOf(document, frameId);
  if (side === 'outside') return null;
  const { airC, humidityPct } = settingsFor(document, frameId);
  const insideC = airC.origin === 'default' ? null : airC.value;
  // The same error of the air as in the measurement itself.
  const inside = uncertain(airC.value, { name: `air ${side}`, part: 'air', u: USUAL_UNCERTAINTY.air });
  const humidity =
    insideC === null || humidityPct.value === null || humidityPct.value <= 0
      ? null
      : humidityAt(reading.mean, inside, humidityPct.value / 100);
  // A limit of the factor is one of rooms that are lived in.
  const factor = side === 'inside' ? factorOf(document, reading.mean, inside, insideC, outsideC) : null;
  return { humidity, factor };
}

function humidityAt(surface: Quantity, air: Quantity, humidity: number): Moisture['humidity'] {
  const of = uncertain(humidity, { name: 'hygrometer', part: 'air', u: HYGROMETER });
  const held = (celsius: number) => Math.min(200, Math.max(-100, celsius));
  const at = computed(
    { surface, air, of },
    (x) => Math.max(0.01, x.of) * (saturationPressure(held(x.air)) / saturationPressure(held(x.surface))),
  );
  const one = limited(at, MOULD_HUMIDITY);
  return one && { ...one, wet: againstLimit(one.interval, 1) };
}

function factorOf(
  document: VisitDocument,
  surface: Quantity,
  inside: Quantity,
  insideC: number | null,
  outsideC: number | null,
): Moisture['factor'] {
  if (insideC === null || outsideC === null) return { why: 'unknown' };
  if (insideC < outsideC) return { why: 'cooled' };
  if (insideC - outsideC < LEAST_DIFFERENCE_K) return { why: 'too-mild' };
  const outside = uncertain(outsideC, { name: 'air outside', part: 'air', u: USUAL_UNCERTAINTY.air });
  const factor = computed({ surface, inside, outside }, (x) => (x.surface - x.outside) / (x.inside - x.outside));
  const { value: limit, source } = orUsual(visitRow(document).value.mouldFactor, USUAL.mouldFactor);
  const one = limited(factor, limit);
  return one && { ...one, limitFrom: source };
}

function limited(quantity: Quantity, limit: number): Limited | null {
  const { interval } = uncertaintyOf(quantity);
  if (!interval.every(Number.isFinite)) return null;
  return { value: quantity.at({}), interval, limit, against: againstLimit(interval, limit) };
}

function againstLimit([low, high]: [number, number], limit: number): Against {
  return low > limit ? 'above' : high < limit ? 'below' : 'undecided';
}
