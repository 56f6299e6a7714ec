import { expose } from 'comlink';
import type { Matched } from '@core/compare/byHand';
import { changesOf, warped, type Change, type Look, type Place } from '@core/compare/change';
import { laidOn, type Laying } from '@core/compare/lay';
import type { Homography } from '@core/geometry/homography';
import type { Grid } from '@core/detect/grid';
import { inWeatherOf } from '@core/proof/looks';
import { answerOf, type Answer } from '@core/proof/proven';
import type { Sides } from '@core/proof/sides';

/** Brings frames onto each other and compares them, away from the page's own thread. */
const api = {
  lay(before: Grid, after: Grid, points: readonly Matched[]): Laying {
    return laidOn(before, after, points);
  },

  /** What changed in each place, and the later frame as it would have looked in the weather of the earlier visit. */
  compare(before: Look, after: Look, h: Homography, places: readonly Place[]): { changes: Change[]; alike: Float32Array } {
    const alike = { ...after.surface, values: inWeatherOf(before, after) };
    return { changes: changesOf(before, after, h, places), alike: warped(alike, before.surface, h) };
  },

  /** All that a pair says. */
  answer(sides: Sides, points: readonly Matched[], places: readonly Place[]): Answer {
    return answerOf(sides, points, places);
  },
};

export type CompareWorker = typeof api;

expose(api);
