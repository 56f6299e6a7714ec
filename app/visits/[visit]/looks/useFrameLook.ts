'use client';

import type { FrameLook } from '@core/work/findings/seen';
import type { LookOptions } from '@core/method/detect/places';
import type { RadianceLine } from '@core/method/radiometry/measurement';
import { useWork, type Work } from '../../../work/useWork';

/** What has to be known of a frame to look it through. */
export interface Looked {
  id: string;
  width: number;
  height: number;
  values: Float32Array;
  line: RadianceLine;
  options: LookOptions;
  /** Changes with whatever would change what is found. */
  key: string;
}

/**
 * What deserves a look in a frame, found beside the page.
 *
 * @param frame - null for none: nothing is begun, and what runs is ended
 */
export function useFrameLook(frame: Looked | null): Work<FrameLook> {
  return useWork(
    'detect',
    frame && {
      key: frame.key,
      call: (api) => {
        const { width, height, values, line, options } = frame;
        return api.lookAt({ width, height, values }, line, options);
      },
    },
  );
}
