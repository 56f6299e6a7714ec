import { depthInside, paintOver, shade, type BoxM, type FeatureKind } from '../surface';

/** Something shiny: it shows who stands before it and the room behind, not its own temperature. */
export interface MirrorFeature extends BoxM {
  kind: 'mirror';
  emissivity: number;
  look: 'foil' | 'tiles' | 'chrome';
}

const COLOURS: Record<MirrorFeature['look'], readonly [number, number, number]> = {
  foil: [208, 208, 204],
  tiles: [236, 240, 240],
  chrome: [196, 202, 208],
};

export const mirror: FeatureKind<MirrorFeature> = {
  bounds: (feature) => feature,
  heat(feature) {
    return (at, point) => {
      if (depthInside(feature, at) < 0) return;
      point.emissivity = feature.emissivity;
      // The far side of the room, a lamp in it: what a mirror shows beside the body.
      const lamp = Math.hypot(at.x - feature.x - 0.8 * feature.width, at.y - feature.y - 0.2 * feature.height);
      point.reflected += 12 * Math.exp(-((lamp / (0.12 * feature.width)) ** 2));
    };
  },
  daylight(feature) {
    return (at, colour) => {
      if (depthInside(feature, at) < 0) return;
      paintOver(colour, COLOURS[feature.look]);
      if (feature.look === 'tiles' && ((at.x * 6.7) % 1 < 0.04 || (at.y * 6.7) % 1 < 0.04)) shade(colour, 0.8);
    };
  },
  fault: () => 'reflection',
};
