import type { DisplayUnit } from '@core/ground/temperature';
import type { VisitDocument } from '@core/model/document';
import type { Had } from '@core/paper/computed';
import type { Paper } from '@core/paper/papers';

/** What the report's worker needs: the visit, and the bytes that it shows. */
export interface ReportJob {
  document: VisitDocument;
  /** Visits that its pairs are compared with. */
  earlier: VisitDocument[];
  unit: DisplayUnit;
  paper: Paper;
  /** Little-endian float32 by frame; those that are not stored any more are missing. */
  pixels: Record<string, Uint8Array>;
  /** Pictures as they came, by photo; those that are not stored any more are missing. */
  photos: Record<string, Uint8Array>;
  /** What is known already of what takes seconds to find out. */
  had: Had[];
}

export interface ReportMade {
  pdf: Uint8Array;
  /** What had to be found out, where nothing of what it follows from was missing. */
  made: Had[];
}
