import { hasReading } from '../pixels/hasReading';
import type { ProfilePoint } from '../frame/profile';

export type SealGrade = 'sound' | 'slight' | 'bad';

/** How far below sound wall, as a share of the difference between inside and outside, an edge is no longer sound, and bad. */
const SEAL_SHARES = { slight: 0.15, bad: 0.3 } as const;
/** The same in kelvin, where inside and outside are not known. */
const SEAL_KELVIN = { slight: 1.5, bad: 3 } as const;

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
 * @param indoorOutdoor - inside minus outside, K, when known; its sign says whether leaks show cold or warm
 *
 * An edge counts by how far it lies from sound wall in the direction of the outside, as a share of the difference between
 * inside and outside (15 % slight, 30 % bad; 1.5 K and 3 K when that is not known). Frames are colder than walls even when
 * tight, so a grade is a reason to feel for a draught, not a verdict.
 */
export function gradeOpening(profile: readonly ProfilePoint[], reference: number, indoorOutdoor: number | null): OpeningSeal {
  const direction = indoorOutdoor !== null && indoorOutdoor < 0 ? 1 : -1;
  const thresholds =
    indoorOutdoor === null || Math.abs(indoorOutdoor) < 1
      ? SEAL_KELVIN
      : { slight: SEAL_SHARES.slight * Math.abs(indoorOutdoor), bad: SEAL_SHARES.bad * Math.abs(indoorOutdoor) };
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
