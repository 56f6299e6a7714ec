import { hasReading } from '../../ground/hasReading';
import type { ProfilePoint } from '../frame/profile';
import type { Side } from '../../ground/side';

export type SealGrade = 'sound' | 'slight' | 'bad';

/** How far below sound wall, as a share of the difference between inside and outside, an edge is no longer sound, and bad. */
const SEAL_SHARES = { slight: 0.15, bad: 0.3 } as const;
/** The same in kelvin, where inside and outside are not known. */
const SEAL_KELVIN = { slight: 1.5, bad: 3 } as const;
/** Outdoors the film is a third of that inside, and so is what shows. */
const SIDE_SHARES: Record<Side, number> = { inside: 1, loft: 1, outside: 1 / 3 };

export interface SealRun {
  grade: SealGrade;
  /** From and to, pixels of way along the profile. */
  from: number;
  to: number;
  /** Farthest from the reference in this run, K, signed. */
  worst: number;
}

export interface OpeningSeal {
  runs: SealRun[];
  /** Way of each grade, pixels. */
  lengths: Record<SealGrade, number>;
  /** Of the whole opening: the worst grade that makes up at least a twentieth of it. */
  grade: SealGrade;
  thresholds: { slight: number; bad: number };
}

/** Below this share of the way a grade does not make the whole opening. */
const COUNTS_FROM = 0.05;

/**
 * Grades the edge of a door or window along a profile round it and adds up what is to be sealed.
 *
 * @param profile - round the opening, °C
 * @param reference - sound wall beside it, °C
 * @param towards - this side's air minus the other's, K, when known; its sign says whether leaks show cold or warm
 * @param side - that is looked at
 *
 * An edge counts by how far it lies from sound wall in the direction of the outside, as a share of the difference between
 * inside and outside (15 % slight, 30 % bad; 1.5 K and 3 K when that is not known), outdoors a third of that. Frames are colder than walls even when
 * tight, so a grade is a reason to feel for a draught, not a verdict.
 */
export function gradeOpening(
  profile: readonly ProfilePoint[],
  reference: number,
  towards: number | null,
  side: Side,
): OpeningSeal {
  // Where nobody said, houses are heated: leaks are cold inside and warm outdoors.
  const direction = (towards ?? (side === 'inside' ? 1 : -1)) < 0 ? 1 : -1;
  const unknown = towards === null || Math.abs(towards) < 1;
  const [base, times] = unknown ? [SEAL_KELVIN, SIDE_SHARES[side]] : [SEAL_SHARES, SIDE_SHARES[side] * Math.abs(towards)];
  const thresholds = { slight: base.slight * times, bad: base.bad * times };
  const gradeOf = (off: number): SealGrade => (off >= thresholds.bad ? 'bad' : off >= thresholds.slight ? 'slight' : 'sound');
  const runs: SealRun[] = [];
  const lengths = { sound: 0, slight: 0, bad: 0 };
  for (let i = 0; i < profile.length; i += 1) {
    const { along, celsius } = profile[i]!;
    if (!hasReading(celsius)) continue;
    const off = direction * (celsius - reference);
    const grade = gradeOf(off);
    const until = profile[i + 1]?.along ?? along;
    lengths[grade] += until - along;
    const last = runs.at(-1);
    if (last?.grade === grade) {
      last.to = until;
      if (off > direction * last.worst) last.worst = celsius - reference;
    } else runs.push({ grade, from: along, to: until, worst: celsius - reference });
  }
  const total = lengths.sound + lengths.slight + lengths.bad;
  const grade = (['bad', 'slight'] as const).find((one) => lengths[one] >= COUNTS_FROM * total) ?? 'sound';
  return { runs, lengths, grade, thresholds };
}
