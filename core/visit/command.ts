import { z } from 'zod';
import {
  conditionsValueSchema,
  findingValueSchema,
  frameValueSchema,
  intakeValueSchema,
  loanHomeValueSchema,
  loanValueSchema,
  photoValueSchema,
  planValueSchema,
  probeValueSchema,
  regionValueSchema,
  sequenceValueSchema,
  settingsValueSchema,
  siteValueSchema,
  visitValueSchema,
  type Entity,
} from './rows';
import { cameraValueSchema, handoverValueSchema, instrumentValueSchema } from '../camera/rows';
import { materialValueSchema } from '../radiometry/materials';
import { roomValueSchema, surfaceValueSchema } from '../house/rows';
import { kitListValueSchema, kitValueSchema, logValueSchema, putBackValueSchema, stopValueSchema } from '../round/rows';
import { idSchema } from './fields';

/**
 * One change of one row. `id` names the command, so that it can be sent again without being carried out twice;
 * `version` is the version that was seen (0: there is no such row yet), so that a stale change is refused.
 */
function put<E extends Entity, V extends z.ZodType>(entity: E, value: V) {
  return z.object({
    id: idSchema,
    action: z.literal('put'),
    entity: z.literal(entity),
    rowId: idSchema,
    version: z.number().int().min(0),
    value,
  });
}

const removeSchema = z.object({
  id: idSchema,
  action: z.literal('remove'),
  entity: z.enum([
    'region',
    'settings',
    'finding',
    'loanHome',
    'room',
    'surface',
    'stop',
    'putBack',
    'log',
    'kit',
    'kitList',
    'sequence',
    'probe',
  ]),
  rowId: idSchema,
  version: z.number().int().min(1),
});

export const commandSchema = z.union([
  z.discriminatedUnion('entity', [
    put('region', regionValueSchema),
    put('frame', frameValueSchema),
    put('settings', settingsValueSchema),
    put('visit', visitValueSchema),
    put('conditions', conditionsValueSchema),
    put('photo', photoValueSchema),
    put('sequence', sequenceValueSchema),
    put('probe', probeValueSchema),
    put('material', materialValueSchema),
    put('finding', findingValueSchema),
    put('site', siteValueSchema),
    put('intake', intakeValueSchema),
    put('plan', planValueSchema),
    put('loan', loanValueSchema),
    put('loanHome', loanHomeValueSchema),
    put('room', roomValueSchema),
    put('surface', surfaceValueSchema),
    put('stop', stopValueSchema),
    put('putBack', putBackValueSchema),
    put('log', logValueSchema),
    put('kit', kitValueSchema),
    put('kitList', kitListValueSchema),
    put('camera', cameraValueSchema),
    put('instrument', instrumentValueSchema),
    put('handover', handoverValueSchema),
  ]),
  removeSchema,
]);

export type Command = z.infer<typeof commandSchema>;

/** What is answered when a command was carried out: the row's new version, 0 when it is gone. */
export interface CommandAnswer {
  version: number;
}
