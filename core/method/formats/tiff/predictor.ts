/**
 * Undoes TIFF's predictors in place on the bytes of one strip or tile.
 *
 * @param bytesPerSample - 2, 4 or 8
 * @param littleEndian - byte order of the file
 *
 * Predictor 2 stores each sample less its left neighbour, in the file's byte order. Predictor 3 (TIFF Technical Note 3)
 * stores differences of single bytes, after sorting a row's bytes by significance, most significant first whatever the
 * byte order of the file; undone here to the file's order, so that one sample reader serves all.
 */
export function undoPredictor(
  predictor: 1 | 2 | 3,
  bytes: Uint8Array,
  rowSamples: number,
  rows: number,
  bytesPerSample: number,
  littleEndian: boolean,
): void {
  if (predictor === 1) return;
  const rowBytes = rowSamples * bytesPerSample;
  if (predictor === 2) {
    for (let row = 0; row < rows; row += 1) addUpSamples(bytes, row * rowBytes, rowSamples, bytesPerSample, littleEndian);
    return;
  }
  const sorted = new Uint8Array(rowBytes);
  for (let row = 0; row < rows; row += 1) {
    const start = row * rowBytes;
    for (let i = 1; i < rowBytes; i += 1) bytes[start + i] = (bytes[start + i]! + bytes[start + i - 1]!) & 0xff;
    sorted.set(bytes.subarray(start, start + rowBytes));
    for (let sample = 0; sample < rowSamples; sample += 1) {
      for (let b = 0; b < bytesPerSample; b += 1) {
        const place = littleEndian ? bytesPerSample - 1 - b : b;
        bytes[start + sample * bytesPerSample + place] = sorted[b * rowSamples + sample]!;
      }
    }
  }
}

/** Adds with carry byte by byte, least significant first, so that one loop serves every sample size and byte order. */
function addUpSamples(bytes: Uint8Array, start: number, samples: number, size: number, littleEndian: boolean): void {
  for (let sample = 1; sample < samples; sample += 1) {
    const here = start + sample * size;
    let carry = 0;
    for (let b = 0; b < size; b += 1) {
      const place = littleEndian ? b : size - 1 - b;
      const sum = bytes[here + place]! + bytes[here - size + place]! + carry;
      bytes[here + place] = sum & 0xff;
      carry = sum >> 8;
    }
  }
}
