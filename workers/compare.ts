import { expose } from 'comlink';
import type { Matched } from '@core/method/compare/byHand';
import { changesOf, warped, type Change, type Known, type Look, type Place } from '@core/method/compare/change';
import { differentLooking } from '@core/method/compare/sameLook';
import { laidOn, type Laying } from '@core/method/compare/lay';
import type { Homography } from '@core/ground/homography';
import type { Grid } from '@core/ground/grid';
import { inWeatherOf } from '@core/work/proof/looks';
import { answerOf, type Answer } from '@core/work/proof/proven';
import type { Sides } from '@core/work/proof/sides';
import { photosSeen, type AskedPhotos } from './photoSeen';

/** Brings frames onto each other and compares them, away from the page's own thread. */
const api = {
  lay(before: Grid, after: Grid, points: readonly Matched[]): Laying {
    return laidOn(before, after, points);
  },

  /** What changed in each place, and the later frame as it would have looked in the weather of the earlier visit. */
  async compare(
    before: Look,
    after: Look,
    h: Homography,
    places: readonly Place[],
    known: Known,
    asked: AskedPhotos,
  ): Promise<{ changes: Change[]; alike: Float32Array; whole: boolean }> {
    const photos = await photosSeen(asked);
    const different = photos ? differentLooking(...photos, h, places) : undefined;
    const alike = { ...after.surface, values: inWeatherOf(before, after) };
    return {
      changes: changesOf(before, after, h, places, known, different),
      alike: warped(alike, before.surface, h),
      whole: isWhole(asked, photos),
    };
  },

  /** All that a pair says; whole: with all photos that it is to be looked at by. */
  async answer(
    sides: Sides,
    points: readonly Matched[],
    places: readonly Place[],
    known: Known,
    asked: AskedPhotos,
  ): Promise<{ value: Answer; whole: boolean }> {
    const photos = await photosSeen(asked);
    return { value: answerOf(sides, points, places, known, photos), whole: isWhole(asked, photos) };
  },
};

/** Whether no photo was missing that is there. */
const isWhole = (asked: AskedPhotos, seen: unknown): boolean => asked === null || seen !== null;

export type CompareWorker = typeof api;

expose(api);
