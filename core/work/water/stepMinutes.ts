import type { HuntStep } from '../../model/hypotheses';

/** Steps that take their time before their outcome means anything, min. What runs water over a floor is forecast instead. */
export const STEP_MINUTES: Partial<Record<HuntStep, number>> = {
  'meter-still': 15,
  'meter-hot-off': 15,
  'meter-heating-off': 60,
  'standing-cools': 60,
  listen: 5,
  fixtures: 10,
  'drain-warm': 10,
};

/** How far a timer of a step is: minutes that are over, and whether that is enough. */
export interface Timed {
  minutes: number;
  of: number;
  over: boolean;
}

/** @param began, now - ms since 1970 @returns null for a step without a timer, and for one that was not begun */
export function timedStep(step: HuntStep, began: number | undefined, now: number): Timed | null {
  const of = STEP_MINUTES[step];
  if (of === undefined || began === undefined) return null;
  const minutes = Math.max(0, Math.floor((now - began) / 60_000));
  return { minutes, of, over: minutes >= of };
}
