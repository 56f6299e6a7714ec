import type { VisitDocument } from '../../model/document';
import { visitRow } from './theVisit';

/** Stands on every picture, file and page of a practice visit. */
export const PRACTICE_WORD = 'Practice';

/** What a practice visit's papers say at their feet. */
export const PRACTICE_FOOT = 'Practice: a made-up house, no evidence of a real one';

/** Whether a visit is one for learning: a made-up house, invented weather, a camera that sees it. */
export function isPractice(document: VisitDocument): boolean {
  return visitRow(document).value.practice;
}
