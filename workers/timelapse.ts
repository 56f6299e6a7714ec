import { expose } from 'comlink';
import { CoreError, type CoreErrorData } from '@core/ground/errors';
import { timelapse, type Timelapse, type TimelapseFrame, type Told } from '@core/method/water/timelapse';

export type Sought = { found: Timelapse } | { error: CoreErrorData };

/** Looks for a leak in a series, away from the page's own thread. */
const api = {
  seek(frames: readonly TimelapseFrame[], told: Told, onProgress: (share: number) => void): Sought {
    try {
      return { found: timelapse(frames, told, onProgress) };
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      return { error: error.toJSON() };
    }
  },
};

export type TimelapseWorker = typeof api;

expose(api);
