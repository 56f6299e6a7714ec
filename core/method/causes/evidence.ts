import type { Candidate } from '../detect/candidate';
import { INSTRUMENT_U } from '../../ground/instruments';
import type { Side } from '../../ground/side';

/** What is measured of a candidate, without its pixels. */
export type Shown = Omit<Candidate, 'rows' | 'outline' | 'sound'>;

/**
 * What can be said of a candidate, each trait with the values that it can take. A trait that cannot be judged (no outside
 * temperature, no humidity) is left out and takes no part.
 */
export const TRAITS = {
  /** Its form. */
  form: ['line', 'bent-line', 'box', 'runs-out', 'spot', 'ragged', 'patch'],
  /** Its rim. */
  rim: ['sharp', 'middling', 'soft'],
  /** How its contrast lies over it. */
  top: ['flat', 'uneven', 'peaked'],
  /** What is inside of it. */
  inside: ['even', 'blotchy'],
  /** Whether it is colder or warmer than what is around it. */
  tone: ['colder', 'warmer'],
  /** Which way it differs: as a loss of heat would on this side in this season, or the other way. */
  sign: ['loss', 'gain'],
  /** Change of the temperature factor. */
  drop: ['slight', 'clear', 'strong', 'extreme'],
  /** Its temperature against the air on both sides. */
  bounds: ['between', 'warmer-than-both', 'colder-than-both'],
  /** Its temperature against what evaporation and condensation allow. */
  wet: ['below-wet-bulb', 'below-dew-point', 'above'],
  /** Where its strongest end lies. */
  begins: ['opening', 'junction', 'rim', 'object', 'free'],
  /** Its upright sides against the lines of the framing. */
  framing: ['bay', 'one-side', 'off'],
  /** What it lies within. */
  within: ['pane', 'plate', 'surface'],
  /** How far it reaches. */
  reach: ['through', 'top', 'part'],
  /** The way of a line. */
  way: ['upright', 'level', 'slanting'],
  /** Its size in the picture. */
  size: ['tiny', 'small', 'large'],
  /** Others like it beside it. */
  alike: ['alone', 'several'],
  /** Which side is looked at. */
  side: ['inside', 'outside'],
} as const;

export type Trait = keyof typeof TRAITS;
export type TraitValue<T extends Trait = Trait> = (typeof TRAITS)[T][number];
/** What is known of one candidate. */
export type Evidence = { readonly [T in Trait]?: TraitValue<T> };

/** What a frame's place and time say; null for what nobody knows. */
export interface Setting {
  side: Side;
  insideC: number | null;
  /** Beyond what is seen, from the house's inside: outdoors; seen from a loft or the like, the air of that space. */
  outsideC: number | null;
  /** Of the air on the side that is looked at, °C. */
  wetBulbC: number | null;
  dewPointC: number | null;
}

/** A line is so many times longer than wide. */
const LINE = 9;
/** A straight line strays by less than this share of its length. */
const STRAIGHT = 0.12;
/** Shorter ones are lines too where they are everywhere as wide. */
const SHORT_LINE = 5.5;
const EVEN_WIDTH = 0.2;
/** A bent line fills less of its outline than this. */
const BENT_SOLID = 0.75;
/** Air rises to a peak and has a rim that is soft against its width; where it begins at an edge, half of that tells. */
const PEAKED = 0.58;
const FEATHERED = 0.36;
const HALF_FEATHERED = 0.22;
/** A spot is strongest in its middle. */
const OFF_MIDDLE = 0.3;

/** What a candidate shows, as far as it can be judged. */
export function evidenceOf(candidate: Shown, setting: Setting): Evidence {
  const { shape, surroundings, share } = candidate;
  const form = formOf(candidate);
  const line = form === 'line' || form === 'bent-line';
  const drive = setting.insideC !== null && setting.outsideC !== null ? setting.insideC - setting.outsideC : null;
  return {
    ...(setting.side !== 'loft' && { side: setting.side }),
    tone: candidate.sign < 0 ? 'colder' : 'warmer',
    form,
    rim: shape.softPx <= 3.2 && shape.soft < 0.3 ? 'sharp' : shape.soft < (line ? 0.6 : 0.3) ? 'middling' : 'soft',
    top: shape.flat >= 0.84 ? 'flat' : shape.flat >= 0.6 ? 'uneven' : 'peaked',
    inside: !line && shape.blotchy > 0.055 ? 'blotchy' : 'even',
    begins: surroundings.begins,
    within: surroundings.within ?? (candidate.paned ? 'pane' : 'surface'),
    reach: shape.through ? 'through' : surroundings.atTop ? 'top' : 'part',
    size: share < 0.004 ? 'tiny' : share < 0.03 ? 'small' : 'large',
    alike: surroundings.alike > 0 ? 'several' : 'alone',
    ...(line && { way: shape.slope > 80 ? 'upright' : shape.slope < 8 ? 'level' : 'slanting' }),
    ...(surroundings.onFraming !== null && { framing: (['off', 'one-side', 'bay'] as const)[surroundings.onFraming] }),
    ...(drive !== null &&
      Math.abs(drive) >= LEAST_DRIVE_K && {
        sign: candidate.sign === (setting.side === 'inside' ? -1 : 1) * Math.sign(drive) ? ('loss' as const) : ('gain' as const),
        drop: dropOf(Math.abs(candidate.contrast / drive) * (setting.side === 'outside' ? OUTER_FILM : 1)),
      }),
    ...(setting.insideC !== null &&
      setting.outsideC !== null &&
      boundsEvidence(candidate.extremeC, setting.insideC, setting.outsideC, setting.side)),
    ...(setting.wetBulbC !== null &&
      setting.dewPointC !== null && { wet: wetOf(candidate.extremeC, setting.wetBulbC, setting.dewPointC) }),
  };
}

/** A thinner film outdoors shows so much less of the same loss: 15 over 7.7 W/m²K on the calm nights of surveys. */
const OUTER_FILM = 2;
/** Below this difference no sign can be expected, K. */
const LEAST_DRIVE_K = 2;
const LEVEL_K = INSTRUMENT_U.levelUncheckedK;

function formOf({ shape, surroundings, sharpSides }: Shown): TraitValue<'form'> {
  const isLine = shape.slender >= LINE || (shape.slender >= SHORT_LINE && shape.unevenWidth < EVEN_WIDTH && sharpSides < 3);
  if (isLine) return shape.bent < STRAIGHT || (shape.slender < LINE && shape.solid > BENT_SOLID) ? 'line' : 'bent-line';
  if (sharpSides >= 3 && shape.flat >= 0.62 && shape.solid > 0.92) return 'box';
  const grows = surroundings.begins === 'opening' || surroundings.begins === 'junction';
  if (shape.flat < PEAKED && (shape.soft >= FEATHERED || (grows && shape.soft >= HALF_FEATHERED))) return 'runs-out';
  if (shape.flat < 0.62 && shape.slender < 3.2 && shape.solid > 0.93 && Math.abs(shape.runsOut) < OFF_MIDDLE) return 'spot';
  return shape.solid < 0.925 ? 'ragged' : 'patch';
}

function dropOf(drop: number): TraitValue<'drop'> {
  return drop < 0.035 ? 'slight' : drop < 0.09 ? 'clear' : drop < 0.2 ? 'strong' : 'extreme';
}

/** Outdoors the sky cools what is sound below the air: that says nothing. */
function boundsEvidence(celsius: number, insideC: number, outsideC: number, side: Setting['side']): Pick<Evidence, 'bounds'> {
  const bounds = boundsOf(celsius, insideC, outsideC);
  return side === 'outside' && bounds === 'colder-than-both' ? {} : { bounds };
}

function boundsOf(celsius: number, insideC: number, outsideC: number): TraitValue<'bounds'> {
  if (celsius > Math.max(insideC, outsideC) + LEVEL_K) return 'warmer-than-both';
  if (celsius < Math.min(insideC, outsideC) - LEVEL_K) return 'colder-than-both';
  return 'between';
}

function wetOf(celsius: number, wetBulbC: number, dewPointC: number): TraitValue<'wet'> {
  if (celsius < dewPointC - LEVEL_K) return 'below-dew-point';
  return celsius < wetBulbC - LEVEL_K ? 'below-wet-bulb' : 'above';
}
