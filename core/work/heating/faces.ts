import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import { CoreError } from '../../ground/errors';
import type { Grid } from '../../ground/grid';
import { findTails } from '../../method/heating/findTails';
import type { FaceBox } from '../../method/heating/faceBox';
import { facePattern, type FacePattern } from '../../method/heating/pattern';
import type { FaceStage } from '../../method/heating/stages';
import { hasReading } from '../../ground/hasReading';
import { correctValues } from '../../method/radiometry/measurement';
import { remembered } from '../../ground/derived';
import { takenAtOf } from '../visit/frames';
import { lineFor, partsOfFrame, settingsFor } from '../visit/settingsInForce';
import { heatingInForce, heatingOf, roomAirOf } from './heatingOf';
import type { Pixels } from './tails';
import { waterOfFace, type FaceWater } from './waterOfFace';

/** Steel is a little cooler than its water: the hottest of a face shows this share of the flow's excess over the room. */
const FACE_SHARE = 0.88;
const HOTTEST = 0.98;
/** A face that shows less than this share of the set flow's excess is cold as a whole, whatever its hottest part says. */
const LIT = 0.45;

export interface JudgedFace extends FacePattern {
  row: Row<'face'>;
  takenAt: number;
  /** Since the heat came on; null where nobody noted it or it came on later. */
  minutesOn: number | null;
  flowC: number;
  /** What went through it then; null where nobody read it. */
  water: FaceWater | null;
}

/** Faces of an emitter that still stand, oldest first. */
export function facesOf(document: VisitDocument, serviceId: string): Row<'face'>[] {
  return Object.values(document.rows.face)
    .filter(({ value }) => value.serviceId === serviceId && document.rows.frame[value.frameId]?.value.discarded === false)
    .sort((a, b) => timeOf(document, a) - timeOf(document, b) || (a.id < b.id ? -1 : 1));
}

const timeOf = (document: VisitDocument, { value }: Row<'face'>) => Date.parse(takenAtOf(document, value.frameId));

/** The newest face of an emitter, of one stage or of any. */
export function latestFace(document: VisitDocument, serviceId: string, stage?: FaceStage): Row<'face'> | null {
  return (
    facesOf(document, serviceId)
      .filter(({ value }) => stage === undefined || value.stage === stage)
      .at(-1) ?? null
  );
}

/** A frame's temperatures under its settings, for what looks at the whole picture. */
export function correctedGrid(document: VisitDocument, frameId: string, values: Float32Array) {
  const { width, height } = document.frameFacts[frameId]!;
  const corrected = new Float32Array(values.length);
  correctValues(values, lineFor(document, frameId), corrected);
  return { width, height, values: corrected };
}

/** Minutes from the heat coming on to a moment. */
export function minutesOnAt(document: VisitDocument, moment: number): number | null {
  const { onAt } = heatingOf(document).value;
  return onAt === null || moment < onAt ? null : (moment - onAt) / 60_000;
}

/**
 * Judges a face in its frame.
 *
 * @returns undefined while its pixels are on their way, null where it cannot be judged
 */
export function judgeFace(document: VisitDocument, row: Row<'face'>, pixels: Pixels): JudgedFace | null | undefined {
  const { frameId, serviceId } = row.value;
  const values = pixels(frameId);
  if (!values) return undefined;
  const water = waterOfFace(document, serviceId, timeOf(document, row), pixels);
  if (water === undefined) return undefined;
  const { onAt, flowSetC } = heatingInForce(document);
  const known = [roomAirOf(document, serviceId).value, onAt, flowSetC, water?.flowC, water?.returnC];
  return judgedOnce(row, [values, ...known, ...partsOfFrame(document, frameId)], () => judged(document, row, values, water));
}

const judgedOnce = remembered<JudgedFace | null>();

function judged(document: VisitDocument, row: Row<'face'>, values: Float32Array, water: FaceWater | null): JudgedFace | null {
  const { frameId, serviceId, box } = row.value;
  const grid = correctedGrid(document, frameId, values);
  // Where nobody read its tails then, the frame may show them.
  const through = water ?? tailsSeen(grid, box);
  const airC = settingsFor(document, frameId).airC.value ?? roomAirOf(document, serviceId).value;
  const takenAt = timeOf(document, row);
  const minutesOn = minutesOnAt(document, takenAt);
  const inside: number[] = [];
  for (let y = Math.max(0, box.y); y < Math.min(grid.height, box.y + box.height); y += 1)
    for (let x = Math.max(0, box.x); x < Math.min(grid.width, box.x + box.width); x += 1)
      if (hasReading(grid.values[y * grid.width + x]!)) inside.push(grid.values[y * grid.width + x]!);
  inside.sort((a, b) => a - b);
  const hottest = inside[Math.floor(HOTTEST * (inside.length - 1))];
  if (hottest === undefined) return null;
  const { flowSetC } = heatingInForce(document);
  const seen = airC + Math.max(1, hottest - airC) / FACE_SHARE;
  const flowC = hottest - airC < LIT * (flowSetC - airC) ? Math.max(seen, flowSetC) : seen;
  try {
    const returnC = through && Math.min(through.returnC, flowC);
    return { ...facePattern(grid, box, { airC, flowC, returnC, minutesOn }), row, takenAt, minutesOn, flowC, water: through };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return null;
  }
}

function tailsSeen(grid: Grid, box: FaceBox): FaceWater | null {
  const tails = findTails(grid, box);
  return tails && { flowC: tails.flowC, returnC: tails.returnC };
}
