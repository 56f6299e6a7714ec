import type { VisitDocument } from '../../model/document';
import { FACE_STAGES, type FaceStage } from '../../method/heating/stages';
import { emittersOf, type Emitter } from './emitters';
import { facesOf, judgeFace, latestFace, type JudgedFace } from './faces';
import type { Pixels } from './tails';
import type { FaceWater } from './waterOfFace';

export interface ColdShares {
  emitter: Emitter;
  /** Of its face at each stage, 0 … 1; undefined while pixels are on their way, null where none was seen. */
  shares: Record<FaceStage, number | null | undefined>;
  /** What went through it when that face was seen; null where nobody read it. */
  water: Record<FaceStage, FaceWater | null>;
}

/** The cold share of every face, stage by stage, each by its newest frame. */
export function coldSharesOf(document: VisitDocument, pixels: Pixels): ColdShares[] {
  return emittersOf(document).map((emitter) => {
    const faces = FACE_STAGES.map((stage) => {
      const row = latestFace(document, emitter.id, stage);
      return { stage, judged: row ? judgeFace(document, row, pixels) : null };
    });
    const by = <T>(of: (judged: JudgedFace | null | undefined) => T) =>
      Object.fromEntries(faces.map(({ stage, judged }) => [stage, of(judged)])) as Record<FaceStage, T>;
    return {
      emitter,
      shares: by((judged) => (judged === undefined ? undefined : (judged?.coldShare ?? null))),
      water: by((judged) => judged?.water ?? null),
    };
  });
}

/** Frames that cold shares are read from. */
export function framesOfShares(document: VisitDocument): string[] {
  return emittersOf(document).flatMap(({ id }) => facesOf(document, id).map(({ value }) => value.frameId));
}

/** Stages at which any face was seen, in their order. */
export function stagesSeen(shares: readonly ColdShares[]): FaceStage[] {
  return FACE_STAGES.filter((stage) => shares.some(({ shares: of }) => of[stage] !== null));
}
