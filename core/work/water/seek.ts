import type { VisitDocument } from '../../model/document';
import { CoreError } from '../../ground/errors';
import { metricFor } from '../visit/sizes';
import { CORE_VERSION } from '../../ground/version';
import { lineFor } from '../visit/settingsInForce';
import { surfaceFor } from '../visit/surface';
import { timelapse, type LeakFound, type Timelapse, type TimelapseFrame, type Told } from '../../method/water/timelapse';
import { clocksOf, huntOf, intervalOf, seriesChoices, type SeriesChoice } from './huntOf';
import { runsHot, type HuntValue } from '../../model/huntRow';
import type { StepsDone } from '../../model/hypotheses';

/** A series as it is looked through. */
export interface LookedSeries extends SeriesChoice {
  /** Only every so many of its frames are looked at. */
  every: number;
}

/** A leak is slow: so many frames of a series tell it, and more would only fill the memory. */
const MOST_FRAMES = 150;

/** The series of a visit that is looked through: the chosen one, else the longest; null while there is none. */
export function chosenSeries(document: VisitDocument, { series }: Pick<HuntValue, 'series'>): LookedSeries | null {
  const choices = seriesChoices(document);
  const choice = choices.find(({ key }) => key === series) ?? choices[0];
  if (!choice) return null;
  const every = Math.ceil(choice.frameIds.length / MOST_FRAMES);
  return { ...choice, frameIds: choice.frameIds.filter((_, i) => i % every === 0), every };
}

/** What somebody told of floor and water, as the search takes it. */
export function toldFor(
  document: VisitDocument,
  hunt: HuntValue,
  { frameIds, every }: Pick<LookedSeries, 'frameIds' | 'every'>,
): Told {
  const first = clocksOf(document, frameIds)[0] ?? null;
  return {
    intervalS: every * intervalOf(document, frameIds).value,
    sign: runsHot(hunt) ? 'warmer' : 'colder',
    coverMm: hunt.coverMm,
    waterC: hunt.waterC,
    onMin: hunt.onAt === null || first === null ? null : (hunt.onAt / 1000 - first) / 60,
  };
}

/** Frames of a series as they are looked through: those whose pixels are there. */
export function framesFor(
  document: VisitDocument,
  ids: readonly string[],
  pixels: (frameId: string) => Float32Array | null | undefined,
): TimelapseFrame[] {
  const clocks = clocksOf(document, ids);
  return ids.flatMap((id, i) => {
    const values = pixels(id);
    return values ? [{ name: id, clockS: clocks[i]!, frame: surfaceFor(document, id, values) }] : [];
  });
}

/** Whether a hunt was begun: somebody asked for it, or did a step of it. */
export function isHunted({ visitId, rows }: VisitDocument): boolean {
  return Object.values(rows.hunt).some(({ value }) => value.visitId === visitId);
}

/** The series that a report looks through; null where no leak is hunted. */
export function huntedSeries(document: VisitDocument): LookedSeries | null {
  return isHunted(document) ? chosenSeries(document, huntOf(document).value) : null;
}

/** Frames whose pixels a hunt's series needs. */
export function framesOfHunt(document: VisitDocument): string[] {
  return huntedSeries(document)?.frameIds ?? [];
}

/** Looks the hunt's series through; null where there is none, or it cannot be looked through. */
export function leakOf(document: VisitDocument, pixels: (frameId: string) => Float32Array | null | undefined): LeakFound | null {
  const series = huntedSeries(document);
  if (!series) return null;
  try {
    return withoutPictures(
      timelapse(framesFor(document, series.frameIds, pixels), toldFor(document, huntOf(document).value, series)),
    );
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return null;
  }
}

export function withoutPictures({ growth: _growth, stack: _stack, ...found }: Timelapse): LeakFound {
  return found;
}

/** All that a search follows from, in words of one shape: the same words mean the same result. */
export function seekInputs(document: VisitDocument, told: Told, frameIds: readonly string[]): string {
  const clocks = clocksOf(document, frameIds);
  const frames = frameIds.map((id, i) => [id, clocks[i], document.frameFacts[id]!.pixelsSha, lineFor(document, id)]);
  return JSON.stringify([CORE_VERSION, told, frames]);
}

/** From this on a series counts as an answer. */
const SURE = 0.5;

/** The steps with what a series says where nobody answered: whether a place warms, or cools, over the side that was run. */
export function stepsWith(hunt: Pick<HuntValue, 'side' | 'steps'>, found: LeakFound | null): StepsDone {
  const { steps } = hunt;
  const step = runsHot(hunt) ? 'warms-hot' : 'cools-cold';
  if (!found?.enough || steps[step]) return steps;
  // A place that is warm already may be the leak: that nothing more grows is no evidence against one.
  if (!found.source) return found.standing.length > 0 ? steps : { ...steps, [step]: { outcome: 'no' } };
  return found.confidence >= SURE ? { ...steps, [step]: { outcome: 'yes' } } : steps;
}

/** What a pixel of a series shows, m; null where distance or sizes are not known. */
export function metresEachOf(document: VisitDocument, frameId: string): number | null {
  const metric = metricFor(document, frameId);
  return metric && metric.kind !== 'plane' ? metric.metresPerPixel : null;
}
