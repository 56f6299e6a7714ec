import * as z from 'zod';
import { SIDES } from '../ground/side';
import { momentSchema, textSchema } from '../ground/fields';
import { CHECKS, type CheckCode } from '../method/causes/checks';
import { CIRCUMSTANCES, type Circumstance } from '../method/causes/circumstances';
import { TRAITS, type Evidence, type Trait } from '../method/causes/evidence';
import type { Measured } from '../method/causes/measured';
import type { Known } from '../method/causes/rank';

const celsius = z.number().min(-273.15).max(3000);

/** Evidence as it is stored: a trait or value that is not known any more is left out when it is read. */
const evidenceSchema = z
  .record(z.string(), z.string())
  .transform((stored): Evidence =>
    Object.fromEntries(
      Object.entries(stored).filter(([trait, value]) =>
        (TRAITS[trait as Trait] as readonly string[] | undefined)?.includes(value),
      ),
    ),
  );

/** What a finding's cause is argued from: what was measured, what is known of the place, and the checks that were made. */
export const arguedSchema = z.object({
  measured: z.object({
    side: z.enum(SIDES),
    insideC: celsius.nullable(),
    outsideC: celsius.nullable(),
    wetBulbC: celsius.nullable(),
    dewPointC: celsius.nullable(),
    evidence: evidenceSchema,
    contrastK: z.number().min(-3000).max(3000),
    extremeC: celsius,
    share: z.number().min(0).max(1),
  }),
  circumstances: z
    .array(z.string())
    .max(40)
    .transform((codes) => codes.filter((code): code is Circumstance => code in CIRCUMSTANCES)),
  outcomes: z
    .array(z.object({ check: z.string(), outcome: z.string(), at: momentSchema, note: textSchema(400) }))
    .max(40)
    .transform((made) =>
      made.filter(
        (one): one is { check: CheckCode; outcome: string; at: number; note: string } =>
          one.check in CHECKS && one.outcome in CHECKS[one.check as CheckCode].outcomes,
      ),
    ),
});

/** See `arguedSchema`. */
export interface Argued {
  measured: Measured;
  circumstances: Circumstance[];
  outcomes: { check: CheckCode; outcome: string; at: number; note: string }[];
}

export function knownOf({ measured, circumstances, outcomes }: Argued): Known {
  return { evidence: measured.evidence, circumstances, outcomes };
}
