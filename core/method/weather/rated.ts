import type { Reason } from './reasons';

/** What an hour is worth, and why. */
export interface Score {
  /** 0 useless … 1 as good as it gets. */
  score: number;
  /** What weighs most first; the difference is always among them. */
  reasons: Reason[];
}

/** Multiplies and sorts in place, by insertion: the lists are short and there are hundreds of thousands of them in a year. */
export function rated(reasons: Reason[]): Score {
  let score = 1;
  for (let i = 0; i < reasons.length; i += 1) {
    const reason = reasons[i]!;
    score *= reason.factor;
    let k = i - 1;
    for (; k >= 0 && reasons[k]!.factor > reason.factor; k -= 1) reasons[k + 1] = reasons[k]!;
    reasons[k + 1] = reason;
  }
  return { score, reasons };
}

/** From here an hour is good with care. */
export const GOOD_WITH_CARE = 0.5;

/** What people call a score: A go, B with care, C poor, – no. */
export function gradeOf(score: number): 'A' | 'B' | 'C' | '–' {
  return score >= 0.75 ? 'A' : score >= GOOD_WITH_CARE ? 'B' : score >= 0.25 ? 'C' : '–';
}
