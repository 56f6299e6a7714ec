/** The direction from the middle of a compass to a point, ° clockwise from north (up), 0 … 359, to whole steps. */
export function bearingTo(x: number, y: number, step: number): number {
  const degrees = (Math.atan2(x, -y) * 180) / Math.PI;
  return (((Math.round(degrees / step) * step) % 360) + 360) % 360;
}

/** A point at a distance from the middle in a direction; y grows downwards. */
export function pointAt(bearing: number, distance: number): { x: number; y: number } {
  const radians = (bearing * Math.PI) / 180;
  return { x: Math.sin(radians) * distance, y: -Math.cos(radians) * distance };
}
