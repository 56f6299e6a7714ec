import { CoreError } from '../../ground/errors';
import { saturationPressure } from '../../ground/saturation';

/** Fuels of a boiler card. */
export const FUELS = ['natural-gas', 'propane', 'oil', 'pellets'] as const;
export type Fuel = (typeof FUELS)[number];

interface FuelFacts {
  words: string;
  /** CO₂ in dry flue gas without excess air, %. */
  co2MaxPct: number;
  /** Siegert's coefficients for the loss in dry flue gas by O₂ (net calorific value); null where none are settled. */
  siegert: { a: number; b: number } | null;
  /**
   * Volumes of burning one of fuel without excess air: water vapour, dry flue gas, air; and what its water gives when all of it
   * condenses, % of the net calorific value. null where nothing condenses on purpose.
   */
  vapour: { water: number; dry: number; air: number; latentPct: number } | null;
}

export const FUEL_FACTS: Record<Fuel, FuelFacts> = {
  'natural-gas': {
    words: 'Natural gas',
    co2MaxPct: 11.7,
    siegert: { a: 0.65, b: 0.009 },
    vapour: { water: 2, dry: 8.52, air: 9.52, latentPct: 10.9 },
  },
  propane: {
    words: 'Propane',
    co2MaxPct: 13.7,
    siegert: { a: 0.63, b: 0.008 },
    vapour: { water: 4, dry: 21.8, air: 23.8, latentPct: 8.7 },
  },
  oil: {
    words: 'Heating oil',
    co2MaxPct: 15.4,
    siegert: { a: 0.68, b: 0.007 },
    vapour: { water: 0.93, dry: 6.52, air: 6.98, latentPct: 6.4 },
  },
  pellets: { words: 'Wood pellets', co2MaxPct: 20.3, siegert: null, vapour: null },
};

/** Oxygen of air, %. */
const AIR_O2_PCT = 20.9;
/** Siegert's rule is written with 21 %. */
const SIEGERT_O2_PCT = 21;

export interface Combustion {
  co2Pct: number;
  /** null where no product of combustion is left. */
  lambda: number | null;
  excessAirPct: number | null;
  coAirFreePpm: number | null;
  /** CO over CO₂, both as shares; null without either. */
  coRatio: number | null;
  /** Of the net calorific value, %; null where temperatures or coefficients are missing. */
  efficiencyPct: number | null;
  /**
   * Where flue gas leaves below its own dew point: that dew point, °C, and the efficiency if it leaves saturated. What it is lies
   * between the dry one and this. null where nothing condenses, or it cannot be said.
   */
  condensing: { dewC: number; mostPct: number } | null;
}

/**
 * What follows from the readings of dry flue gas (simplified balance of dry gas; Siegert's rule for the loss).
 *
 * @param o2Pct - oxygen, 0 … 100 %
 * @param coPpm - carbon monoxide as read, 0 and more; null where it was not read
 * @param flueC, airC - flue gas and combustion air; null where they were not read
 * @throws CoreError `out_of_range`
 */
export function combustionOf(
  fuel: Fuel,
  o2Pct: number,
  coPpm: number | null,
  { flueC, airC }: { flueC: number | null; airC: number | null } = { flueC: null, airC: null },
): Combustion {
  if (!(o2Pct >= 0 && o2Pct <= 100)) throw refused('o2', 'Oxygen lies between 0 and 100 %.');
  if (coPpm !== null && !(coPpm >= 0)) throw refused('co', 'Carbon monoxide is not below 0 ppm.');
  const { co2MaxPct, siegert } = FUEL_FACTS[fuel];
  const left = AIR_O2_PCT - o2Pct;
  const co2Pct = Math.max(0, (co2MaxPct * left) / AIR_O2_PCT);
  const burnt = left > 0;
  const lambda = burnt ? AIR_O2_PCT / left : null;
  const loss =
    burnt && siegert && flueC !== null && airC !== null
      ? (flueC - airC) * (siegert.a / (SIEGERT_O2_PCT - o2Pct) + siegert.b)
      : null;
  return {
    co2Pct,
    lambda,
    excessAirPct: lambda === null ? null : 100 * (lambda - 1),
    coAirFreePpm: lambda === null || coPpm === null ? null : coPpm * lambda,
    coRatio: co2Pct > 0 && coPpm !== null ? coPpm / 1e6 / (co2Pct / 100) : null,
    efficiencyPct: loss === null ? null : 100 - loss,
    condensing: loss === null || flueC === null ? null : condensingOf(fuel, lambda!, flueC, 100 - loss),
  };
}

const STANDARD_PRESSURE = 101_325;

/** Water of combustion that condenses when flue gas leaves saturated at its temperature; air is taken for dry. */
function condensingOf(fuel: Fuel, lambda: number, flueC: number, dryPct: number): Combustion['condensing'] {
  const { vapour } = FUEL_FACTS[fuel];
  if (!vapour) return null;
  const dry = vapour.dry + (lambda - 1) * vapour.air;
  const pressure = (STANDARD_PRESSURE * vapour.water) / (vapour.water + dry);
  const dewC = saturatedAt(pressure);
  if (flueC >= dewC) return null;
  const held = saturationPressure(Math.max(0, flueC));
  const left = (dry * held) / (STANDARD_PRESSURE - held) / vapour.water;
  return { dewC, mostPct: dryPct + vapour.latentPct * Math.max(0, 1 - left) };
}

/** Temperature at which vapour of a pressure is saturated, °C, between 0 and 100: halved until it is found. */
function saturatedAt(pressure: number): number {
  let [low, high] = [0, 100];
  for (let step = 0; step < 40; step += 1) {
    const middle = (low + high) / 2;
    if (saturationPressure(middle) < pressure) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

function refused(argument: string, message: string): CoreError {
  return new CoreError('out_of_range', message, { argument }, 'Read it again.');
}
