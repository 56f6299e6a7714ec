import type { HuntValue } from './huntRow';

/** What a leak takes in a day. */
export interface Loss {
  litres: number;
  /** Heat in the water that is lost, kWh; 0 on the cold side. */
  kwh: number;
  /** In the currency of the house; null while no price is known. */
  cost: number | null;
}

/** Heat that a litre of water holds for each kelvin, kWh. */
const KWH_PER_LITRE_K = 4.19 / 3600;
/** Cold water as it comes in, °C. */
const MAINS_C = 11;
const MINUTES_A_DAY = 1440;

/** What a leak takes in a day by the litres a minute that were measured; null while they were not. */
export function lossOf({ litresMin, side, waterC, pricePerM3, pricePerKwh }: HuntValue): Loss | null {
  if (litresMin === null) return null;
  const litres = litresMin * MINUTES_A_DAY;
  const kwh = side === 'hot' && waterC !== null ? litres * KWH_PER_LITRE_K * Math.max(0, waterC - MAINS_C) : 0;
  const priced = [
    [litres / 1000, pricePerM3],
    [kwh, pricePerKwh],
  ] as const;
  const known = priced.filter(([amount, price]) => price !== null && amount > 0);
  return { litres, kwh, cost: known.length === 0 ? null : known.reduce((sum, [amount, price]) => sum + amount * price!, 0) };
}
