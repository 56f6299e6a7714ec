/** Bytes of one pixel: 16 bits of grey. */
const PIXEL = 2;

/**
 * Undoes the filters of PNG in place (None, Sub, Up, Average, Paeth; PNG specification, ch. 9), one row after the other.
 *
 * @param data - rows from `at`, each with its filter's number before it
 * @param columns - pixels of a row, 16 bits each
 * @returns the row whose filter does not exist, or −1 when all went well
 */
export function undoFilters(data: Uint8Array, at: number, columns: number, rows: number): number {
  const length = columns * PIXEL;
  for (let y = 0, row = at + 1; y < rows; y += 1, row += length + 1) {
    const above = y === 0 ? -1 : row - length - 1;
    switch (data[row - 1]) {
      case 0:
        break;
      case 1:
        for (let i = PIXEL; i < length; i += 1) data[row + i]! += data[row + i - PIXEL]!;
        break;
      case 2:
        if (above >= 0) for (let i = 0; i < length; i += 1) data[row + i]! += data[above + i]!;
        break;
      case 3:
        for (let i = 0; i < length; i += 1) {
          const left = i < PIXEL ? 0 : data[row + i - PIXEL]!;
          const up = above < 0 ? 0 : data[above + i]!;
          data[row + i]! += (left + up) >> 1;
        }
        break;
      case 4:
        undoPaeth(data, row, above, length);
        break;
      default:
        return y;
    }
  }
  return -1;
}

function undoPaeth(data: Uint8Array, row: number, above: number, length: number): void {
  for (let i = 0; i < length; i += 1) {
    const left = i < PIXEL ? 0 : data[row + i - PIXEL]!;
    const up = above < 0 ? 0 : data[above + i]!;
    const corner = i < PIXEL || above < 0 ? 0 : data[above + i - PIXEL]!;
    const guess = left + up - corner;
    const toLeft = Math.abs(guess - left);
    const toUp = Math.abs(guess - up);
    const toCorner = Math.abs(guess - corner);
    data[row + i]! += toLeft <= toUp && toLeft <= toCorner ? left : toUp <= toCorner ? up : corner;
  }
}
