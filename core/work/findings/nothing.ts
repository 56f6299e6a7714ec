import { leastFor } from '../../method/detect/places';
import { wouldHaveShown, type WouldShow } from '../../method/detect/wouldShow';
import type { VisitDocument } from '../../model/document';
import { INSTRUMENT_U } from '../../ground/instruments';
import * as format from '../../ground/format';
import type { DisplayUnit } from '../../ground/temperature';
import { metricFor } from '../visit/sizes';
import { settingFor, USUAL_LEAST_K } from './lookAt';
import type { FrameLook } from './seen';

/** What it means that nothing stands out on a surface. */
export interface Nothing {
  /** The weakest faults that would have shown: contrast, K, and what turns one into a change of the temperature factor. */
  shown: WouldShow;
  perKelvin: number | null;
  /** Its least size, m; null where sizes are not known. */
  leastM: number | null;
  /** Temperature factor of the surface itself, with its standard uncertainty; null where it cannot be told. */
  factor: { value: number; u: number } | null;
  /** Whether the surface is evenly good or evenly poor. */
  level: 'good' | 'poor' | 'between' | 'too-mild' | 'unknown';
}

/** A thing smaller than so many pixels across is not read for what it is. */
const LEAST_PIXELS = 5;
/** Below this difference nothing is said of a wall as a whole, K. */
const MILD_K = 5;
/** Factors of an inner surface: a bare or solid wall lies below the one, a wall insulated as today above the other. */
const POOR = 0.8;
const GOOD = 0.9;
/** The camera's level against the air, and the air on either side. */
const { levelUncheckedK: LEVEL_K, roomK: AIR_K } = INSTRUMENT_U;

/** Judges what a frame in which nothing stands out says of its surface. */
export function nothingMeans(document: VisitDocument, frameId: string, look: Pick<FrameLook, 'least' | 'levelC'>): Nothing {
  const { insideC, outsideC, side } = settingFor(document, frameId);
  const metric = metricFor(document, frameId);
  const drive = insideC === null || outsideC === null ? null : insideC - outsideC;
  const base = {
    shown: wouldHaveShown(look.least),
    perKelvin: drive === null || Math.abs(drive) < 1 ? null : 1 / Math.abs(drive),
    leastM: metric && metric.kind !== 'plane' ? LEAST_PIXELS * metric.metresPerPixel : null,
  };
  if (drive === null || look.levelC === null) return { ...base, factor: null, level: 'unknown' };
  if (Math.abs(drive) < MILD_K) return { ...base, factor: null, level: 'too-mild' };
  const value = (look.levelC - outsideC!) / drive;
  const u = Math.hypot(LEVEL_K, AIR_K * value, AIR_K * (1 - value)) / Math.abs(drive);
  // Outdoors the film is thin and the sky cold, and a loft is nearly as cold as what it looks at: a factor there says too little.
  if (side !== 'inside') return { ...base, factor: null, level: 'unknown' };
  const level = value - 2 * u > POOR ? (value - u > GOOD ? 'good' : 'between') : value + 2 * u < GOOD ? 'poor' : 'between';
  return { ...base, factor: { value, u }, level };
}

/** The same in sentences. */
export function nothingWords(nothing: Nothing, unit: DisplayUnit): string[] {
  return [`${capital(weakest(nothing, unit))} would have shown. ${WIDE}`, levelWords(nothing)];
}

/** Somebody looked this frame through: there is a ruling on a candidate of it, or a finding that came from one. */
export function lookedThrough({ rows }: VisitDocument, frameId: string): boolean {
  return (
    Object.values(rows.ruling).some(({ value }) => value.frameId === frameId) ||
    Object.values(rows.finding).some(({ value }) => value.frameId === frameId && value.argued !== null)
  );
}

/** The weakest fault that a frame could have shown, as far as its camera, distance and hour tell without its pixels. */
export function couldShow(document: VisitDocument, frameId: string, unit: DisplayUnit): string {
  const { noiseK, width } = document.frameFacts[frameId]!;
  return weakest(nothingMeans(document, frameId, { least: leastFor(USUAL_LEAST_K, noiseK, width), levelC: null }), unit);
}

/** What is as wide as that is taken for the wall itself. */
const WIDE = 'Something wider than a third of the view would not: stand farther away, or compare with another wall.';

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

function weakest({ shown, perKelvin, leastM }: Nothing, unit: DisplayUnit): string {
  const size = leastM === null ? '' : `, wider than about ${format.number(100 * leastM, 0)} cm`;
  const drop = (kelvin: number) =>
    perKelvin === null ? '' : ` (a change of the temperature factor by ${format.number(kelvin * perKelvin, 2)})`;
  return `a sharp-edged place of ${format.difference(shown.sharp, unit)} or more${drop(shown.sharp)}${size}, and a soft patch of ${format.difference(shown.soft, unit)} or more`;
}

function levelWords({ level, factor }: Nothing): string {
  const stated = factor && `${format.number(factor.value, 2)} ± ${format.number(2 * factor.u, 2)}`;
  switch (level) {
    case 'good':
      return `As a whole the surface is warm for this weather: temperature factor ${stated}. It is evenly good.`;
    case 'poor':
      return `As a whole the surface is cold for this weather: temperature factor ${stated}. Evenly bare looks like evenly good: it is evenly poor.`;
    case 'between':
      return `Temperature factor of the surface as a whole: ${stated}. Whether it is evenly good or evenly poor cannot be told from this.`;
    case 'too-mild':
      return 'Inside and outside are too alike to say how good the surface is as a whole.';
    case 'unknown':
      return 'How good the surface is as a whole is not known from this frame.';
  }
}
