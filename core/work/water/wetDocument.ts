import * as z from 'zod';
import { CoreError } from '../../ground/errors';
import { WET_WALLS, type Patch, type WetOrNot } from './wet';

const documentSchema = z
  .array(
    z.object({
      surface_c: z.number().min(-30).max(90),
      surface_u: z.number().min(0.05).max(20),
      air_c: z.number().min(-30).max(60),
      rh: z.number().min(1).max(100),
      wall: z.enum(WET_WALLS),
      behind_c: z.number().min(-50).max(60).nullable(),
      cover_heated: z.boolean(),
    }),
  )
  .min(1)
  .max(5000);

/**
 * Reads what `./den wet` is asked: a list of surfaces.
 *
 * @throws CoreError `bad_input` with the first thing that is wrong: its place and what it should be
 */
export function patchesFrom(document: unknown): Patch[] {
  const parsed = documentSchema.safeParse(document);
  if (!parsed.success) {
    const { path, message } = parsed.error.issues[0]!;
    throw new CoreError('bad_input', `${path.join('.') || 'the document'}: ${message}.`, {}, 'Correct it and ask again.');
  }
  return parsed.data.map((one) => ({
    surfaceC: one.surface_c,
    surfaceU: one.surface_u,
    airC: one.air_c,
    humidity: one.rh / 100,
    wall: one.wall,
    behindC: one.behind_c,
    coverHeated: one.cover_heated,
  }));
}

/** The same verdict in the words of the document. */
export const wetAnswer = ({ says }: WetOrNot): object => ({ verdict: says });
