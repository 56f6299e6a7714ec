import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { rowIdFrom } from '../../ground/rowId';
import { orUsual, type Known } from '../../ground/source';
import { USUAL } from '../../ground/usual';
import { framesOf, momentsOf, orderedFrames, takenAtOf } from '../visit/frames';
import type { HuntValue } from '../../model/huntRow';

/** The hunt of a visit, with nothing said of it yet where there is no row. */
export function huntOf({ visitId, rows }: VisitDocument): Row<'hunt'> {
  const id = rowIdFrom(visitId, 'hunt');
  const fresh: HuntValue = {
    visitId,
    side: null,
    coverMm: null,
    covering: null,
    waterC: null,
    onAt: null,
    series: null,
    steps: {},
    litresMin: null,
    pricePerM3: null,
    pricePerKwh: null,
    timers: {},
    meter: [],
    mark: null,
    found: null,
    note: '',
  };
  return rows.hunt[id] ?? { id, version: 0, value: fresh };
}

/** Frames that may be one view over time. */
export interface SeriesChoice {
  key: string;
  name: string;
  frameIds: string[];
}

const LEAST_FRAMES = 3;

/** Recordings, and stops with three frames of one size or more; the longest first. */
export function seriesChoices(document: VisitDocument): SeriesChoice[] {
  const recordings = Object.values(document.rows.sequence).map(({ id, value }): SeriesChoice => ({
    key: `sequence:${id}`,
    name: value.name,
    frameIds: momentsOf(document, id).map((row) => row.id),
  }));
  const byPlace = new Map<string, SeriesChoice>();
  for (const { id, value } of orderedFrames(document)) {
    const { width, height } = document.frameFacts[id]!;
    const place = value.stopKey ?? value.surfaceId ?? value.roomId;
    if (place === null || value.sequenceId !== null) continue;
    const key = `place:${place}:${width}x${height}`;
    const known = byPlace.get(key);
    if (known) known.frameIds.push(id);
    else byPlace.set(key, { key, name: value.name, frameIds: [id] });
  }
  return [...recordings, ...byPlace.values()]
    .filter(({ frameIds }) => frameIds.length >= LEAST_FRAMES)
    .sort((a, b) => b.frameIds.length - a.frameIds.length);
}

/** Seconds between the frames of a series where the camera's clock does not tell. */
export function intervalOf(document: VisitDocument, frameIds: readonly string[]): Known<number> {
  const sequenceId = document.rows.frame[frameIds[0] ?? '']?.value.sequenceId ?? '';
  return orUsual(document.rows.sequence[sequenceId]?.value.intervalS ?? null, USUAL.intervalS);
}

/** Moments of frames, s of the camera's clock; null for all where they do not go on from one to the next. */
export function clocksOf(document: VisitDocument, frameIds: readonly string[]): (number | null)[] {
  const clocks = frameIds.map((id) => Date.parse(takenAtOf(document, id)) / 1000);
  return new Set(clocks).size === clocks.length ? clocks : clocks.map(() => null);
}

/** Noise of one pixel of the visit's camera, K; what is usual while there is no frame. */
export function noiseOf(document: VisitDocument): number {
  const [first] = framesOf(document);
  return (first && document.frameFacts[first.id]?.noiseK) || 0.06;
}
