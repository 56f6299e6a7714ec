import { requireRange } from '../../ground/errors';

/** What a camera sees at a distance, m. Pinhole, flat target square to the axis. */
export interface Sight {
  /** Width and height of what is in view. */
  width: number;
  height: number;
  /** Side of the square that one pixel covers. */
  pixel: number;
  /** The smallest target whose temperature can be read: five pixels a side. */
  smallest: number;
  /** The smallest whose centre pixel can be read: three pixels a side. */
  centre: number;
}

/** The fewest pixels a side of a target that can be read: the optics spread what is smaller over its neighbours. */
export const HONEST_PIXELS = 5;
/** The fewest of which the pixel in the middle can be read. */
const CENTRE_PIXELS = 3;

function halfTangent(fieldDeg: number): number {
  requireRange('field of view', fieldDeg, 0.5, 170);
  return Math.tan((fieldDeg * Math.PI) / 360);
}

/**
 * What is in view at a distance.
 *
 * @param distanceM - above 0 and up to 1000 m
 * @returns metres
 * @throws CoreError `out_of_range`
 *
 * Field width = 2·d·tan(FOV/2); pixels are square. Lenses draw their edges a little wider than a pinhole.
 */
export function sightAt(camera: { columns: number; rows: number; fieldDeg: number }, distanceM: number): Sight {
  requireRange('distance', distanceM, Number.MIN_VALUE, 1000);
  const width = 2 * distanceM * halfTangent(camera.fieldDeg);
  const pixel = width / camera.columns;
  return { width, height: pixel * camera.rows, pixel, smallest: HONEST_PIXELS * pixel, centre: CENTRE_PIXELS * pixel };
}

/**
 * How far to stand away, so that so much is in view.
 *
 * @param widthM - above 0 and up to 1000 m
 * @returns metres
 * @throws CoreError `out_of_range`
 */
export function standOff(camera: { fieldDeg: number }, widthM: number): number {
  requireRange('width', widthM, Number.MIN_VALUE, 1000);
  return widthM / (2 * halfTangent(camera.fieldDeg));
}
