import { decodePages, type DecodedFrame, type FileToDecode } from '../decode';
import { serveJobs } from './serve';

serveJobs<FileToDecode, { pages: number }, DecodedFrame>(
  async (file, { part }) => {
    let pages = 0;
    for (const frame of decodePages(file)) {
      await part(frame, [frame.pixels.buffer as ArrayBuffer, frame.thumb.pixels.buffer as ArrayBuffer]);
      pages += 1;
    }
    return { pages };
  },
  () => [],
);
