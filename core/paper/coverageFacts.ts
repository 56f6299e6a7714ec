import { couldShow, lookedThrough } from '../work/findings/nothing';
import type { Outcome } from '../work/round/coverage';
import { roundOf, stopRowOf } from '../work/round/round';
import type { Stop } from '../work/round/stops';
import { orderedFrames } from '../work/visit/frames';
import type { DisplayUnit } from '../ground/temperature';
import { roomsOf } from '../work/visit/theVisit';
import type { VisitDocument } from '../model/document';
import type { Row } from '../model/entities';
import type { Fact } from './fact';

/** What was looked at, place by place, as the round has it; rooms without stops by their frames alone. */
export function coverageFacts(document: VisitDocument, unit: DisplayUnit): Fact[] {
  const { groups, outcomes } = roundOf(document);
  const framesAt = new Map<string, string[]>();
  for (const { value } of orderedFrames(document)) {
    const place = sceneOf(document, value);
    framesAt.set(place, [...(framesAt.get(place) ?? []), value.name]);
  }
  const stopsAt = new Map(groups.map((group) => [group.name, group.stops]));
  const places = new Set([...roomsOf(document).map(({ value }) => value.name), ...stopsAt.keys(), ...framesAt.keys()]);
  return [...places].map((label) => {
    const frames = framesAt.get(label) ?? [];
    const stops = stopsAt.get(label) ?? [];
    const told = frames.length > 0 ? frames.join(', ') : stops.length === 0 ? 'not looked at' : 'no frame';
    return { label, value: [told, ...stopWords(document, stops, outcomes, unit)].join('; ') };
  });
}

/** The room of a frame, or the side of the house. */
function sceneOf(document: VisitDocument, { roomId, surfaceId }: Row<'frame'>['value']): string {
  const room = document.rows.room[roomId ?? '']?.value.name;
  return room ?? document.rows.surface[surfaceId ?? '']?.value.name ?? 'No place noted';
}

function stopWords(document: VisitDocument, stops: Stop[], outcomes: ReadonlyMap<string, Outcome>, unit: DisplayUnit): string[] {
  if (stops.length === 0) return [];
  const of = (wanted: Outcome) => stops.filter(({ key }) => (outcomes.get(key) ?? null) === wanted);
  const titles = (list: Stop[]) => list.map(({ title }) => title.toLowerCase()).join(', ');
  const reached = of('unreached').map(({ key, title }) => {
    const { reason } = stopRowOf(document, key).value;
    return `${title.toLowerCase()}${reason ? ` (${reason.toLowerCase()})` : ''}`;
  });
  const open = of(null);
  return [
    `${stops.length - open.length} of ${stops.length} stops answered`,
    ...nothingAt(document, of('nothing'), unit),
    ...(of('unsolved').length > 0 ? [`unsolved: ${titles(of('unsolved'))}`] : []),
    ...(reached.length > 0 ? [`could not be reached: ${reached.join(', ')}`] : []),
    ...(open.length > 0 && open.length < stops.length ? [`not looked at: ${titles(open)}`] : []),
  ];
}

/** Stops at which nothing was seen, and what that means where their frames tell: the weakest fault that would have shown. */
function nothingAt(document: VisitDocument, stops: Stop[], unit: DisplayUnit): string[] {
  if (stops.length === 0) return [];
  const byMeaning = new Map<string, string[]>();
  for (const { key, title } of stops) {
    const frame = orderedFrames(document).find(({ value }) => value.stopKey === key);
    // Of a frame that nobody looked through nothing would have shown.
    const means = frame && lookedThrough(document, frame.id) ? ` (${couldShow(document, frame.id, unit)} would have shown)` : '';
    byMeaning.set(means, [...(byMeaning.get(means) ?? []), title.toLowerCase()]);
  }
  return [...byMeaning].map(([means, titles]) => `nothing to see: ${titles.join(', ')}${means}`);
}
