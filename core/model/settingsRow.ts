import * as z from 'zod';
import { defineEntity } from './entity';
import { idSchema } from '../ground/fields';
import { settingsSchema } from '../method/radiometry/settings';

export const settingsValueSchema = settingsSchema.extend({
  level: z.enum(['visit', 'surface', 'frame', 'region']),
  ownerId: idSchema,
});

export type SettingsValue = z.infer<typeof settingsValueSchema>;

export const settingsEntity = defineEntity({
  name: 'settings',
  label: 'set of settings',
  schema: settingsValueSchema,
  scope: 'visit',
  parent: { field: 'ownerId', kinds: ['visit', 'surface', 'frame', 'region'], kindField: 'level' },
  fixed: ['level'],
  words: {
    emissivity: 'emissivity',
    reflectedC: 'reflected apparent temperature',
    airC: 'air',
    humidityPct: 'humidity',
    distanceM: 'distance',
    transmittance: 'transmittance',
    emissivityU: 'uncertainty of the emissivity',
    emissivityFrom: 'where the emissivity comes from',
    emissivityShares: 'what that uncertainty is made of',
    material: 'material',
    reflectedU: 'uncertainty of the reflected temperature',
    reflectedFrom: 'where the reflected temperature comes from',
    reflectedShares: 'what that uncertainty is made of',
    palm: 'palm test',
  },
});
