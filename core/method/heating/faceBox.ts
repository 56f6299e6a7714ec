/** Columns left … left + width − 1 of a frame, rows alike. */
export interface FaceBox {
  x: number;
  y: number;
  width: number;
  height: number;
}
