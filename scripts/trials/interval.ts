/** A share with its 95 % interval (Wilson 1927): honest near 0 and 1 too. */
export function interval(hits: number, of: number): { value: number; low: number; high: number } {
  const z = 1.96;
  const share = hits / of;
  const middle = (share + (z * z) / (2 * of)) / (1 + (z * z) / of);
  const half = (z * Math.sqrt((share * (1 - share)) / of + (z * z) / (4 * of * of))) / (1 + (z * z) / of);
  return { value: share, low: middle - half, high: middle + half };
}
