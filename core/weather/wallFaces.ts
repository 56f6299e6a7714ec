import type { Layer } from './wallLayers';

/** Films on both faces, W/m²K. */
export interface Films {
  outer: number;
  inner: number;
}

/** What drives both faces at equal steps, oldest first, °C: air outside with what the sun adds (sol-air), and air inside. */
export interface Drives {
  stepMinutes: number;
  outerC: Float64Array;
  innerC: Float64Array;
}

/** Cells are at most so thick, m. */
const CELL_M = 0.025;
/** A day's mean is what a wall is taken to be in balance with before it is known what it stood in. */
const DAY_MINUTES = 1440;

/** A wall cut into cells, ready for steps of one length: one elimination serves all of them. */
class Cut {
  readonly count: number;
  /** Resistance from the outer air to the middle of each cell, and of the whole, both films included, m²K/W. */
  readonly depth: Float64Array;
  readonly total: number;
  private readonly between: Float64Array;
  private readonly keeps: Float64Array;
  private readonly upper: Float64Array;
  private readonly pivot: Float64Array;
  private readonly outer: number;
  private readonly inner: number;

  constructor(
    layers: readonly Layer[],
    private readonly films: Films,
    stepMinutes: number,
  ) {
    const cells = layers.flatMap(([thickness, conductivity, capacity]) => {
      const count = Math.max(1, Math.min(14, Math.ceil(thickness / CELL_M)));
      return Array.from({ length: count }, () => ({ half: thickness / count / conductivity / 2, heat: (capacity * thickness) / count })); // prettier-ignore
    });
    this.count = cells.length;
    this.keeps = Float64Array.from(cells, ({ heat }) => heat / (60 * stepMinutes));
    this.between = Float64Array.from({ length: cells.length - 1 }, (_, i) => 1 / (cells[i]!.half + cells[i + 1]!.half));
    this.outer = 1 / (1 / films.outer + cells[0]!.half);
    this.inner = 1 / (1 / films.inner + cells.at(-1)!.half);
    this.depth = new Float64Array(this.count);
    let at = 1 / films.outer;
    cells.forEach(({ half }, i) => {
      this.depth[i] = at + half;
      at += 2 * half;
    });
    this.total = at + 1 / films.inner;
    this.upper = new Float64Array(this.count);
    this.pivot = new Float64Array(this.count);
    let left = this.outer;
    let above = 0;
    for (let i = 0; i < this.count; i += 1) {
      const right = i === this.count - 1 ? this.inner : this.between[i]!;
      this.pivot[i] = 1 / (this.keeps[i]! + left + right - left * above);
      above = right * this.pivot[i]!;
      this.upper[i] = above;
      left = right;
    }
  }

  /** A step further, implicit in time. */
  step(cells: Float64Array, outerC: number, innerC: number): void {
    const { count, keeps, between, upper, pivot, outer, inner } = this;
    const last = count - 1;
    let at = 0;
    for (let i = 0; i <= last; i += 1) {
      const fromLeft = i === 0 ? outer * outerC : between[i - 1]! * at;
      const fromRight = i === last ? inner * innerC : 0;
      at = (keeps[i]! * cells[i]! + fromLeft + fromRight) * pivot[i]!;
      cells[i] = at;
    }
    for (let i = last - 1; i >= 0; i -= 1) {
      at = cells[i]! + upper[i]! * at;
      cells[i] = at;
    }
  }

  faces(cells: Float64Array, outerC: number, innerC: number): Faces {
    return {
      outerC: outerC + (this.outer / this.films.outer) * (cells[0]! - outerC),
      innerC: innerC + (this.inner / this.films.inner) * (cells[this.count - 1]! - innerC),
    };
  }
}

/** Temperatures of both faces, °C. */
export interface Faces {
  outerC: number;
  innerC: number;
}

/** How a wall answers what it stood in. */
export interface WallAnswer extends Faces {
  /** What a kelvin more outdoors before everything that is told would leave on the faces, K. */
  beforeK: Faces;
}

/**
 * Faces of a wall at the end of what it stood in: conduction in one dimension by finite volumes, implicit in time. It begins in
 * balance with the mean of the first day.
 *
 * @param layers - from outside in: m, W/mK, J/m³K
 * @param drives - at equal steps, two or more; within some minutes to half an hour each
 * @returns °C; error of the method below 0.05 K against cells and steps of half the size
 *
 * Source: Incropera, Fundamentals of Heat and Mass Transfer, ch. 5. Linear in steps and cells.
 */
export function wallAnswer(layers: readonly Layer[], drives: Drives, films: Films): WallAnswer {
  const { stepMinutes, outerC, innerC } = drives;
  const cut = new Cut(layers, films, stepMinutes);
  const day = Math.max(1, Math.min(outerC.length, Math.round(DAY_MINUTES / stepMinutes)));
  const [fromOuter, fromInner] = [meanOf(outerC, day), meanOf(innerC, day)];
  const cells = Float64Array.from(cut.depth, (r) => fromOuter + ((fromInner - fromOuter) * r) / cut.total);
  // The very same steps without any drive, from a kelvin more outside.
  const trace = Float64Array.from(cut.depth, (r) => 1 - r / cut.total);
  for (let i = 1; i < outerC.length; i += 1) {
    cut.step(cells, outerC[i]!, innerC[i]!);
    cut.step(trace, 0, 0);
  }
  return { ...cut.faces(cells, outerC.at(-1)!, innerC.at(-1)!), beforeK: cut.faces(trace, 0, 0) };
}

/** Share of the difference between both airs that lies between the air on the side looked from and its face, in balance: what is lost. */
export function balancedLoss(layers: readonly Layer[], films: Films, side: 'outer' | 'inner'): number {
  const through = layers.reduce((sum, [d, k]) => sum + d / k, 1 / films.outer + 1 / films.inner);
  return 1 / (side === 'inner' ? films.inner : films.outer) / through;
}

function meanOf(values: Float64Array, count: number): number {
  let sum = 0;
  for (let i = 0; i < count; i += 1) sum += values[i]!;
  return sum / count;
}
