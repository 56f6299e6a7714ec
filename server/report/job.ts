import type { DisplayUnit } from '@core/units/temperature';
import type { VisitDocument } from '@core/document';

/** What the report's worker needs: the visit, and the bytes that it shows. */
export interface ReportJob {
  document: VisitDocument;
  unit: DisplayUnit;
  /** Little-endian float32 by frame. */
  pixels: Record<string, Uint8Array>;
  /** Pictures as they came, by photo. */
  photos: Record<string, Uint8Array>;
}
