import { expose } from 'comlink';
import { frameLookOf, type FrameLook } from '@core/work/findings/seen';
import { lookThrough } from '@core/method/detect/candidate';
import type { LookOptions } from '@core/method/detect/places';
import { correctValues, type RadianceLine } from '@core/method/radiometry/measurement';

/** Looks one frame through, away from the page's own thread. */
const api = {
  lookAt(frame: { width: number; height: number; values: Float32Array }, line: RadianceLine, options: LookOptions): FrameLook {
    const corrected = new Float32Array(frame.values.length);
    correctValues(frame.values, line, corrected);
    return frameLookOf(lookThrough({ ...frame, values: corrected }, options));
  },
};

export type DetectWorker = typeof api;

expose(api);
