import type { VisitDocument } from '../document';
import { FACE_STAGES, type FaceStage } from '../heating/stages';
import { emittersOf, type Emitter } from './emitters';
import { facesOf, judgeFace, latestFace } from './faces';
import type { Pixels } from './tails';

export interface ColdShares {
  emitter: Emitter;
  /** Of its face at each stage, 0 … 1; undefined while pixels are on their way, null where none was seen. */
  shares: Record<FaceStage, number | null | undefined>;
}

/** The cold share of every face, stage by stage, each by its newest frame. */
export function coldSharesOf(document: VisitDocument, pixels: Pixels): ColdShares[] {
  return emittersOf(document).map((emitter) => ({
    emitter,
    shares: Object.fromEntries(
      FACE_STAGES.map((stage) => {
        const row = latestFace(document, emitter.id, stage);
        if (!row) return [stage, null];
        const judged = judgeFace(document, row, pixels);
        return [stage, judged === undefined ? undefined : (judged?.coldShare ?? null)];
      }),
    ) as ColdShares['shares'],
  }));
}

/** Frames that cold shares are read from. */
export function framesOfShares(document: VisitDocument): string[] {
  return emittersOf(document).flatMap(({ id }) => facesOf(document, id).map(({ value }) => value.frameId));
}

/** Stages at which any face was seen, in their order. */
export function stagesSeen(shares: readonly ColdShares[]): FaceStage[] {
  return FACE_STAGES.filter((stage) => shares.some(({ shares: of }) => of[stage] !== null));
}
