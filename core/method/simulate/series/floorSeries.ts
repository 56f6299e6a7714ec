import { normalFrom, seededRandom } from '../../../ground/random';
import type { Grid } from '../../../ground/grid';

/** Frames of a floor over a leak, with truth. */
export interface FloorSeries {
  frames: { name: string; clockS: null; frame: Grid }[];
  intervalS: number;
  /** Where the water comes out, pixels. */
  source: { x: number; y: number };
}

export interface FloorOptions {
  frames?: number;
  intervalS?: number;
  /** Where the water comes out; may lie outside the view. Null: there is no leak. */
  source?: { x: number; y: number } | null;
  /** When the water is turned on, s. */
  onS?: number;
  coverMm?: number;
  /** Water less floor, K; below 0 for cold water. */
  driveK?: number;
  /** How far the pool grows, mm, and how far its middle moves, in radii, across. */
  poolMm?: number;
  lean?: number;
  columns?: number;
  noise?: number;
}

const DIFFUSIVITY = 0.62;
const PIXEL_MM = 8.5;
/** Layers that heat passes from the pool to the surface. */
const LAYERS = 12;

/**
 * Solves the equation of heat in a layer over a pool that grows, step by step and direction by direction, which the search for
 * leaks does not do: it adds up sources of a formula.
 *
 * @param seed - the same seed gives the same series
 */
export function floorSeries(
  seed: number,
  {
    frames = 20,
    intervalS = 90,
    source = { x: 90, y: 55 },
    onS = 200,
    coverMm = 50,
    driveK = 30,
    poolMm = 60,
    lean = 0,
    columns = 160,
    noise = 0.05,
  }: FloorOptions = {},
): FloorSeries {
  const random = seededRandom(seed);
  const normal = normalFrom(random);
  const rows = (3 * columns) / 4;
  const pixelMm = (PIXEL_MM * 160) / columns;
  const still = stillFloor(columns, rows, random);
  const floor = new Layers(columns, rows, pixelMm, coverMm / LAYERS);
  const out: FloorSeries['frames'] = [];
  let drift = 0;
  for (let i = 0; i < frames; i += 1) {
    if (i > 0 && source) {
      const steps = Math.ceil(intervalS / floor.stepS);
      for (let k = 0; k < steps; k += 1) {
        const t = (i - 1) * intervalS + (k * intervalS) / steps - onS;
        floor.step(
          intervalS / steps,
          t > 0 ? heatAt(source, t, frames * intervalS - onS, { driveK, poolMm, lean, pixelMm }) : null,
        );
      }
    }
    drift = random() < 0.25 ? 0.1 * normal() : drift + 0.02 * normal();
    const values = Float32Array.from(still, (value, p) => value + (source ? floor.surface[p]! : 0) + drift + noise * normal());
    out.push({
      name: `floor-${String(i + 1).padStart(3, '0')}.tif`,
      clockS: null,
      frame: { width: columns, height: rows, values },
    });
  }
  return { frames: out, intervalS, source: source ?? { x: NaN, y: NaN } };
}

/** A floor with tiles, a warm run of its own and furniture: what a view is known by. */
function stillFloor(columns: number, rows: number, random: () => number): Float32Array {
  const joints = 0.25 + 0.1 * random();
  const [legX, legY] = [0.2 * columns * (1 + random()), 0.3 * rows * (1 + random())];
  return Float32Array.from({ length: columns * rows }, (_, p) => {
    const [x, y] = [p % columns, Math.floor(p / columns)];
    const tile = x % 26 < 1.5 || y % 26 < 1.5 ? -joints : 0;
    const leg = Math.abs(x - legX) < 4 && Math.abs(y - legY) < 4 ? 0.8 : 0;
    return 18 + tile + leg + 0.12 * Math.sin(x / 17 + 2) * Math.cos(y / 13);
  });
}

type Heat = (x: number, y: number) => number;

/** Share of a step's heat that each pixel takes in from the water: a pool whose area grows evenly. */
function heatAt(
  source: { x: number; y: number },
  t: number,
  whole: number,
  { driveK, poolMm, lean, pixelMm }: { driveK: number; poolMm: number; lean: number; pixelMm: number },
): Heat {
  const radius = Math.max(15, poolMm * Math.sqrt(Math.min(1, t / whole))) / pixelMm;
  const middle = source.x + lean * radius;
  return (x, y) =>
    Math.hypot(x - middle, y - source.y) < radius
      ? driveK * Math.exp((-Math.hypot(x - source.x, y - source.y) * pixelMm) / 130)
      : 0;
}

/** What the water gives a floor, W/m²K, over the heat that a volume of screed holds, J/m³K. */
const CONTACT = 50 / 2e6;

class Layers {
  /** Rise of each layer, K, the lowest first. */
  private readonly rises: Float64Array[];
  /** A step that is longer would swing. */
  readonly stepS: number;

  constructor(
    private readonly columns: number,
    private readonly rows: number,
    private readonly pixelMm: number,
    private readonly layerMm: number,
  ) {
    this.rises = Array.from({ length: LAYERS }, () => new Float64Array(columns * rows));
    this.stepS = (0.2 * layerMm * layerMm) / DIFFUSIVITY;
  }

  get surface(): Float64Array {
    return this.rises.at(-1)!;
  }

  step(seconds: number, heat: Heat | null): void {
    const { columns, rows } = this;
    const across = (DIFFUSIVITY * seconds) / this.pixelMm ** 2;
    const up = (DIFFUSIVITY * seconds) / this.layerMm ** 2;
    const before = this.rises.map((layer) => layer.slice());
    for (let k = 0; k < LAYERS; k += 1) {
      const [here, below, above] = [before[k]!, before[Math.max(0, k - 1)]!, before[Math.min(LAYERS - 1, k + 1)]!];
      const next = this.rises[k]!;
      for (let y = 0; y < rows; y += 1)
        for (let x = 0; x < columns; x += 1) {
          const p = y * columns + x;
          const value = here[p]!;
          const beside =
            (x > 0 ? here[p - 1]! : value) +
            (x < columns - 1 ? here[p + 1]! : value) +
            (y > 0 ? here[p - columns]! : value) +
            (y < rows - 1 ? here[p + columns]! : value);
          next[p] = value + across * (beside - 4 * value) + up * (below[p]! + above[p]! - 2 * value);
          if (heat && k === 0) {
            const warm = heat(x, y);
            if (warm !== 0) next[p]! += ((CONTACT * seconds * 1000) / this.layerMm) * (warm - value);
          }
        }
    }
  }
}
