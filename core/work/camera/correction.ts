/** How a camera's readings are put right, by checks of it. */
export interface Correction {
  /** Added at room temperature, K. */
  offsetK: number;
  /** Added as well: so much of the distance from room temperature, as a fraction. */
  slope: number;
}

export const NO_CORRECTION: Correction = { offsetK: 0, slope: 0 };

/** Walls and rooms are read near here, °C. */
export const ROOM_C = 18;

/** A reading put right, °C. @param celsius - as the camera reads it */
export function corrected(celsius: number, { offsetK, slope }: Correction): number {
  return celsius + offsetK + slope * (celsius - ROOM_C);
}
