import type { CameraValue } from './cameraRow';

/** The camera that everybody has: it looks at a simulated house, so that a round can be learned without a real one. */
export const STAND_IN_CAMERA: { id: string; value: CameraValue } = {
  id: '0199d000-0000-7000-8000-00000000ca3e',
  value: {
    name: 'Stand-in camera (simulated)',
    columns: 320,
    rows: 240,
    fieldDeg: 50,
    noiseK: 0.05,
    calibrationK: 1,
    uniformityK: 0.08,
    repeatabilityK: 0.2,
    gain: 0.01,
    blurPx: 0.7,
    alignments: [],
    minDistanceM: 0.4,
    offsetK: 0,
    slope: 0,
    clockAheadS: 0,
    parts: ['Camera', 'Case'],
    trained: [],
    checks: [],
    assumed: [],
    archived: false,
  },
};
