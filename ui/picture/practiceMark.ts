import { PRACTICE_WORD } from '@core/work/visit/practice';

/** Below so many pixels across a picture has no room for the word: it stands beside one that has. */
const LEAST_WIDTH = 36;

/** Writes into the corner of a picture of a practice visit what it is, so that it goes wherever the picture goes. */
export function drawPracticeMark(context: CanvasRenderingContext2D, width: number, height: number): void {
  if (width < LEAST_WIDTH) return;
  const size = Math.max(8, Math.min(15, Math.round(width / 24)));
  context.save();
  context.font = `600 ${size}px Figtree, sans-serif`;
  context.textBaseline = 'middle';
  const wide = context.measureText(PRACTICE_WORD).width + size;
  const high = 1.5 * size;
  const [left, top] = [width - wide - size / 3, height - high - size / 3];
  context.fillStyle = 'rgb(20 16 24 / 0.72)';
  context.fillRect(left, top, wide, high);
  context.fillStyle = '#fff';
  context.fillText(PRACTICE_WORD, left + size / 2, top + high / 2);
  context.restore();
}
