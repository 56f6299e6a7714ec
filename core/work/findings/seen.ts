import type { Candidate, Look } from '../../method/detect/candidate';

/** Changes whenever the same pixels would give other candidates: kept looks of another version are made anew. */
export const LOOK_VERSION = 3;

/** A candidate without its pixels: its outline stands for them. */
export type Seen = Omit<Candidate, 'rows'>;

/** What a frame holds, as it is kept and sent. */
export interface FrameLook extends Omit<Look, 'candidates' | 'asides'> {
  candidates: Seen[];
  /** What was set aside, and how many pixels of it. */
  asides: { kind: Look['asides'][number]['kind']; area: number }[];
}

export function frameLookOf({ candidates, asides, ...look }: Look): FrameLook {
  return {
    ...look,
    candidates: candidates.map(({ rows: _, ...seen }) => seen),
    asides: asides.map(({ kind, rows }) => ({ kind, area: rows.reduce((sum, { from, to }) => sum + to - from + 1, 0) })),
  };
}
