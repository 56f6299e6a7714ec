import * as z from 'zod';
import { defineEntity, OF_VISIT } from './entity';
import { idSchema, momentSchema, nameSchema } from '../ground/fields';
import { PIPE_MATERIALS } from '../method/heating/pipes';
import { ORIENTATIONS } from '../method/heating/valve/closedValve';

/** How the lever of a zone valve's motor feels. */
export const LEVERS = ['slack', 'resists'] as const;

const celsius = z.number().min(-30, 'must be at least −30 °C').max(150, 'must not exceed 150 °C');

/** What is asked of a pipe: whether a valve holds, whether zones do, what a run or a cylinder loses. */
export const PIPE_QUESTIONS = ['valve', 'zones', 'run', 'cylinder'] as const;
export type PipeQuestion = (typeof PIPE_QUESTIONS)[number];

const minutesSchema = z.number().min(0, 'must not be negative').max(1440, 'must not exceed a day');

export const pipeValueSchema = z.object({
  visitId: idSchema,
  name: nameSchema(120),
  question: z.enum(PIPE_QUESTIONS),
  /** Of what it is made, how thick, in what air, hot for how long: null while nobody said. */
  material: z.enum(PIPE_MATERIALS).nullable(),
  outerMm: z.number().min(4, 'must be at least 4 mm').max(300, 'must not exceed 300 mm').nullable(),
  wallMm: z.number().min(0.3, 'must be at least 0.3 mm').max(20, 'must not exceed 20 mm').nullable(),
  laggingMm: z.number().min(0, 'must not be negative').max(200, 'must not exceed 200 mm').nullable(),
  airC: z.number().min(-20, 'must be at least −20 °C').max(60, 'must not exceed 60 °C').nullable(),
  /** Heat creeps along a level pipe; one that rises circulates in itself. null while nobody said it. */
  orientation: z.enum(ORIENTATIONS).nullable(),
  /** When the valve was closed, and what the pipe behind it read then. */
  closedAt: momentSchema.nullable(),
  hotC: celsius.nullable(),
  /** Places behind the closed valve. */
  points: z
    .array(
      z.object({
        m: z.number().min(0, 'must not be negative').max(100, 'must not exceed 100 m'),
        celsius,
        /** Taped or painted: bright metal shows the room. */
        taped: z.boolean(),
        /** Since the valve was closed. */
        minutes: minutesSchema.nullish(),
      }),
    )
    .max(40),
  zones: z
    .array(
      z.object({
        name: nameSchema(60),
        onC: celsius.nullable(),
        offC: celsius.nullable(),
        /** Since its call ended. */
        minutes: minutesSchema.nullish(),
        leverOn: z.enum(LEVERS).nullish(),
        leverOff: z.enum(LEVERS).nullish(),
      }),
    )
    .max(20),
  /** Of a run, m; of a cylinder its outside, m². */
  extent: z.number().min(0.1, 'must be at least 0.1').max(500, 'must not exceed 500').nullable(),
  waterC: celsius.nullable(),
  surfaceC: celsius.nullable(),
  hoursYear: z.number().min(0, 'must not be negative').max(8784, 'must not exceed 8784').nullable(),
  /** Of a kilowatt-hour of heat, in the currency of the house. */
  pricePerKwh: z.number().min(0, 'must not be negative').max(100, 'must not exceed 100').nullable(),
});

export type PipeValue = z.infer<typeof pipeValueSchema>;

export const pipeEntity = defineEntity({
  name: 'pipe',
  label: 'pipe',
  schema: pipeValueSchema,
  scope: 'visit',
  parent: OF_VISIT,
  words: {
    name: 'name',
    question: 'question',
    material: 'material',
    outerMm: 'outer diameter',
    wallMm: 'wall',
    laggingMm: 'lagging',
    airC: 'air',
    orientation: 'level or rising',
    closedAt: 'closed at',
    hotC: 'pipe when it was closed',
    points: 'places',
    zones: 'zones',
    extent: 'extent',
    waterC: 'water',
    surfaceC: 'surface',
    hoursYear: 'hours a year',
    pricePerKwh: 'price',
  },
});
