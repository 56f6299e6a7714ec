import type { Origin, ResolvedSettings, Sourced } from '../radiometry/settings';
import * as format from '../units/format';
import type { DisplayUnit } from '../units/temperature';
import type { Fact } from './fact';

const ORIGINS: Record<Origin, string> = {
  visit: 'set for the visit',
  surface: 'set for the surface',
  frame: 'set for the frame',
  region: 'set for the region',
  conditions: 'from the conditions',
  path: 'reckoned from distance and humidity',
  air: 'assumed: as the air',
  sky: 'assumed: ground and sky, from air and cloud',
  default: 'assumed, as usual',
};

/** Where a value was found, when somebody said. */
function sourceWords({ from }: Sourced): string {
  return from ? `, ${from}` : '';
}

/** The settings that a reading was made under, each with where it comes from. */
export function settingFacts(settings: ResolvedSettings, unit: DisplayUnit): Fact[] {
  const fact = (label: string, value: string, origin: Origin): Fact => ({ label, value: `${value} (${ORIGINS[origin]})` });
  const { emissivity, reflectedC, airC, distanceM, transmittance } = settings;
  return [
    fact('Emissivity', `${format.number(emissivity.value, 2)}${sourceWords(emissivity)}`, emissivity.origin),
    fact(
      'Reflected apparent temperature',
      `${format.temperature(reflectedC.value, unit)}${sourceWords(reflectedC)}`,
      reflectedC.origin,
    ),
    fact('Air', format.temperature(airC.value, unit), airC.origin),
    { label: 'Distance', value: distanceM.value === null ? 'not noted' : `${format.number(distanceM.value, 1)} m` },
    fact('Transmittance', format.number(transmittance.value, 2), transmittance.origin),
  ];
}
