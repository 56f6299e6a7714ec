import { INSTRUMENT_U } from '../../ground/instruments';
import { USUAL } from '../../ground/usual';
import { runsHot, type HuntValue } from '../../model/huntRow';

/** What a leak takes in a day, whole litres and kilowatt-hours, each with its 95 % interval in its own unit. */
export interface Loss {
  litres: number;
  litresPm: number;
  /** Heat in the water that is lost, kWh; 0 on the cold side. */
  kwh: number;
  kwhPm: number;
  /** In the currency of the house; null while no price is known. Prices are taken as they were said. */
  cost: number | null;
  costPm: number | null;
}

/** Heat that a litre of water holds for each kelvin, kWh. */
const KWH_PER_LITRE_K = 4.19 / 3600;
const MINUTES_A_DAY = 1440;

/**
 * What a leak takes in a day by the litres a minute that were measured; null while they were not. Litres are off by the bucket or
 * the meter, heat also by the water that was said and by the mains that is assumed; all three are off together in the cost.
 */
export function lossOf(hunt: HuntValue): Loss | null {
  const { litresMin, waterC, pricePerM3, pricePerKwh } = hunt;
  if (litresMin === null) return null;
  // As they are printed: whoever multiplies them by their prices comes to the same cost.
  const litres = Math.round(litresMin * MINUTES_A_DAY);
  const excess = runsHot(hunt) && waterC !== null ? Math.max(0, waterC - USUAL.mainsC) : 0;
  const excessU = Math.hypot(INSTRUMENT_U.unqualifiedK, INSTRUMENT_U.mainsK);
  const kwh = Math.round(litres * KWH_PER_LITRE_K * excess);
  const kwhOff = excess > 0 ? litres * KWH_PER_LITRE_K * excessU : 0;
  const priced = [
    [litres / 1000, pricePerM3],
    [kwh, pricePerKwh],
  ] as const;
  const known = priced.filter(([amount, price]) => price !== null && amount > 0);
  const cost = known.length === 0 ? null : known.reduce((sum, [amount, price]) => sum + amount * price!, 0);
  return {
    litres,
    litresPm: 2 * INSTRUMENT_U.litresMin * litres,
    kwh,
    kwhPm: 2 * Math.hypot(INSTRUMENT_U.litresMin * kwh, kwhOff),
    cost,
    costPm: cost === null ? null : 2 * Math.hypot(INSTRUMENT_U.litresMin * cost, (pricePerKwh ?? 0) * kwhOff),
  };
}
