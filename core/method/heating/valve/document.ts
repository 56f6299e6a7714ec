import * as z from 'zod';
import { CoreError } from '../../../ground/errors';
import { PIPE_MATERIALS } from '../pipes';
import type { ClosedValve, JudgedValve } from './closedValve';

const celsius = z.number().min(-30).max(150);
const uncertainty = z.number().min(0.05).max(20);

const valveSchema = z
  .object({
    id: z.string().min(1).max(60),
    kind: z.enum(['valve', 'zone']),
    outer_mm: z.number().min(4).max(300),
    wall_mm: z.number().min(0.3).max(20),
    material: z.enum(PIPE_MATERIALS),
    lagging_mm: z.number().min(0).max(200),
    orientation: z.enum(['level', 'rising']),
    room_c: z.number().min(-20).max(60),
    room_u: uncertainty,
    hot_c: celsius,
    supply_c: celsius,
    readings: z
      .array(z.object({ minutes: z.number().min(0).max(1440), m: z.number().min(0).max(100), c: celsius, u: uncertainty }))
      .min(1)
      .max(60),
  })
  .refine(({ outer_mm, wall_mm }) => 2 * wall_mm < outer_mm, { message: 'is thicker than the pipe', path: ['wall_mm'] });

const documentSchema = z.array(valveSchema).min(1).max(500);

/**
 * Reads what `./den valve` is asked: a list of closed valves with what was read behind each.
 *
 * @throws CoreError `bad_input` with the first thing that is wrong: its place and what it should be
 */
export function closedValvesFrom(document: unknown): ClosedValve[] {
  const parsed = documentSchema.safeParse(document);
  if (!parsed.success) {
    const { path, message } = parsed.error.issues[0]!;
    throw new CoreError('bad_input', `${path.join('.') || 'the document'}: ${message}.`, {}, 'Correct it and ask again.');
  }
  return parsed.data.map((one) => ({
    build: { material: one.material, outerMm: one.outer_mm, wallMm: one.wall_mm, laggingMm: one.lagging_mm },
    orientation: one.orientation,
    roomC: one.room_c,
    roomU: one.room_u,
    hotC: one.hot_c,
    supplyC: one.supply_c,
    readings: one.readings.map(({ minutes, m, c, u }) => ({ minutes, m, celsius: c, u })),
  }));
}

const hundredth = (value: number | null) => (value === null ? null : Math.round(100 * value) / 100);

/** The same verdict in the words of the document. */
export function valveAnswer({ verdict, litresHour, lowLitres, highLitres, waitMinutes }: JudgedValve): object {
  return {
    verdict,
    litresPerHour: hundredth(litresHour),
    low: hundredth(lowLitres),
    high: hundredth(highLitres),
    waitMinutes,
  };
}
