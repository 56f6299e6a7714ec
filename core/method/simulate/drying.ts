import { saturationPressure } from '../../ground/saturation';

/** Air in a room or by a sheltered wall: convection and radiation, W/m²K. */
const CONVECTION = 3;
const RADIATION = 5.1;
/** What the wall behind adds when its face cools, W/m²K. */
const BEHIND = 1;
/** cp · P · Le^⅔ / (0.622 L), Pa/K: heat against mass of a face that dries. */
const PSYCHROMETRIC = 60;

/**
 * Temperature of a face that dries, °C: what evaporation takes is what convection, radiation and the wall bring.
 *
 * @param dryC - of the same face without water
 * @param vapour - of the air, Pa
 * @param wetness - share of the face that is wet, 0 … 1
 *
 * Newton from the dry face, within 1 mK. Heat and mass by the analogy of Lewis (Incropera, ch. 6.7). Radiation and the wall
 * keep it above the wet bulb. A face below the dew point dries nothing and stays as it is.
 */
export function dryingTemperature(dryC: number, vapour: number, wetness: number): number {
  const bringing = CONVECTION + RADIATION + BEHIND;
  const taking = (wetness * CONVECTION) / PSYCHROMETRIC;
  let at = dryC;
  let saturated = saturationPressure(at);
  if (saturated <= vapour || taking === 0) return dryC;
  for (let i = 0; i < 3; i += 1) {
    // Saturation grows by some 6.5 % a kelvin.
    const balance = bringing * (dryC - at) - taking * (saturated - vapour);
    at += balance / (bringing + taking * saturated * 0.065);
    saturated = saturationPressure(at);
  }
  return at;
}
