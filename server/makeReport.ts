import type { DisplayUnit } from '@core/units/temperature';
import { buildReport, framesOfReport, photosOfReport } from '@core/report/model';
import { siteOf, visitDay } from '@core/visit/theVisit';
import type { Asking } from '@data/asking';
import { getBlob } from '@data/queries/blobs';
import { loadVisitDocument } from '@data/queries/document';
import { frameShas, photoFile } from '@data/queries/files';
import type { JobResult } from './jobs';
import type { ReportJob } from './report/job';
import { WorkerPool } from './workerPool';

const shared = globalThis as { denReports?: WorkerPool<ReportJob, Uint8Array> };

/** The visit's report as PDF, made in a worker thread from what is stored now. */
export async function makeReport(
  asking: Asking,
  visitId: string,
  unit: DisplayUnit,
  options: { signal: AbortSignal; onProgress(done: number, total: number): void },
): Promise<JobResult> {
  const document = await loadVisitDocument(asking, visitId);
  const pixels: ReportJob['pixels'] = {};
  for (const id of framesOfReport(document)) pixels[id] = await getBlob(asking.db, (await frameShas(asking, id)).pixelsSha);
  const photos: ReportJob['photos'] = {};
  const shown = photosOfReport(buildReport(document, () => undefined, unit));
  for (const id of shown) photos[id] ??= await getBlob(asking.db, (await photoFile(asking, id)).fileSha);
  shared.denReports ??= new WorkerPool('report', 1);
  const bytes = await shared.denReports.run({ document, unit, pixels, photos }, options);
  return { bytes, fileName: `${siteOf(document).name} ${visitDay(document)}.pdf`, type: 'application/pdf' };
}
