import * as z from 'zod';
import { radiometricSettingsSchema } from './radiometricSettings';

/**
 * What the values of a frame are: apparent temperatures (as a perfect emitter would look), or object temperatures that
 * a camera already computed with settings of its own.
 */
export const basisSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('apparent') }),
  z.object({ kind: z.literal('computed'), settings: radiometricSettingsSchema }),
]);

export type Basis = z.infer<typeof basisSchema>;

export const APPARENT: Basis = { kind: 'apparent' };
