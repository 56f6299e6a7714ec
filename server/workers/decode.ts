import { decodeFile, type DecodedFrame } from '../decode';
import { serveJobs } from './serve';

serveJobs<Uint8Array, DecodedFrame>(
  (bytes) => decodeFile(bytes),
  (frame) => [frame.pixels.buffer as ArrayBuffer, frame.thumb.pixels.buffer as ArrayBuffer],
);
