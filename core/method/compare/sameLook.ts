import { medianOf, robustSpread } from '../../ground/median';
import type { Grid } from '../../ground/grid';
import { slowSurface } from '../../ground/surfaceFit';
import type { Alignment } from '../frame/alignment';
import { moved } from '../../ground/affine';
import type { Point } from '../../ground/point';
import { projected, type Homography } from '../../ground/homography';
import { hasReading } from '../../ground/hasReading';
import type { Place } from './change';
import { boxMeans } from './boxMeans';

/** A photo, upright: red, green and blue of each pixel, 8 bits each, row by row. */
export interface Photo {
  width: number;
  height: number;
  rgb: Uint8Array;
}

/** A photo as it lies over its frame. */
export interface PhotoOver {
  photo: Photo;
  alignment: Alignment;
  /** Of its frame, pixels. */
  frame: { width: number; height: number };
}

/** Both photos are looked at through a lattice of so many cells across the earlier frame. */
const COLUMNS = 96;
/** Points that are asked in each cell, in a row and in a column. */
const POINTS = 3;
/** How far photos may lie beside where they should, cells. */
const REACH = 4;
/** One of so many cells is asked for that. */
const EVERY = 5;
/** What is added to a brightness before its logarithm is taken, so that the dark does not rule. */
const DARK = 10;
/** Differences beyond this count as much as this while the photos are brought into line. */
const MOST = 0.2;
/** A place looks different from so many times what boxes of its size scatter elsewhere on, and not for less than this. */
const SPREADS = 4;
const LEAST = { brightness: 0.08, colour: 0.04 };
/** Less of a place than this says nothing of it: cells, and share that both photos show. */
const LEAST_CELLS = 4;
const LEAST_SEEN = 0.7;

/** Logarithm of brightness and two differences of colour, NaN where a photo shows nothing. */
type Channels = readonly [brightness: Float32Array, redGreen: Float32Array, blueGreen: Float32Array];

/**
 * Places that look different in the photos of a pair: painted, papered, with something before or on them. Lamps and daylight of
 * another colour, from another side, brighter or darker by a slow change over the view, are not a difference.
 *
 * @param h - takes pixels of the earlier frame to the later one
 * @returns names of the places; one that no photo shows well enough is not among them
 *
 * Logarithms of brightness and colour on a lattice, less a low polynomial over the rest of the view; the mean over a place
 * against the spread of boxes of its size elsewhere.
 */
export function differentLooking(before: PhotoOver, after: PhotoOver, h: Homography, places: readonly Place[]): Set<string> {
  const { width, height } = before.frame;
  const cell = width / COLUMNS;
  const size = { width: COLUMNS, height: Math.max(1, Math.round(height / cell)) };
  const first = channelsOf(before, size, cell, 0, (at) => at);
  const wide = channelsOf(after, size, cell, REACH, ([x, y]) => {
    // Maps are of middles of pixels, the lattice is of their edges.
    const [u, v] = projected(h, [x - 0.5, y - 0.5]);
    return [u + 0.5, v + 0.5];
  });
  const laid = inLine(first, wide, size);
  const cells = places.map((place) => cellsOf(place, size, cell));
  const counts = new Uint8Array(size.width * size.height).fill(1);
  for (const all of cells) for (const i of all) counts[i] = 0;
  const rests = first.map((values, c) => restOf({ ...size, values: values.map((value, i) => laid[c]![i]! - value) }, counts));
  return new Set(places.filter((_, p) => rests.some((rest, c) => standsOut(rest, counts, cells[p]!, c))).map(({ name }) => name));
}

/**
 * A photo as the lattice sees it, with a margin of cells around it.
 *
 * @param to - gives the place in its frame for one in the earlier frame
 */
function channelsOf(
  { photo, alignment, frame }: PhotoOver,
  size: { width: number; height: number },
  cell: number,
  margin: number,
  to: (at: Point) => Point,
): Channels {
  const [columns, rows] = [size.width + 2 * margin, size.height + 2 * margin];
  const empty = () => new Float32Array(columns * rows).fill(NaN);
  const channels: Channels = [empty(), empty(), empty()];
  for (let row = 0, i = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1, i += 1) {
      const sum = [0, 0, 0];
      let n = 0;
      for (let k = 0; k < POINTS * POINTS; k += 1) {
        const [across, down] = [(0.5 + (k % POINTS)) / POINTS, (0.5 + Math.floor(k / POINTS)) / POINTS];
        const [x, y] = to([(column - margin + across) * cell, (row - margin + down) * cell]);
        const [u, v] = moved(alignment, [x / frame.width, y / frame.width]);
        const [px, py] = [Math.floor(u * photo.width), Math.floor(v * photo.width)];
        if (px < 0 || py < 0 || px >= photo.width || py >= photo.height) continue;
        for (let c = 0; c < 3; c += 1) sum[c]! += photo.rgb[3 * (py * photo.width + px) + c]!;
        n += 1;
      }
      if (2 * n < POINTS * POINTS) continue;
      const [red, green, blue] = sum.map((one) => Math.log(one / n + DARK)) as [number, number, number];
      channels[0][i] = (red + green + blue) / 3;
      channels[1][i] = red - green;
      channels[2][i] = blue - green;
    }
  return channels;
}

/** The later photo shifted by whole cells until it fits the earlier one best: photos seldom lie exactly over their frames. */
function inLine(first: Channels, wide: Channels, size: { width: number; height: number }): Channels {
  const columns = size.width + 2 * REACH;
  const at = (i: number, dx: number, dy: number) =>
    (Math.floor(i / size.width) + REACH + dy) * columns + (i % size.width) + REACH + dx;
  const asked = Array.from({ length: Math.floor(first[0].length / EVERY) }, (_, k) => k * EVERY);
  let best = { misfit: Infinity, dx: 0, dy: 0 };
  for (let dy = -REACH; dy <= REACH; dy += 1)
    for (let dx = -REACH; dx <= REACH; dx += 1) {
      const apart = Float32Array.from(asked, (i) => wide[0][at(i, dx, dy)]! - first[0][i]!);
      const usual = medianOf(apart.filter(hasReading));
      // What one of them does not show is no fit.
      const misfit = apart.reduce((sum, value) => sum + (hasReading(value) ? Math.min(MOST, Math.abs(value - usual)) : MOST), 0);
      if (misfit < best.misfit) best = { misfit, dx, dy };
    }
  const [brightness, redGreen, blueGreen] = wide;
  const laid = (values: Float32Array) => first[0].map((_, i) => values[at(i, best.dx, best.dy)]!);
  return [laid(brightness), laid(redGreen), laid(blueGreen)];
}

/** Cells of which a place has the greater part. */
function cellsOf({ spans }: Place, { width, height }: { width: number; height: number }, cell: number): number[] {
  const pixels = new Map<number, number>();
  for (const { y, from, to } of spans)
    for (let x = from; x <= to; x += 1) {
      const [column, row] = [Math.floor((x + 0.5) / cell), Math.floor((y + 0.5) / cell)];
      if (column >= width || row >= height) continue;
      const i = row * width + column;
      pixels.set(i, (pixels.get(i) ?? 0) + 1);
    }
  return [...pixels].filter(([, n]) => 2 * n >= cell * cell).map(([i]) => i);
}

/** What is left without the slow change of light; takes what one photo does not show out of what counts. */
function restOf(apart: Grid, counts: Uint8Array): Grid {
  const known = counts.map((count, i) => (count && hasReading(apart.values[i]!) ? 1 : 0));
  const slow = slowSurface({ ...apart, values: apart.values.map((value) => (hasReading(value) ? value : 0)) }, known);
  return { ...apart, values: apart.values.map((value, i) => value - slow.values[i]!) };
}

function standsOut(rest: Grid, counts: Uint8Array, cells: readonly number[], channel: number): boolean {
  const seen = cells.map((i) => rest.values[i]!).filter(hasReading);
  if (seen.length < LEAST_CELLS || seen.length < LEAST_SEEN * cells.length) return false;
  const mean = seen.reduce((sum, value) => sum + value, 0) / seen.length;
  const columns = cells.map((i) => i % rest.width);
  const rows = cells.map((i) => Math.floor(i / rest.width));
  const known = counts.map((count, i) => (count && hasReading(rest.values[i]!) ? 1 : 0));
  const elsewhere = boxMeans(rest, known, {
    columns: Math.max(...columns) - Math.min(...columns) + 1,
    rows: Math.max(...rows) - Math.min(...rows) + 1,
  });
  const spread = elsewhere.length > 0 ? robustSpread(elsewhere) : 0;
  return Math.abs(mean) > Math.max(SPREADS * spread, channel === 0 ? LEAST.brightness : LEAST.colour);
}
