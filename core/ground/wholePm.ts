/** The half width of an interval as it is written beside a whole number: at least 1, and in tens from 100 on. */
export function wholePm(value: number): number {
  return value >= 100 ? 10 * Math.round(value / 10) : Math.max(1, Math.round(value));
}
