/** Codes of TIFF 6.0, section 13: 256 clears the table, 257 ends the data, new entries start at 258. */
const CLEAR = 256;
const END = 257;
const MAX_CODES = 4096;

/**
 * Expands TIFF's LZW (most significant bit first, code width grows one code early).
 *
 * @param out - receives the bytes; expanding stops when it is full
 * @returns bytes written, or a negative number −1 − offset when the data is broken at that offset
 */
export function expandLzw(data: Uint8Array, out: Uint8Array): number {
  const prefix = new Uint16Array(MAX_CODES);
  const suffix = new Uint8Array(MAX_CODES);
  const length = new Uint16Array(MAX_CODES);
  for (let i = 0; i < 256; i += 1) {
    suffix[i] = i;
    length[i] = 1;
  }
  let next = 258;
  let width = 9;
  let previous = -1;
  let bits = 0;
  let held = 0;
  let written = 0;
  for (let at = 0; at < data.length && written < out.length;) {
    while (held < width && at < data.length) {
      bits = ((bits << 8) | data[at]!) & 0xffffff;
      held += 8;
      at += 1;
    }
    if (held < width) break;
    const code = (bits >> (held - width)) & ((1 << width) - 1);
    held -= width;

    if (code === END) break;
    if (code === CLEAR) {
      next = 258;
      width = 9;
      previous = -1;
      continue;
    }
    if (previous < 0) {
      if (code > 255) return -1 - at;
      out[written] = code;
      written += 1;
      previous = code;
      continue;
    }
    if (code > next || (code >= CLEAR && code < 258)) return -1 - at;
    // The one code that is not in the table yet is the previous string and its own first byte.
    const known = code < next ? code : previous;
    const size = length[known]!;
    let walk = known;
    for (let k = size - 1; k >= 0; k -= 1) {
      if (written + k < out.length) out[written + k] = suffix[walk]!;
      if (k > 0) walk = prefix[walk]!;
    }
    const first = suffix[walk]!;
    written = Math.min(out.length, written + size);
    if (code === next && written < out.length) {
      out[written] = first;
      written += 1;
    }
    if (next < MAX_CODES) {
      prefix[next] = previous;
      suffix[next] = first;
      length[next] = length[previous]! + 1;
      next += 1;
      if (next >= (1 << width) - 1 && width < 12) width += 1;
    }
    previous = code;
  }
  return written;
}
