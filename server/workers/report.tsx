import { renderToBuffer } from '@react-pdf/renderer';
import type { Photo } from '@core/method/compare/sameLook';
import { spansOfAll } from '@core/method/frame/region';
import { withGaps, type Gap } from '@core/paper/gaps';
import { comparesPairs, framesOfPaper, photosOfPaper, printed } from '@core/paper/papers';
import { photosOfPairs, provenOf } from '@core/work/proof/proven';
import { framesOfHunt, leakOf } from '@core/work/water/seek';
import { framePng, practiceMarked } from '../picture';
import type { ReportJob } from '../report/job';
import { comparedPhoto, printedPhoto, storedValues } from '../report/photos';
import { figureKey, ReportPdf, type Pictures } from '../report/ReportPdf';
import { serveJobs } from './serve';

serveJobs<ReportJob, Uint8Array>(
  async ({ document, earlier, unit, paper, pixels, photos }, { progress }) => {
    const documents = [document, ...earlier];
    const gaps: Gap[] = [];
    const values = new Map<string, Float32Array>();
    for (const id of framesOfPaper(document, paper, earlier)) {
      const read = storedValues(documents, id, pixels[id]);
      if (read) values.set(id, read);
      else gaps.push({ kind: 'frame', id });
    }
    const of = (id: string) => values.get(id);
    const looked = new Map<string, Photo>();
    for (const { id, value } of comparesPairs(paper) ? photosOfPairs(document, earlier) : []) {
      const photo = photos[id] ? await comparedPhoto(photos[id], value) : null;
      if (photo) looked.set(id, photo);
      else gaps.push({ kind: 'photo', id });
    }
    // Frames that are missing would look like a series that was not long enough.
    const whole = framesOfHunt(document).every((id) => values.has(id));
    const computed = {
      proven: comparesPairs(paper) ? provenOf(document, earlier, of, (id) => looked.get(id)) : [],
      leak: whole && (paper === 'report' || paper === 'leak') ? leakOf(document, of) : null,
    };
    const made = printed(document, paper, of, unit, computed);
    const pictures: Pictures = { frames: {}, photos: {} };
    const figures = made.blocks.flatMap((block) =>
      block.kind === 'pictures' ? block.pictures.flatMap(({ figure }) => figure ?? []) : [],
    );
    const shown = photosOfPaper(document, paper, unit).filter((id) => document.rows.photo[id]);
    const total = figures.length + shown.length + 1;
    for (const [done, figure] of figures.entries()) {
      progress(done, total);
      const { frameId, width, height, line, scale, leftOut } = figure;
      const key = figureKey(figure);
      if (pictures.frames[key]) continue;
      const spans = spansOfAll(leftOut, width, height);
      const png = await framePng({ width, height, values: values.get(frameId)! }, line, scale, spans);
      pictures.frames[key] = made.practice ? await practiceMarked(png) : png;
    }
    for (const [done, id] of shown.entries()) {
      progress(figures.length + done, total);
      const photo = photos[id] ? await printedPhoto(photos[id], document.rows.photo[id]!.value, made.practice) : null;
      if (photo) pictures.photos[id] = photo;
      else gaps.push({ kind: 'photo', id });
    }
    progress(total - 1, total);
    const told = { ...made, blocks: withGaps(made.blocks, documents, gaps) };
    return new Uint8Array(await renderToBuffer(<ReportPdf printed={told} pictures={pictures} />));
  },
  (pdf) => [pdf.buffer as ArrayBuffer],
);
