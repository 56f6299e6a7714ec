import type { Layer } from './wallLayers';

/** Films on both faces, W/m²K. */
export interface Films {
  outer: number;
  inner: number;
}

/** What drives both faces at steps of ten minutes, oldest first, °C: air outside with what the sun adds (sol-air), and air inside. */
export interface Drives {
  outerC: Float64Array;
  innerC: Float64Array;
}

/** Cells are at most so thick, m. */
const CELL_M = 0.025;
/** A day's mean is what a wall is taken to be in balance with before it is known what it stood in. */
const DAY_MINUTES = 1440;

/** A wall cut into cells, ready for its steps: one elimination serves all of them. */
class Cut {
  readonly count: number;
  private readonly between: Float64Array;
  private readonly keeps: Float64Array;
  private readonly upper: Float64Array;
  private readonly pivot: Float64Array;
  private readonly outer: number;
  private readonly inner: number;

  constructor(
    layers: readonly Layer[],
    private readonly films: Films,
  ) {
    const cells = layers.flatMap(([thickness, conductivity, capacity]) => {
      const count = Math.max(1, Math.min(14, Math.ceil(thickness / CELL_M)));
      return Array.from({ length: count }, () => ({ half: thickness / count / conductivity / 2, heat: (capacity * thickness) / count })); // prettier-ignore
    });
    this.count = cells.length;
    this.keeps = Float64Array.from(cells, ({ heat }) => heat / (60 * STEP_MINUTES));
    this.between = Float64Array.from({ length: cells.length - 1 }, (_, i) => 1 / (cells[i]!.half + cells[i + 1]!.half));
    this.outer = 1 / (1 / films.outer + cells[0]!.half);
    this.inner = 1 / (1 / films.inner + cells.at(-1)!.half);
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

  face(face: Face, cells: Float64Array, outerC: number, innerC: number): number {
    return face === 'outer'
      ? outerC + (this.outer / this.films.outer) * (cells[0]! - outerC)
      : innerC + (this.inner / this.films.inner) * (cells[this.count - 1]! - innerC);
  }

  /**
   * What the face shows of a kelvin on the other side, from the cells that a kelvin on its own side drives: what one end does to
   * the other, the other does to it (reciprocity; all steps are symmetric).
   */
  fromAcross(face: Face, cells: Float64Array): number {
    return face === 'outer'
      ? (this.inner / this.films.outer) * cells[this.count - 1]!
      : (this.outer / this.films.inner) * cells[0]!;
  }
}

/** How one face of a wall answers the air on both sides at equal steps: by how much for a kelvin, so many steps ago, K. */
export interface FaceMemory {
  outer: Float64Array;
  inner: Float64Array;
  /** In balance: by how much for a kelvin outside; the rest is the inside's. */
  outerShare: number;
}

/** Which face is looked at. */
export type Face = 'outer' | 'inner';

/** Steps of all drives, min. */
export const STEP_MINUTES = 10;
/** So far back a wall is followed; what is older counts as the first day's mean. */
const REMEMBERED_DAYS = 5;

/**
 * What a face of a wall remembers of the air on both sides: conduction in one dimension by finite volumes, implicit in time.
 *
 * @param layers - from outside in: m, W/mK, J/m³K
 * @returns answers to a kelvin for ten minutes, over five days; error of the method below 0.05 K for ordinary weather against
 * cells and steps of half the size
 *
 * Source: Incropera, Fundamentals of Heat and Mass Transfer, ch. 5. The wall is linear, so that the answer to any weather is the
 * sum of these. Linear in cells.
 */
export function faceMemory(layers: readonly Layer[], films: Films, face: Face): FaceMemory {
  const cut = new Cut(layers, films);
  const count = (REMEMBERED_DAYS * DAY_MINUTES) / STEP_MINUTES + 1;
  const [near, far] = [new Float64Array(count), new Float64Array(count)];
  const cells = new Float64Array(cut.count);
  const [outerC, innerC] = face === 'outer' ? [1, 0] : [0, 1];
  for (let ago = 0; ago < count; ago += 1) {
    const now = ago === 0 ? 1 : 0;
    cut.step(cells, now * outerC, now * innerC);
    near[ago] = cut.face(face, cells, now * outerC, now * innerC);
    far[ago] = cut.fromAcross(face, cells);
  }
  const loss = balancedLoss(layers, films, face);
  return face === 'outer' ? { outer: near, inner: far, outerShare: 1 - loss } : { outer: far, inner: near, outerShare: loss };
}

/** A face after what it stood in. */
export interface FaceAfter {
  faceC: number;
  /** What a kelvin more outdoors before everything that is told would leave on it, K. */
  beforeK: number;
}

/** @param drives - at the memory's steps; what was before them is taken as the mean of their first day */
export function faceAfter(memory: FaceMemory, { outerC, innerC }: Drives): FaceAfter {
  const steps = Math.min(outerC.length, memory.outer.length);
  const last = outerC.length - 1;
  let [sum, outer, inner] = [0, 0, 0];
  for (let ago = 0; ago < steps; ago += 1) {
    const o = memory.outer[ago]!;
    const i = memory.inner[ago]!;
    sum += o * outerC[last - ago]! + i * innerC[last - ago]!;
    outer += o;
    inner += i;
  }
  const day = Math.max(1, Math.min(outerC.length, Math.round(DAY_MINUTES / STEP_MINUTES)));
  const [outerLeft, innerLeft] = [memory.outerShare - outer, 1 - memory.outerShare - inner];
  return { faceC: sum + outerLeft * meanOf(outerC, day) + innerLeft * meanOf(innerC, day), beforeK: outerLeft };
}

/** Share of the difference between both airs that lies between a face and the air on its side, in balance: what is lost. */
export function balancedLoss(layers: readonly Layer[], films: Films, face: Face): number {
  const through = layers.reduce((sum, [d, k]) => sum + d / k, 1 / films.outer + 1 / films.inner);
  return 1 / (face === 'inner' ? films.inner : films.outer) / through;
}

function meanOf(values: Float64Array, count: number): number {
  let sum = 0;
  for (let i = 0; i < count; i += 1) sum += values[i]!;
  return sum / count;
}
