import type { Grid } from '../../ground/grid';
import { CoreError, type CoreErrorData } from '../../ground/errors';
import type { Homography } from '../../ground/homography';
import { mapThrough, type Matched } from './byHand';
import { warped } from './change';
import { register } from './register';

/** How a later frame lies on an earlier one. */
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

/**
 * Lays a later frame on an earlier one: by points that somebody marked in both, else by what they show.
 *
 * @param points - two or more count; fewer leave it to the pictures
 */
export function laidOn(before: Grid, after: Grid, points: readonly Matched[]): Laying {
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
}
