import { renderToBuffer } from '@react-pdf/renderer';
import type { Paper } from '@core/report/paper';
import { PaperPdf } from '../report/PaperPdf';
import { serveJobs } from './serve';

serveJobs<Paper, Uint8Array>(
  async (paper) => new Uint8Array(await renderToBuffer(<PaperPdf paper={paper} />)),
  (pdf) => [pdf.buffer as ArrayBuffer],
);
