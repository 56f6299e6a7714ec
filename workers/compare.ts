import { expose } from 'comlink';
import { mapThrough, type Matched } from '@core/compare/byHand';
import { changesOf, warped, type Change, type Look, type Place } from '@core/compare/change';
import { register } from '@core/compare/register';
import { CoreError, type CoreErrorData } from '@core/errors';
import type { Homography } from '@core/geometry/homography';
import type { Grid } from '@core/detect/grid';
import { inWeatherOf } from '@core/proof/looks';

/** How the later frame lies on the earlier one. */
export interface Laid {
  h: Homography;
  residualPx: number;
  /** Share of the earlier frame that the later one shows. */
  overlap: number;
  byHand: boolean;
  /** The later frame on the pixels of the earlier one, °C; NaN where it does not show them. */
  laid: Float32Array;
}

export type Laying = { laid: Laid } | { error: CoreErrorData };

/** Brings frames onto each other and compares them, away from the page's own thread. */
const api = {
  lay(before: Grid, after: Grid, points: readonly Matched[]): Laying {
    try {
      const hand = mapThrough(points);
      const found = hand ? null : register(before, after);
      const h = hand?.h ?? found!.transform;
      const laid = warped(after, before, h);
      const shown = laid.reduce((sum, value) => sum + (Number.isNaN(value) ? 0 : 1), 0) / laid.length;
      return {
        laid: {
          h,
          laid,
          residualPx: hand?.residualPx ?? found!.residualPx,
          overlap: found?.overlap ?? shown,
          byHand: hand !== null,
        },
      };
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      return { error: error.toJSON() };
    }
  },

  /** What changed in each place, and the later frame as it would have looked in the weather of the earlier visit. */
  compare(before: Look, after: Look, h: Homography, places: readonly Place[]): { changes: Change[]; alike: Float32Array } {
    const alike = { ...after.surface, values: inWeatherOf(before, after) };
    return { changes: changesOf(before, after, h, places), alike: warped(alike, before.surface, h) };
  },
};

export type CompareWorker = typeof api;

expose(api);
