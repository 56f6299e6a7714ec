import { dewPointFromHumidity, surfaceTemperatureAtHumidity } from '../../ground/saturation';
import type { VisitDocument } from '../../model/document';
import { MOULD_HUMIDITY } from './moisture';
import { settingsFor } from './settingsInForce';
import { sideOf } from './standing';
import type { Side } from '../../ground/side';

/** Temperatures that mean something on the scale. */
export interface Meaning {
  name: 'air' | 'dew point' | '80 % humid';
  /** As it stands beside the scale. */
  label: string;
  celsius: number;
}

const AIR_WORDS: Record<Side, string> = { inside: 'air inside', loft: 'air of this space', outside: 'air outside' };

/**
 * Air, dew point (below 0 °C frost point) and where the air at the surface is 80 % humid now, on a frame's side; the humidity that
 * is known is the air's inside.
 */
export function meaningsFor(document: VisitDocument, frameId: string): Meaning[] {
  const { airC, humidityPct } = settingsFor(document, frameId);
  const meanings: Meaning[] = [];
  if (airC.origin === 'default') return meanings;
  meanings.push({ name: 'air', label: AIR_WORDS[sideOf(document, frameId)], celsius: airC.value });
  const humidity = humidityPct.value;
  if (humidity !== null && humidity > 0) {
    const dew = dewPointFromHumidity(airC.value, humidity / 100);
    const damp = surfaceTemperatureAtHumidity(airC.value, humidity / 100, MOULD_HUMIDITY);
    meanings.push(
      { name: 'dew point', label: dew < 0 ? 'frost point' : 'dew point', celsius: dew },
      { name: '80 % humid', label: '80 % humid', celsius: damp },
    );
  }
  return meanings;
}
