import { waveMean } from '../patternMeans';
import { depthInside, paintOver, shade, type BoxM, type FeatureKind } from '../surface';

/** A radiator of a heating system that is practised on, with its valves and tails below. */
export interface EmitterFeature extends BoxM {
  kind: 'emitter';
  flowC: number;
  returnC: number;
  roomC: number;
  /** Share of the face that air keeps cold along the top, and sludge low in the middle. */
  air: number;
  sludge: number;
  /** How far the warmth has come along it, 0 … 1. */
  reach: number;
  flowEnd: 'left' | 'right';
}

const RIB_M = 0.05;
/** Tails: from the ends of the face, their width and length; a bright valve above the painted pipe. */
const TAIL_INSET_M = 0.05;
const TAIL_M = 0.022;
const TAIL_LENGTH_M = 0.15;
const VALVE_M = 0.04;
const BRIGHT = 0.2;
const PAINTED = 0.94;
/** What air or sludge keeps cold still takes this share of the excess from the steel around it. */
const COLD_SHARE = 0.2;
/** Half widths of the edges between warm and cold, as shares of the face. */
const AIR_EDGE = 0.035;
const FRONT_EDGE = 0.09;

const smooth = (x: number) => 1 / (1 + Math.exp(-x));

/** Share of the water's excess that the face has at a place; u from the flow end, v from the top. */
function warmth({ air, sludge, reach }: EmitterFeature, u: number, v: number): number {
  const front = reach >= 1 ? 1 : smooth((reach - u) / FRONT_EDGE);
  const belowAir = air > 0 ? smooth((v - air) / AIR_EDGE) : 1;
  // A mound whose half-cold line encloses its share of the face.
  const size = Math.sqrt(sludge);
  const mound = sludge > 0 ? smooth((0.72 - Math.hypot((u - 0.5) / size, (v - 1) / (0.95 * size))) * 9) : 0;
  return COLD_SHARE + (1 - COLD_SHARE) * front * belowAir * (1 - mound);
}

export const emitter: FeatureKind<EmitterFeature> = {
  heat(feature) {
    const { x, y, width, height, flowC, returnC, roomC, flowEnd } = feature;
    const mean = (flowC + returnC) / 2;
    const flowLeft = flowEnd === 'left';
    return (at, point) => {
      const along = (at.x - x) / width;
      const u = flowLeft ? along : 1 - along;
      const down = (at.y - y) / height;
      if (depthInside(feature, at) >= 0) {
        const water = flowC + (returnC - flowC) * (0.7 * down + 0.3 * u);
        const ribs = 0.5 * waveMean(at.x - x, at.wide, RIB_M);
        point.temperature = roomC + 0.95 * (water - roomC) * warmth(feature, u, down) + ribs * Math.min(1, (mean - roomC) / 20);
        point.emissivity = PAINTED;
        return;
      }
      if (at.y >= y + height && at.y <= y + height + TAIL_LENGTH_M) {
        for (const left of [true, false]) {
          const middle = left ? x + TAIL_INSET_M : x + width - TAIL_INSET_M;
          if (Math.abs(at.x - middle) > TAIL_M / 2) continue;
          point.temperature = left === flowLeft ? flowC : returnC;
          point.emissivity = at.y <= y + height + VALVE_M ? BRIGHT : PAINTED;
        }
        return;
      }
      if (at.y < y) {
        const sideways = Math.max(0, x - at.x, at.x - x - width) / 0.12;
        if (sideways > 3) return;
        point.temperature += 0.13 * (mean - roomC) * Math.exp(-(y - at.y) / 0.35) * Math.exp(-sideways * sideways);
      }
    };
  },
  daylight(feature) {
    const { x, y, width, height } = feature;
    return (at, colour) => {
      const depth = depthInside(feature, at);
      if (depth >= 0) {
        paintOver(colour, [236, 235, 231]);
        const rib = ((at.x - x) * 20) % 1;
        shade(colour, depth < 0.012 ? 0.8 : 0.9 + 0.1 * Math.abs(Math.sin(rib * Math.PI)));
        return;
      }
      if (at.y < y + height || at.y > y + height + TAIL_LENGTH_M) return;
      const near = Math.min(Math.abs(at.x - x - TAIL_INSET_M), Math.abs(at.x - x - width + TAIL_INSET_M));
      if (near > TAIL_M / 2) return;
      paintOver(colour, at.y <= y + height + VALVE_M ? [196, 190, 178] : [228, 226, 222]);
      shade(colour, 1 - 0.35 * (near / (TAIL_M / 2)) ** 2);
    };
  },
};
