import { decodeFile, type DecodedFrame, type FileToDecode } from '../decode';
import { serveJobs } from './serve';

serveJobs<FileToDecode, DecodedFrame>(
  (file) => decodeFile(file),
  (frame) => [frame.pixels.buffer as ArrayBuffer, frame.thumb.pixels.buffer as ArrayBuffer],
);
