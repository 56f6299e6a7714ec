import { createHash } from 'node:crypto';
import { CoreError } from '@core/ground/errors';
import type { DisplayUnit } from '@core/ground/temperature';
import { wantedBy, type Had, type Wanted } from '@core/paper/computed';
import { earlierVisitsOf, photosOfPairs } from '@core/work/proof/proven';
import { comparesPairs, framesOfPaper, type Paper, PAPER_NAMES, photosOfPaper } from '@core/paper/papers';
import { isPractice, PRACTICE_WORD } from '@core/work/visit/practice';
import { siteOf, visitDay } from '@core/work/visit/theVisit';
import type { Asking } from '@data/asking';
import { getBlob } from '@data/queries/blobs';
import { loadVisitDocument, loadVisitDocuments } from '@data/queries/document';
import { keepResult, keptResults } from '@data/queries/kept';
import { frameShas, photoFile } from '@data/queries/files';
import type { JobResult } from './jobs';
import type { ReportJob, ReportMade } from './report/job';
import { WorkerPool } from './workerPool';

const shared = globalThis as { denReports?: WorkerPool<ReportJob, ReportMade> };

/** The visit's report, or another paper of it, as PDF: made in a worker thread from what is stored now. */
export async function makeReport(
  asking: Asking,
  visitId: string,
  unit: DisplayUnit,
  paper: Paper,
  options: { signal: AbortSignal; onProgress(done: number, total: number): void },
): Promise<JobResult> {
  const document = await loadVisitDocument(asking, visitId);
  const earlier = await loadVisitDocuments(asking, earlierVisitsOf(document));
  const pixels: ReportJob['pixels'] = {};
  for (const id of framesOfPaper(document, paper, earlier))
    await unlessMissing(async () => {
      pixels[id] = await getBlob(asking.db, (await frameShas(asking, id)).pixelsSha);
    });
  const photos: ReportJob['photos'] = {};
  const ofPairs = comparesPairs(paper) ? photosOfPairs(document, earlier).map(({ id }) => id) : [];
  for (const id of new Set([...photosOfPaper(document, paper, unit), ...ofPairs]))
    await unlessMissing(async () => {
      photos[id] = await getBlob(asking.db, (await photoFile(asking, id)).fileSha);
    });
  const wanted = wantedBy(document, earlier, paper).map((one) => ({ ...one, key: keyOf(one) }));
  const kept = await keptResults(
    asking,
    wanted.map(({ key }) => key),
  );
  const had = wanted.flatMap(({ kind, of, key }) => (kept.has(key) ? [{ kind, of, value: kept.get(key) } as Had] : []));
  shared.denReports ??= new WorkerPool('report', 1);
  const { pdf, made } = await shared.denReports.run({ document, earlier, unit, paper, pixels, photos, had }, options);
  for (const { kind, of, value } of made)
    await keepResult(asking, kind, wanted.find((one) => one.kind === kind && one.of === of)!.key, value);
  const name = [isPractice(document) ? PRACTICE_WORD : '', siteOf(document).name, PAPER_NAMES[paper], visitDay(document)]
    .filter(Boolean)
    .join(' ');
  return { bytes: pdf, fileName: `${name}.pdf`, type: 'application/pdf' };
}

/** Where a result is kept: the hash of all that it follows from, as pages make it too. */
const keyOf = ({ inputs }: Wanted): string => createHash('sha256').update(inputs).digest('hex');

/** Bytes that are not stored any more are a gap in the paper, which names it; they are no reason to have none. */
async function unlessMissing(read: () => Promise<void>): Promise<void> {
  try {
    await read();
  } catch (error) {
    if (!(error instanceof CoreError) || error.code !== 'not_found') throw error;
  }
}
