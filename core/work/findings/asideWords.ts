import type { AsideKind } from '../../method/detect/setAside';

/** What was set aside, in plain words. */
export const ASIDE_WORDS: Record<AsideKind, string> = {
  sky: 'Sky',
  'roof-edge': 'The edge of the roof, cooled by the sky',
  'hot-object': 'Something hot before the wall: a heater, a lamp, a person',
  'warm-air': 'Warm air above it',
  'next-surface': 'The edge of the next surface, cut by the picture',
};
