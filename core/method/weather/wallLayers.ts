import type { Wall } from './wallMemory';

/** A layer of a wall: thickness m, conductivity W/mK, heat capacity J/m³K. */
export type Layer = readonly [thickness: number, conductivity: number, capacity: number];

/** A wall where it is sound, and beside it where it has a usual fault, from outside in. */
interface BuildUp {
  sound: readonly Layer[];
  fault: readonly Layer[];
}

// Values of ISO 10456 and EN 1745, rounded.
const timber = (d: number): Layer => [d, 0.13, 0.8e6];
const wool = (d: number): Layer => [d, 0.037, 3e4];
const board: Layer = [0.0125, 0.23, 0.75e6];
const brick = (d: number): Layer => [d, 0.75, 1.4e6];
const plaster: Layer = [0.015, 0.6, 1.2e6];
const stone = (d: number): Layer => [d, 1.9, 1.95e6];
/** Still air, with the 0.18 m²K/W of ISO 6946. */
const air = (d: number): Layer => [d, d / 0.18, 1.2e3];

/**
 * Two build-ups of each kind, a quick and a slow one: what a picture is worth is the mean of both, because nobody knows which
 * of them stands there.
 */
export const BUILD_UPS: Record<Wall, readonly BuildUp[]> = {
  light: [
    { sound: [timber(0.02), wool(0.14), board], fault: [timber(0.02), air(0.14), board] },
    { sound: [timber(0.03), wool(0.1), timber(0.018)], fault: [timber(0.03), air(0.1), timber(0.018)] },
  ],
  brick: [
    { sound: [brick(0.11), wool(0.07), brick(0.11), plaster], fault: [brick(0.11), air(0.07), brick(0.11), plaster] },
    { sound: [brick(0.24), plaster], fault: [[0.24, 1.6, 2.1e6], plaster] },
  ],
  stone: [
    { sound: [stone(0.45), wool(0.04), board], fault: [stone(0.45), air(0.04), board] },
    { sound: [stone(0.5), plaster], fault: [stone(0.3), plaster] },
  ],
};

/** Cells are at most so thick, m; more of them would change nothing by the hour. */
const CELL_M = 0.065;

/** Steps an hour: what follows within an hour needs more of them. */
export const STEPS: Record<Wall, number> = { light: 3, brick: 1, stone: 1 };

/** A wall cut into cells. */
export interface Cells {
  count: number;
  /** Between neighbours, W/m²K; one less than cells. */
  between: Float64Array;
  /** What a cell keeps over a step, W/m²K. */
  keeps: Float64Array;
  /** From the outer face to the middle of the first cell, and from the last to the inner face, W/m²K. */
  first: number;
  last: number;
  /** Of all layers, m²K/W. */
  resistance: number;
}

/** @param slower - times as much heat capacity as usual, above 0; @param steps - an hour */
export function cellsOf(layers: readonly Layer[], slower: number, steps: number): Cells {
  const cells = layers.flatMap(([thickness, conductivity, capacity]) => {
    const count = Math.max(1, Math.ceil(thickness / CELL_M));
    return Array.from({ length: count }, () => ({ d: thickness / count, conductivity, capacity }));
  });
  const half = cells.map(({ d, conductivity }) => d / 2 / conductivity);
  return {
    count: cells.length,
    between: Float64Array.from({ length: cells.length - 1 }, (_, i) => 1 / (half[i]! + half[i + 1]!)),
    keeps: Float64Array.from(cells, ({ d, capacity }) => (slower * steps * d * capacity) / 3600),
    first: 1 / half[0]!,
    last: 1 / half.at(-1)!,
    resistance: 2 * half.reduce((sum, r) => sum + r, 0),
  };
}
