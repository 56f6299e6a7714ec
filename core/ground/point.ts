/** A place on a picture or a plane; x to the right, y down. */
export type Point = readonly [x: number, y: number];
