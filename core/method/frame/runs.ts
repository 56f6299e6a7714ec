/** A frame as far as a run of frames is concerned. */
export interface Numbered {
  id: string;
  fileName: string;
  /** ms since 1970. */
  takenAt: number;
  width: number;
  height: number;
}

export interface Run {
  name: string;
  ids: string[];
  /** Seconds from one to the next; null when the clock does not tell. */
  intervalS: number | null;
}

/** A frame with its name taken apart. */
interface Named {
  frame: Numbered;
  prefix: string;
  number: number;
}

/** Fewer frames are no recording. */
const LEAST_FRAMES = 5;
/** A card numbers single shots too; those of a recording follow at once, s. */
const LONGEST_GAP_S = 15;
/** Gaps of a recording are even: they stray from their middle by no more than this share, or by a second. */
const EVEN = 0.5;

/**
 * Runs of frames that were recorded one after the other: names that differ by a number that counts up by one, one size,
 * and even, short times between them. Frames of another size end a run.
 */
export function findRuns(frames: readonly Numbered[]): Run[] {
  const byStem = new Map<string, Named[]>();
  for (const frame of frames) {
    const match = /^(.*?)(\d+)(\D*)$/.exec(frame.fileName);
    if (!match) continue;
    const stem = JSON.stringify([match[1], match[3], frame.width, frame.height]);
    byStem.set(stem, [...(byStem.get(stem) ?? []), { frame, prefix: match[1]!, number: Number(match[2]) }]);
  }
  const runs: Run[] = [];
  for (const group of byStem.values()) {
    const sorted = [...group].sort((a, b) => a.number - b.number);
    let from = 0;
    for (let i = 1; i <= sorted.length; i += 1) {
      if (i < sorted.length && follows(sorted[i - 1]!, sorted[i]!)) continue;
      const part = sorted.slice(from, i);
      from = i;
      const run = runOf(part.map(({ frame }) => frame));
      if (run) runs.push({ ...run, name: part[0]!.prefix.replace(/[-_ .]+$/, '') || 'Sequence' });
    }
  }
  return runs;
}

function follows(a: Named, b: Named): boolean {
  const gap = (b.frame.takenAt - a.frame.takenAt) / 1000;
  return b.number === a.number + 1 && gap >= 0 && gap <= LONGEST_GAP_S;
}

function runOf(frames: Numbered[]): Omit<Run, 'name'> | null {
  if (frames.length < LEAST_FRAMES) return null;
  const gaps = frames.slice(1).map((frame, i) => (frame.takenAt - frames[i]!.takenAt) / 1000);
  const middle = [...gaps].sort((a, b) => a - b)[gaps.length >> 1]!;
  if (gaps.some((gap) => Math.abs(gap - middle) > Math.max(1, EVEN * middle))) return null;
  return { ids: frames.map(({ id }) => id), intervalS: middle > 0 ? middle : null };
}
