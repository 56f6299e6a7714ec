/**
 * Means of patterns that repeat, over the width of a pixel: what is finer than a pixel becomes its mean, so that no moiré
 * stands in a picture that the camera could not show.
 */

/** Error function within 1.5e-7 (Abramowitz & Stegun, 7.1.26). */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(x));
  const tail = ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t;
  return Math.sign(x) * (1 - tail * Math.exp(-x * x));
}

/** Area under all lines up to x: whole periods, and what lies in the last one. */
function areaUpTo(x: number, period: number, spread: number): number {
  const line = Math.round(x / period);
  const whole = spread * Math.sqrt(Math.PI);
  return whole * (line + 0.5 * erf((x - line * period) / spread));
}

/**
 * Mean of soft lines exp(−(x/spread)²) around every multiple of `period`, from `x − size/2` to `x + size/2`.
 *
 * @param spread - below a quarter of the period, so that lines do not touch, m
 */
export function linesMean(x: number, size: number, period: number, spread: number): number {
  if (size < spread / 4) {
    const off = x - Math.round(x / period) * period;
    return Math.exp(-((off / spread) ** 2));
  }
  return (areaUpTo(x + size / 2, period, spread) - areaUpTo(x - size / 2, period, spread)) / size;
}

/** Mean of cos(2π x/period) from `x − size/2` to `x + size/2`. */
export function waveMean(x: number, size: number, period: number): number {
  const half = (Math.PI * size) / period;
  return Math.cos((2 * Math.PI * x) / period) * (half < 1e-6 ? 1 : Math.sin(half) / half);
}
