import { visitChangesSchema, type VisitDocument } from '@core/model/document';
import { packedDocumentSchema } from '@core/model/packedDocument';
import type { Entity, Row } from '@core/model/entities';
import { getJson } from '@ui/server/api';
import { RowStore } from '@ui/store/rowStore';
import { documentAddress } from './documentAddress';
import { PixelStore } from './pixels';

/** A visit as a tab has it: its rows with undo, and the pixels that were fetched. */
export class VisitStore extends RowStore<VisitDocument> {
  readonly pixels = new PixelStore('pixels');
  readonly thumbs = new PixelStore('thumb');

  constructor(document: VisitDocument) {
    super(document, `glow-den.undo.${document.visitId}`);
    this.knowPixels(document);
  }

  /** Takes in what was stored meanwhile, for example by an import. @throws CoreError */
  readonly refresh = async (): Promise<VisitDocument> => {
    for (;;) {
      await this.idle();
      const { visitId, readAt } = this.document;
      const asked = this.sent;
      const changes = await getJson(`/api/visits/${visitId}/changes?since=${readAt}`, visitChangesSchema);
      // Something was changed while it was on its way: what came may be older than what is shown.
      if (this.sent !== asked) continue;
      const rows = Object.entries(changes.rows as Record<Entity, Row<Entity>[]>).flatMap(([entity, stored]) =>
        stored.map((row) => ({ entity: entity as Entity, rowId: row.id, stored: row })),
      );
      const gone = Object.entries(changes.gone as Record<Entity, string[]>).flatMap(([entity, ids]) =>
        ids.map((rowId) => ({ entity: entity as Entity, rowId, stored: null })),
      );
      const { frameFacts, photoFacts, recordedAt, broken } = this.document;
      this.take([...rows, ...gone], {
        readAt: changes.readAt,
        frameFacts: { ...frameFacts, ...changes.frameFacts },
        photoFacts: { ...photoFacts, ...changes.photoFacts },
        recordedAt: { ...recordedAt, ...changes.recordedAt },
        broken: [...broken.filter(({ id }) => !changes.broken.some((one) => one.id === id)), ...changes.broken],
      });
      this.knowPixels(this.document);
      return this.document;
    }
  };

  private knowPixels({ frameFacts }: VisitDocument): void {
    this.pixels.know(frameFacts);
    this.thumbs.know(frameFacts);
  }
}

let last: VisitStore | null = null;

/**
 * The store of a visit as it is now; the one of before where it still holds something that is not stored.
 *
 * @throws CoreError as the server refuses
 */
export async function openVisit(visitId: string): Promise<VisitStore> {
  const document = await getJson(documentAddress(visitId), packedDocumentSchema);
  const keeps = last?.document.visitId === visitId && last.state.getState().saving.state !== 'saved';
  if (!keeps) last = new VisitStore(document);
  return last!;
}
