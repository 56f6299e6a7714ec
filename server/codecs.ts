import { deflateSync, inflateSync } from 'node:zlib';
import type { Codecs } from '@core/method/formats/codecs';

/** The platform's part of reading files, on Node. */
export const nodeCodecs: Codecs = {
  inflate(bytes, limit) {
    try {
      return inflateSync(bytes, { maxOutputLength: limit });
    } catch (error) {
      return (error as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE' ? 'overflow' : 'broken';
    }
  },
  deflate: (bytes) => deflateSync(bytes, { level: 6 }),
  decodeText: (bytes, encoding) => new TextDecoder(encoding).decode(bytes),
};
