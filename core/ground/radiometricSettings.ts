import * as z from 'zod';

const celsius = z.number().min(-150).max(2000);

/** What turns apparent into object temperatures. Temperatures in °C, emissivity and transmittance as fractions. */
export const radiometricSettingsSchema = z.object({
  emissivity: z.number().gt(0).max(1),
  reflected: celsius,
  air: celsius,
  transmittance: z.number().gt(0).max(1),
});

export type RadiometricSettings = z.infer<typeof radiometricSettingsSchema>;

/** A perfect emitter close by: values are taken as they are. */
export const AS_SEEN: RadiometricSettings = { emissivity: 1, reflected: 20, air: 20, transmittance: 1 };
