import { renderToBuffer } from '@react-pdf/renderer';
import type { Handout } from '@core/paper/handout';
import { HandoutPdf } from '../report/HandoutPdf';
import { serveJobs } from './serve';

serveJobs<Handout, Uint8Array>(
  async (handout) => new Uint8Array(await renderToBuffer(<HandoutPdf handout={handout} />)),
  (pdf) => [pdf.buffer as ArrayBuffer],
);
