import type { View } from './surface';

const DENSITY = 1.2;
const GRAVITY = 9.81;
const KELVIN = 273.15;
/** At this pressure a crack shows all that it can, Pa. */
const FULL_PA = 3;
/** Flow through cracks grows with this power of the pressure. */
const EXPONENT = 0.65;
/** What is left of a crack's cold where no air comes in: it is a thin place still. */
const THIN_SHARE = 0.1;
/** Air that comes out warms the face beside the crack by this share of the difference, for a drop of 1. */
const OUTWARD_SHARE = 0.35;
/** Air at ordinary pressure coefficients: windward face and lee, against the inside. */
const WINDWARD = 0.45;
const LEEWARD = -0.3;
/** Beside a house the wind is so much of the weather station's. */
const SHELTER = 0.6;

/**
 * Pressure by which outdoor air is pushed in at a height, Pa; negative pushes indoor air out.
 *
 * @param y - m from the surface's upper edge
 *
 * Stack effect and wind: ASHRAE Fundamentals, ch. 16. In a heated house air comes in below the neutral plane and leaves above
 * it; a cooled house has it the other way round.
 */
export function pressureInward(view: Pick<View, 'insideC' | 'outsideC' | 'height' | 'draught'>, y: number): number {
  const { bottomM, upright, windPa } = view.draught;
  const above = bottomM + (upright ? view.height - y : 0);
  const mean = (view.insideC + view.outsideC) / 2 + KELVIN;
  return windPa - (DENSITY * GRAVITY * above * (view.insideC - view.outsideC)) / mean;
}

/** Air through a crack, from −1 (all outward) to 1 (all inward). */
export function airThrough(view: Pick<View, 'insideC' | 'outsideC' | 'height' | 'draught'>, y: number): number {
  const pressure = pressureInward(view, y);
  return Math.sign(pressure) * Math.min(1, (Math.abs(pressure) / FULL_PA) ** EXPONENT);
}

/**
 * What moving air changes at a crack, K.
 *
 * @param strength - drop of the temperature factor where outdoor air comes in with full force, 0 … 1
 * @param exchange - share that shows against the flow too: a wide horizontal gap lets air fall while other air rises
 */
export function airChange(view: View, y: number, strength: number, exchange = THIN_SHARE): number {
  const flow = airThrough(view, y);
  const drive = view.insideC - view.outsideC;
  if (view.side === 'inside') return -drive * strength * Math.max(exchange, flow);
  return drive * strength * OUTWARD_SHARE * Math.max(exchange, -flow);
}

/**
 * What the wind adds to the pressure on a face, Pa.
 *
 * @param windMs - of the weather, m/s
 * @param fromDeg - where the wind comes from, degrees from north; null adds nothing, as nobody knows the side
 * @param azimuth - where the face looks, degrees from north; null likewise
 */
export function windPressure(windMs: number, fromDeg: number | null, azimuth: number | null): number {
  if (fromDeg === null || azimuth === null) return 0;
  const facing = Math.cos(((fromDeg - azimuth) * Math.PI) / 180);
  // Windward within 60° to both sides, lee beyond.
  return (facing > 0.5 ? WINDWARD : LEEWARD) * 0.5 * DENSITY * (SHELTER * windMs) ** 2;
}
