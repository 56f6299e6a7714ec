import * as z from 'zod';
import { ref } from './reference';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema, nameSchema, textSchema } from '../ground/fields';
import { FUELS } from '../method/heating/combustion';
import { TEST_STATES } from '../method/heating/testStates';

const pct = z.number().min(0, 'must not be negative').max(100, 'must not exceed 100 %').nullable();
const ppm = z.number().min(0, 'must not be negative').max(1_000_000, 'must not exceed 1 000 000 ppm').nullable();
const flue = z.number().min(-30, 'must be at least −30 °C').max(1000, 'must not exceed 1000 °C').nullable();

/** Readings and limits of one fire rate. */
export const fireRateSchema = z.object({
  name: nameSchema(40),
  /** Page of the maker's manual that its limits stand on. */
  page: textSchema(40),
  o2LowPct: pct,
  o2HighPct: pct,
  co2LowPct: pct,
  co2HighPct: pct,
  /** Of CO as the manual states it: air-free or as read. */
  coMostPpm: ppm,
  coAirFree: z.boolean(),
  flueMostC: flue,
  efficiencyLeastPct: z.number().min(0).max(120, 'must not exceed 120 %').nullable(),
  o2Pct: pct,
  co2Pct: pct,
  coPpm: ppm,
  flueC: flue,
  airC: z.number().min(-40, 'must be at least −40 °C').max(60, 'must not exceed 60 °C').nullable(),
});

export type FireRate = z.infer<typeof fireRateSchema>;

/** The card of one boiler, filled in by somebody licensed. */
export const boilerCardValueSchema = z.object({
  visitId: idSchema,
  boiler: nameSchema(120),
  /** null while nobody said: nothing is judged then. */
  fuel: z.enum(FUELS).nullable(),
  /** Who tested, and with which licence. Without both nothing is judged. */
  by: textSchema(120),
  licence: textSchema(80),
  testedAt: momentSchema,
  states: z.array(z.enum(TEST_STATES)).max(TEST_STATES.length),
  rates: z.array(fireRateSchema).max(6),
  parts: z.array(z.object({ part: nameSchema(60), note: textSchema(400), photoId: ref('photo', 'forget').nullable() })).max(40),
});

export type BoilerCardValue = z.infer<typeof boilerCardValueSchema>;

export const boilerCardEntity = defineEntity({
  name: 'boilerCard',
  label: 'boiler card',
  schema: boilerCardValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: {
    boiler: 'boiler',
    fuel: 'fuel',
    by: 'tested by',
    licence: 'licence',
    states: 'state of the test',
    rates: 'fire rates',
    parts: 'parts',
  },
});
