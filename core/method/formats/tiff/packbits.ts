/**
 * Expands PackBits (TIFF 6.0, section 9).
 *
 * @param out - receives the bytes; expanding stops when it is full
 * @returns bytes written
 */
export function expandPackbits(data: Uint8Array, out: Uint8Array): number {
  let written = 0;
  let at = 0;
  while (at < data.length && written < out.length) {
    const control = data[at]!;
    at += 1;
    if (control < 128) {
      const count = Math.min(control + 1, data.length - at, out.length - written);
      out.set(data.subarray(at, at + count), written);
      written += count;
      at += control + 1;
    } else if (control > 128) {
      if (at >= data.length) break;
      const count = Math.min(257 - control, out.length - written);
      out.fill(data[at]!, written, written + count);
      written += count;
      at += 1;
    }
  }
  return written;
}
