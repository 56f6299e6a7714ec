import type { VisitDocument } from '../../model/document';
import type { Entity, Values } from '../../model/entities';
import { findTails, type Tails } from '../../method/heating/findTails';
import type { FaceBox } from '../../method/heating/faceBox';
import { findFace } from '../../method/heating/pattern';
import { STAGE_WORDS, type FaceStage } from '../../method/heating/stages';
import { takenAtOf } from '../visit/frames';
import { settingsFor } from '../visit/settingsInForce';
import { regionsOf } from '../visit/readings';
import { walkWords } from './balance';
import type { Emitter } from './emitters';
import { correctedGrid, facesOf } from './faces';
import { heatingOf, ofWalk, roomAirOf, warmingOf } from './heatingOf';

/** A row as a step would have it. */
export type Put = { [E in Entity]: { entity: E; rowId: string; value: Values[E] } }[Entity];

/** What is wanted of a frame of an emitter. */
export interface Wanted {
  emitter: Emitter;
  frameId: string;
  stage: FaceStage;
  /** Read on this walk; null: its face only. */
  walk: number | null;
}

export interface TakenIn {
  puts: Put[];
  face: FaceBox | null;
  tails: Tails | null;
}

/** A face whose warm part exceeds the room by so much says that its emitter is warm, K. */
const WARM_K = 6;
/** Later than this after the heat came on a frame no longer tells when an emitter became warm, ms. */
const FIRST_WARMTH_MS = 20 * 60_000;

/** What a frame of an emitter brings: its face, its first warmth, and on a walk the reading of its tails. */
export function takeIn(
  document: VisitDocument,
  { emitter, frameId, stage, walk }: Wanted,
  values: Float32Array,
  newId: () => string,
): TakenIn {
  const grid = correctedGrid(document, frameId, values);
  const airC = settingsFor(document, frameId).airC.value ?? roomAirOf(document, emitter.id).value;
  const { widthM, heightM } = emitter.row.value;
  const face = findFace(grid, airC, widthM !== null && heightM !== null ? widthM / heightM : null);
  if (!face) return { puts: [], face: null, tails: null };
  const puts: Put[] = [{ entity: 'face', rowId: newId(), value: { frameId, serviceId: emitter.id, stage, box: face } }];
  const at = Date.parse(takenAtOf(document, frameId));
  const warming = warmingOf(document, emitter.id);
  const hottest = grid.values.reduce((most, value) => (value > most ? value : most), -Infinity);
  const { onAt } = heatingOf(document).value;
  const early = onAt !== null && at > onAt && at - onAt <= FIRST_WARMTH_MS;
  if (warming.value.warmAt === null && early && hottest - airC > WARM_K)
    puts.push({ entity: 'warming', rowId: warming.id, value: { ...warming.value, warmAt: at } });
  const tails = walk === null ? null : findTails(grid, face);
  if (walk !== null && tails) puts.push(...readingPuts(document, { emitter, frameId, stage, walk }, tails, newId));
  return { puts, face, tails };
}

/** The reading of two tails on a frame, for the walk that is on. */
export function readingPuts(
  document: VisitDocument,
  { emitter, frameId, walk }: Wanted & { walk: number },
  tails: Pick<Tails, 'flow' | 'return'>,
  newId: () => string,
): Put[] {
  const [flowRegionId, returnRegionId] = [newId(), newId()];
  const ordinal = Math.max(0, ...regionsOf(document, frameId).map(({ value }) => value.ordinal + 1));
  const region = (rowId: string, name: string, box: FaceBox, n: number): Put => ({
    entity: 'region',
    rowId,
    value: { frameId, name, role: 'reading', ordinal: ordinal + n, shape: { kind: 'box', ...box } },
  });
  return [
    region(flowRegionId, 'flow tail', tails.flow, 0),
    region(returnRegionId, 'return tail', tails.return, 1),
    {
      entity: 'tailReading',
      rowId: ofWalk(document.visitId, 'reading', walk, emitter.id),
      value: {
        visitId: document.visitId,
        serviceId: emitter.id,
        walk,
        at: Date.parse(takenAtOf(document, frameId)),
        flowC: null,
        returnC: null,
        frameId,
        flowRegionId,
        returnRegionId,
        roomC: null,
      },
    },
  ];
}

/** What a frame of an emitter is called: the emitter, and what it was taken for. */
export function frameNameOf({ emitter, stage, walk }: Omit<Wanted, 'frameId'>): string {
  if (walk !== null) return `${emitter.name}, ${walkWords(walk)}`;
  return stage === 'found' ? emitter.name : `${emitter.name}, ${STAGE_WORDS[stage].toLowerCase()}`;
}

/** Frames that were taken at an emitter, newest first: by their face, or by the stop of the round. */
export function framesOfEmitter(document: VisitDocument, emitter: Emitter): string[] {
  const byFace = facesOf(document, emitter.id).map(({ value }) => value.frameId);
  const byStop = Object.values(document.rows.frame)
    .filter(({ value }) => !value.discarded && value.stopKey === emitter.stopKey)
    .map(({ id }) => id);
  return [...new Set([...byFace, ...byStop])].sort(
    (a, b) => Date.parse(takenAtOf(document, b)) - Date.parse(takenAtOf(document, a)),
  );
}
