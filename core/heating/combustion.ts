import { CoreError } from '../errors';

/** Fuels of a boiler card. */
export const FUELS = ['natural-gas', 'propane', 'oil', 'pellets'] as const;
export type Fuel = (typeof FUELS)[number];

interface FuelFacts {
  words: string;
  /** CO₂ in dry flue gas without excess air, %. */
  co2MaxPct: number;
  /** Siegert's coefficients for the loss in dry flue gas by O₂ (net calorific value); null where none are settled. */
  siegert: { a: number; b: number } | null;
}

export const FUEL_FACTS: Record<Fuel, FuelFacts> = {
  'natural-gas': { words: 'Natural gas', co2MaxPct: 11.7, siegert: { a: 0.65, b: 0.009 } },
  propane: { words: 'Propane', co2MaxPct: 13.7, siegert: { a: 0.63, b: 0.008 } },
  oil: { words: 'Heating oil', co2MaxPct: 15.4, siegert: { a: 0.68, b: 0.007 } },
  pellets: { words: 'Wood pellets', co2MaxPct: 20.3, siegert: null },
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
  };
}

function refused(argument: string, message: string): CoreError {
  return new CoreError('out_of_range', message, { argument }, 'Read it again.');
}
