/** What a reader needs of its platform. Node brings zlib, a browser its own; core stays free of both. */
export interface Codecs {
  /**
   * Inflates a zlib stream.
   *
   * @returns the bytes, never more than `limit`; 'overflow' when the stream holds more than that, 'broken' when it is
   *   damaged or ends early
   */
  inflate(bytes: Uint8Array, limit: number): Uint8Array | 'overflow' | 'broken';
  /** Deflates to a zlib stream. */
  deflate(bytes: Uint8Array): Uint8Array;
  /** Decodes text; bytes that do not fit become U+FFFD. */
  decodeText(bytes: Uint8Array, encoding: 'utf-8' | 'utf-16le' | 'utf-16be' | 'latin1'): string;
}
