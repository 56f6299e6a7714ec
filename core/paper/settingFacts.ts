import type { VisitDocument } from '../model/document';
import type { ResolvedSettings, SettingName, Sourced } from '../method/radiometry/settings';
import * as format from '../ground/format';
import type { DisplayUnit } from '../ground/temperature';
import { originOf } from '../work/visit/originOf';
import type { Fact } from './fact';

/** Where a value was found, when somebody said. */
function sourceWords({ from }: Sourced): string {
  return from ? `, ${from}` : '';
}

/** The settings that a reading was made under, each with where it comes from. */
export function settingFacts(document: VisitDocument, frameId: string, settings: ResolvedSettings, unit: DisplayUnit): Fact[] {
  const fact = (label: string, value: string, name: SettingName): Fact => ({
    label,
    value: `${value} (${originOf(document, frameId, name, settings[name].origin).words})`,
  });
  const { emissivity, reflectedC, airC, distanceM, transmittance } = settings;
  return [
    fact('Emissivity', `${format.number(emissivity.value, 2)}${sourceWords(emissivity)}`, 'emissivity'),
    fact(
      'Reflected apparent temperature',
      `${format.temperature(reflectedC.value, unit)}${sourceWords(reflectedC)}`,
      'reflectedC',
    ),
    fact('Air', format.temperature(airC.value, unit), 'airC'),
    distanceM.value === null
      ? { label: 'Distance', value: 'not noted' }
      : fact('Distance', `${format.number(distanceM.value, 1)} m`, 'distanceM'),
    fact('Transmittance', format.number(transmittance.value, 2), 'transmittance'),
  ];
}
