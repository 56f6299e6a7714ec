import { MOULD_HUMIDITY, dewPointFromHumidity, surfaceTemperatureAtHumidity } from '../humidity/saturation';
import type { VisitDocument } from '../document';
import { settingsFor } from './settingsInForce';

/** Temperatures that mean something on the scale. */
export interface Meaning {
  name: 'air' | 'dew point' | 'mould risk';
  celsius: number;
}

/** Air, dew point and where mould becomes likely on a frame's side; the humidity that is known is the air's inside. */
export function meaningsFor(document: VisitDocument, frameId: string): Meaning[] {
  const { airC, humidityPct } = settingsFor(document, frameId);
  const meanings: Meaning[] = [];
  if (airC.origin !== 'default') meanings.push({ name: 'air', celsius: airC.value });
  const humidity = humidityPct.value;
  if (airC.origin !== 'default' && humidity !== null && humidity > 0) {
    meanings.push(
      { name: 'dew point', celsius: dewPointFromHumidity(airC.value, humidity / 100) },
      { name: 'mould risk', celsius: surfaceTemperatureAtHumidity(airC.value, humidity / 100, MOULD_HUMIDITY) },
    );
  }
  return meanings;
}
