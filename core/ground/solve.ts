/**
 * Solves a system of linear equations by elimination with pivots.
 *
 * @param rows - n equations of n unknowns, each with its right-hand side last; used up by the computation
 * @returns the unknowns; null for a system that is singular within 1e-9
 */
export function solve(rows: number[][]): number[] | null {
  const n = rows.length;
  for (let k = 0; k < n; k += 1) {
    let pivot = k;
    for (let i = k + 1; i < n; i += 1) if (Math.abs(rows[i]![k]!) > Math.abs(rows[pivot]![k]!)) pivot = i;
    if (Math.abs(rows[pivot]![k]!) < 1e-9) return null;
    [rows[k], rows[pivot]] = [rows[pivot]!, rows[k]!];
    for (let i = 0; i < n; i += 1) {
      if (i === k) continue;
      const factor = rows[i]![k]! / rows[k]![k]!;
      for (let j = k; j <= n; j += 1) rows[i]![j]! -= factor * rows[k]![j]!;
    }
  }
  return rows.map((row, i) => row[n]! / row[i]!);
}
