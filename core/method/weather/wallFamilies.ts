import type { Layer } from './wallLayers';

/** What is known of a wall, for the command line and for people: boards with wool or hollow between; solid brick; two leaves; thick stone or concrete; nothing. */
export const WALL_CLASSES = ['light', 'brick', 'cavity', 'stone', 'unknown'] as const;
/** Besides, brickwork of which it is not known whether it has a cavity. */
export type WallClass = (typeof WALL_CLASSES)[number] | 'masonry';

/** Walls that are alike but for how well they are insulated, from bare to well insulated; each by its layers from outside in. */
export type WallFamily = readonly (readonly Layer[])[];

// Values of ISO 10456 and EN 1745, rounded: conductivity W/mK, heat capacity J/m³K.
const timber = (d: number): Layer => [d, 0.13, 0.85e6];
const board: Layer = [0.0125, 0.22, 0.72e6];
const plaster: Layer = [0.0125, 0.5, 1.3e6];
const brick = (d: number): Layer => [d, 0.77, 1.38e6];
const dense = (d: number): Layer => [d, 1.6, 2.0e6];
const block: Layer = [0.1, 0.2, 0.6e6];
/** Wool of a resistance; where it is thin, a hollow of that resistance. */
const wool = (resistance: number): Layer => [Math.max(0.01, 0.036 * resistance), Math.max(0.01, 0.036 * resistance) / resistance, 3e4]; // prettier-ignore

/** What stands between the boards of a light wall, m²K/W: a hollow first. */
const FILLS = [0.18, 0.4, 0.8, 1.4, 2.2, 3.5, 5.5, 9];
/** What lines a heavy wall, m²K/W. */
const LININGS = [0.18, 0.4, 0.8, 1.5, 2.8, 5];

const filled = (outer: readonly Layer[], inner: readonly Layer[]): WallFamily => FILLS.map((r) => [...outer, wool(r), ...inner]);
const lined = (mass: readonly Layer[]): WallFamily => [[...mass, plaster], ...LININGS.map((r) => [...mass, wool(r), board])];
const wrapped = (mass: readonly Layer[]): WallFamily => [[...mass, plaster], ...LININGS.map((r) => [wool(r), ...mass, plaster])];

const LIGHT: readonly WallFamily[] = [
  filled([timber(0.02)], [board]),
  filled([timber(0.02)], [timber(0.018)]),
  filled([timber(0.03)], [board, board]),
  filled([], [board]),
];
const BRICK: readonly WallFamily[] = [
  ...[0.11, 0.22, 0.33].flatMap((d) => [lined([brick(d)]), lined([dense(d)])]),
  wrapped([brick(0.22)]),
];
const CAVITY: readonly WallFamily[] = [
  ...[block, brick(0.105)].flatMap((inner) => [0.05, 0.18, 1.5, 3].map((r) => lined([brick(0.105), wool(r), inner]))),
  ...[block, brick(0.105)].map((inner) => filled([brick(0.105)], [inner, plaster])),
];
const STONE: readonly WallFamily[] = [
  ...[0.3, 0.45, 0.6].flatMap((d) => [lined([[d, 1.4, 1.8e6]]), lined([[d, 2.2, 2.0e6]])]),
  wrapped([[0.45, 1.8, 1.9e6]]),
];

/**
 * What a wall of a class may be. Thin resistances stand for hollows, ties and mortar bridges; within a family only the
 * insulation differs, so that work moves a place along its family.
 */
export const WALL_FAMILIES: Record<WallClass, readonly WallFamily[]> = {
  light: LIGHT,
  brick: BRICK,
  cavity: CAVITY,
  masonry: [...BRICK, ...CAVITY],
  stone: STONE,
  unknown: [...LIGHT, ...BRICK, ...CAVITY, ...STONE],
};
