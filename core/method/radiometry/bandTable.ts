import { ZERO_CELSIUS_IN_KELVIN } from '../../ground/temperature';
import { bandRadiance, bandRadianceSlope, kelvinFromBandRadiance } from './planck';

/**
 * Tables of band radiance: one even in temperature, one even in the fourth root of radiance (in which
 * temperature is almost straight, so that an even step serves the whole range without a logarithm).
 * Straight interpolation; the error is below 0.1 mK from −80 to 400 °C in both directions (tested against the exact
 * series). Outside the tables the exact functions answer.
 */
const MIN_CELSIUS = -82;
const MAX_CELSIUS = 402;
const STEPS_PER_KELVIN = 10;
const FORWARD_NODES = (MAX_CELSIUS - MIN_CELSIUS) * STEPS_PER_KELVIN + 1;
const INVERSE_NODES = 6001;

const forward = new Float64Array(FORWARD_NODES + 1);
const inverse = new Float64Array(INVERSE_NODES + 1);

for (let i = 0; i <= FORWARD_NODES; i += 1) {
  forward[i] = bandRadiance(MIN_CELSIUS + i / STEPS_PER_KELVIN + ZERO_CELSIUS_IN_KELVIN);
}

const MIN_ROOT = Math.sqrt(Math.sqrt(forward[0]!));
const MAX_ROOT = Math.sqrt(Math.sqrt(forward[FORWARD_NODES - 1]!));
const ROOT_STEP = (MAX_ROOT - MIN_ROOT) / (INVERSE_NODES - 1);

fillInverse();

/** Walks up the forward table once: each node starts Newton from its bracket, one step is exact to 1e-9 K. */
function fillInverse(): void {
  let bracket = 0;
  for (let i = 0; i <= INVERSE_NODES; i += 1) {
    const radiance = (MIN_ROOT + i * ROOT_STEP) ** 4;
    while (bracket < FORWARD_NODES - 1 && forward[bracket + 1]! < radiance) bracket += 1;
    const below = forward[bracket]!;
    const start = MIN_CELSIUS + (bracket + (radiance - below) / (forward[bracket + 1]! - below)) / STEPS_PER_KELVIN;
    const kelvin = start + ZERO_CELSIUS_IN_KELVIN;
    inverse[i] = start - (bandRadiance(kelvin) - radiance) / bandRadianceSlope(kelvin);
  }
}

/**
 * Band radiance (7.5 … 14 µm) of a black body.
 *
 * @param celsius - temperature, °C, above −273.15
 * @returns W m⁻² sr⁻¹; NaN for NaN
 */
export function radianceFromTemperature(celsius: number): number {
  if (celsius >= MIN_CELSIUS && celsius < MAX_CELSIUS) {
    const position = (celsius - MIN_CELSIUS) * STEPS_PER_KELVIN;
    const i = position | 0;
    const below = forward[i]!;
    return below + (position - i) * (forward[i + 1]! - below);
  }
  const kelvin = celsius + ZERO_CELSIUS_IN_KELVIN;
  return kelvin > 0 ? bandRadiance(kelvin) : NaN;
}

/**
 * Temperature of the black body with the given band radiance (7.5 … 14 µm).
 *
 * @param radiance - W m⁻² sr⁻¹
 * @returns °C; NaN when there is no such temperature (radiance ≤ 0, below −253 °C, or NaN)
 */
export function temperatureFromRadiance(radiance: number): number {
  const position = (Math.sqrt(Math.sqrt(radiance)) - MIN_ROOT) / ROOT_STEP;
  if (position >= 0 && position < INVERSE_NODES - 1) {
    const i = position | 0;
    const below = inverse[i]!;
    return below + (position - i) * (inverse[i + 1]! - below);
  }
  return kelvinFromBandRadiance(radiance) - ZERO_CELSIUS_IN_KELVIN;
}
