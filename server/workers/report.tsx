import { renderToBuffer } from '@react-pdf/renderer';
import sharp from 'sharp';
import { leakOf } from '@core/work/water/seek';
import type { Photo } from '@core/method/compare/sameLook';
import { photosOfPairs, provenOf } from '@core/work/proof/proven';
import { comparesPairs, framesOfPaper, photosOfPaper, printed } from '@core/paper/papers';
import { spansOfAll } from '@core/method/frame/region';
import { framePng, practiceMarked, smallPhoto, uprightPhoto } from '../picture';
import type { ReportJob } from '../report/job';
import { figureKey, ReportPdf, type Pictures } from '../report/ReportPdf';
import { serveJobs } from './serve';

/** Photos are shown some 250 points wide; this is enough for print. */
const PHOTO_PIXELS = 1000;

serveJobs<ReportJob, Uint8Array>(
  async ({ document, earlier, unit, paper, pixels, photos }, { progress }) => {
    const values = new Map(
      framesOfPaper(document, paper, earlier).map((id) => {
        const bytes = pixels[id]!;
        return [id, new Float32Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer)];
      }),
    );
    const of = (id: string) => values.get(id);
    const looked = new Map<string, Photo>();
    for (const { id, value } of comparesPairs(paper) ? photosOfPairs(document, earlier) : [])
      looked.set(id, await smallPhoto(photos[id]!, value));
    const computed = {
      proven: comparesPairs(paper) ? provenOf(document, earlier, of, (id) => looked.get(id)) : [],
      leak: paper === 'report' || paper === 'leak' ? leakOf(document, of) : null,
    };
    const made = printed(document, paper, of, unit, computed);
    const pictures: Pictures = { frames: {}, photos: {} };
    const addPhoto = async (id: string) => {
      const row = document.rows.photo[id];
      if (!photos[id] || !row) return;
      // Upright, without alpha, as JPEG: what a PDF takes fastest.
      const { data, info } = await sharp(await uprightPhoto(photos[id], row.value).toBuffer())
        .resize(PHOTO_PIXELS, PHOTO_PIXELS, { fit: 'inside', withoutEnlargement: true })
        .flatten({ background: 'white' })
        .jpeg({ quality: 86 })
        .toBuffer({ resolveWithObject: true });
      pictures.photos[id] = { bytes: made.practice ? await practiceMarked(data) : data, width: info.width, height: info.height };
    };
    const figures = made.blocks.flatMap((block) =>
      block.kind === 'pictures' ? block.pictures.flatMap(({ figure }) => figure ?? []) : [],
    );
    const shown = photosOfPaper(document, paper, unit);
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
      await addPhoto(id);
    }
    progress(total - 1, total);
    return new Uint8Array(await renderToBuffer(<ReportPdf printed={made} pictures={pictures} />));
  },
  (pdf) => [pdf.buffer as ArrayBuffer],
);
