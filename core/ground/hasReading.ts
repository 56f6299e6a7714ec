/** The one place that decides whether a pixel has a reading. Zero is a temperature like any other. */
export function hasReading(value: number): boolean {
  return value === value;
}
