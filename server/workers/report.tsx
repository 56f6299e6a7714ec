import { renderToBuffer } from '@react-pdf/renderer';
import type { Photo } from '@core/method/compare/sameLook';
import { spansOfAll } from '@core/method/frame/region';
import { withGaps, type Gap } from '@core/paper/gaps';
import { computedFor } from '@core/paper/computed';
import { comparesPairs, framesOfPaper, photosOfPaper, printed } from '@core/paper/papers';
import { photosOfPairs } from '@core/work/proof/proven';
import { framePng, practiceMarked } from '../picture';
import type { ReportJob, ReportMade } from '../report/job';
import { comparedPhoto, printedPhoto, storedValues } from '../report/photos';
import { figureKey, ReportPdf, type Pictures } from '../report/ReportPdf';
import { serveJobs } from './serve';

serveJobs<ReportJob, ReportMade>(
  async ({ document, earlier, unit, paper, pixels, photos, had }, { progress }) => {
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
    const { computed, made } = computedFor(document, earlier, paper, of, (id) => looked.get(id), had);
    const whole = gaps.length === 0;
    const shows = printed(document, paper, of, unit, computed);
    const pictures: Pictures = { frames: {}, photos: {} };
    const figures = shows.blocks.flatMap((block) =>
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
      pictures.frames[key] = shows.practice ? await practiceMarked(png) : png;
    }
    for (const [done, id] of shown.entries()) {
      progress(figures.length + done, total);
      const photo = photos[id] ? await printedPhoto(photos[id], document.rows.photo[id]!.value, shows.practice) : null;
      if (photo) pictures.photos[id] = photo;
      else gaps.push({ kind: 'photo', id });
    }
    progress(total - 1, total);
    const told = { ...shows, blocks: withGaps(shows.blocks, documents, gaps) };
    const pdf = new Uint8Array(await renderToBuffer(<ReportPdf printed={told} pictures={pictures} />));
    return { pdf, made: whole ? made : [] };
  },
  ({ pdf }) => [pdf.buffer as ArrayBuffer],
);
