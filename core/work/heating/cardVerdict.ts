import { combustionOf, type Combustion, type Fuel } from '../../method/heating/combustion';
import type { FireRate } from '../../model/boilerCardRow';

export type Verdict = 'pass' | 'attention' | 'not-judged';

/** One line of a boiler card: what was read or computed, the maker's limit, and how they compare. */
export interface CardLine {
  name: string;
  value: string;
  limit: string;
  verdict: Verdict;
}

const digits = (value: number, places: number) => value.toFixed(places).replace('-', '−');

/** Says how a value lies between limits; without either nothing is judged. */
function between(value: number | null, low: number | null, high: number | null): Verdict {
  if (value === null || (low === null && high === null)) return 'not-judged';
  return (low !== null && value < low) || (high !== null && value > high) ? 'attention' : 'pass';
}

function limitWords(low: number | null, high: number | null, unit: string): string {
  if (low !== null && high !== null) return `${low} … ${high} ${unit}`;
  if (low !== null) return `at least ${low} ${unit}`;
  return high !== null ? `at most ${high} ${unit}` : '';
}

/**
 * The readings of a fire rate against the limits that were typed in from its maker's manual.
 *
 * @param fuel - null while nobody said: nothing is computed then
 */
export function cardLines(fuel: Fuel | null, rate: FireRate): CardLine[] {
  const { o2Pct, co2Pct, coPpm, flueC, airC } = rate;
  const computed: Combustion | null = o2Pct === null || fuel === null ? null : combustionOf(fuel, o2Pct, coPpm, { flueC, airC });
  const co = rate.coAirFree ? (computed?.coAirFreePpm ?? null) : coPpm;
  const co2 = co2Pct ?? computed?.co2Pct ?? null;
  const line = (
    name: string,
    value: number | null,
    [unit, places]: [string, number],
    low: number | null = null,
    high: number | null = null,
  ): CardLine[] =>
    value === null && low === null && high === null
      ? []
      : [
          {
            name,
            value: value === null ? 'not read' : `${digits(value, places)} ${unit}`,
            limit: limitWords(low, high, unit),
            verdict: between(value, low, high),
          },
        ];
  return [
    ...line('O₂', o2Pct, ['%', 1], rate.o2LowPct, rate.o2HighPct),
    ...line(co2Pct === null ? 'CO₂, computed' : 'CO₂', co2, ['%', 1], rate.co2LowPct, rate.co2HighPct),
    ...line('CO as read', coPpm, ['ppm', 0], null, rate.coAirFree ? null : rate.coMostPpm),
    ...line('CO air-free', computed?.coAirFreePpm ?? null, ['ppm', 0], null, rate.coAirFree ? rate.coMostPpm : null),
    ...(co === null && rate.coMostPpm !== null && rate.coAirFree && coPpm === null
      ? line('CO', null, ['ppm', 0], null, rate.coMostPpm)
      : []),
    ...line('Excess air', computed?.excessAirPct ?? null, ['%', 0]),
    ...line('Flue gas', flueC, ['°C', 0], null, rate.flueMostC),
    ...(computed?.condensing
      ? [condensingLine(computed.efficiencyPct!, computed.condensing, rate.efficiencyLeastPct)]
      : line('Efficiency, net', computed?.efficiencyPct ?? null, ['%', 1], rate.efficiencyLeastPct)),
  ];
}

/** Where water condenses the loss of dry gas alone is no efficiency: it lies between that and what saturated gas would leave. */
function condensingLine(
  dryPct: number,
  { dewC, mostPct }: NonNullable<Combustion['condensing']>,
  leastPct: number | null,
): CardLine {
  return {
    name: `Efficiency, net, condensing (below ${digits(dewC, 0)} °C)`,
    value: `${digits(dryPct, 1)} … ${digits(mostPct, 1)} %`,
    limit: limitWords(leastPct, null, '%'),
    verdict: leastPct === null ? 'not-judged' : dryPct >= leastPct ? 'pass' : mostPct < leastPct ? 'attention' : 'not-judged',
  };
}

/**
 * What the card says of a fire rate as a whole: nothing passes while a limit that was typed in has no reading.
 *
 * @param fuel, licensed - somebody with a licence stands behind it, and said what burns; otherwise nothing is judged
 */
export function rateVerdict(fuel: Fuel | null, rate: FireRate, licensed: boolean): Verdict {
  if (!licensed || fuel === null) return 'not-judged';
  const limited = cardLines(fuel, rate).filter(({ limit }) => limit !== '');
  if (limited.some(({ verdict }) => verdict === 'attention')) return 'attention';
  return limited.length > 0 && limited.every(({ verdict }) => verdict === 'pass') ? 'pass' : 'not-judged';
}
