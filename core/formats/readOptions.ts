import type { Basis } from '../frame/frame';
import type { TemperatureUnit } from '../units/temperature';

export interface ReadOptions {
  /** Said by the user; wins over what the file states. */
  unit?: TemperatureUnit | undefined;
  /** Up to 1 % of the pixels may be not finite and become pixels without a reading. */
  allowMissing?: boolean;
  /** What the values are, when the user knows that a camera already computed them. */
  basis?: Basis;
}
