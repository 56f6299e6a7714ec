import { frameLookOf, type FrameLook } from '@core/work/findings/seen';
import { lookThrough } from '@core/method/detect/candidate';
import type { LookOptions } from '@core/method/detect/places';
import { correctValues, type RadianceLine } from '@core/method/radiometry/measurement';
import { serveJobs } from './serve';

/** A frame's stored values with what turns them into temperatures. */
export interface FrameToLookThrough {
  width: number;
  height: number;
  values: Float32Array;
  line: RadianceLine;
  options: LookOptions;
}

serveJobs<FrameToLookThrough, FrameLook>(
  ({ width, height, values, line, options }) => {
    const corrected = new Float32Array(values.length);
    correctValues(values, line, corrected);
    return frameLookOf(lookThrough({ width, height, values: corrected }, options));
  },
  () => [],
);
