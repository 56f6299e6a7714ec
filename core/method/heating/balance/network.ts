/** Resistances of a two-pipe circuit: one trunk, emitters on it in their order from the source. Capacity rates stand for flows. */
export interface Network {
  /** kPa without flow, and the share of it that is lost at the reference flow, growing with the square. */
  head: number;
  fall: number;
  reference: number;
  /** Of the trunk before each emitter, kPa/(W/K)². */
  trunk: Float64Array;
  /** Of each emitter with its pipes and valve, kPa/(W/K)²; Infinity: no water at all. */
  own: Float64Array;
}

/** A solved network, with what its sensitivities are made from. */
export interface Flows {
  /** Capacity rate of each emitter, W/K. */
  capacity: Float64Array;
  /** Pressure across each emitter's own part, kPa. */
  across: Float64Array;
  /** Through each part of the trunk, W/K. */
  through: Float64Array;
}

const ROUNDS = 60;
/** Loops are balanced within this share of the head. */
const EXACT = 1e-10;
/** One step leaves at least this share of a flow. */
const KEEPS = 0.1;

/**
 * The flows of a network: around each emitter's loop the pump's head is what trunk and emitter take. Newton's rule with halved
 * steps; the balance is the slope of a convex function, so that there is one answer and the rule finds it.
 *
 * @param start - capacity rates to begin from; a solution nearby saves rounds
 */
export function solveFlows(network: Network, start: Float64Array | null): Flows {
  const { own, head } = network;
  const n = own.length;
  let x = own.map((resistance, i) =>
    resistance === Infinity ? 0 : start && start[i]! > 0 ? start[i]! : 0.5 * Math.sqrt(head / resistance),
  );
  let off = offOf(network, x);
  for (let round = 0; round < ROUNDS && off.worst > EXACT * head; round += 1) {
    const step = solveDense(
      slopes(network, x, off.flows),
      off.values.map((one) => -one),
      n,
    );
    let share = 1;
    for (;;) {
      const y = x.map((flow, i) => Math.max(flow + share * step[i]!, KEEPS * flow));
      const next = offOf(network, y);
      if (next.size < off.size || share < 1e-6) {
        x = y;
        off = next;
        break;
      }
      share /= 2;
    }
  }
  return off.flows;
}

interface Off {
  values: Float64Array;
  worst: number;
  size: number;
  flows: Flows;
}

function offOf({ head, fall, reference, trunk, own }: Network, capacity: Float64Array): Off {
  const n = capacity.length;
  const through = new Float64Array(n);
  let sum = 0;
  for (let i = n - 1; i >= 0; i -= 1) through[i] = sum += capacity[i]!;
  const across = new Float64Array(n);
  const values = new Float64Array(n);
  let left = head * (1 - fall * (sum / reference) ** 2);
  let [worst, size] = [0, 0];
  for (let i = 0; i < n; i += 1) {
    left -= trunk[i]! * through[i]! ** 2;
    across[i] = left;
    if (own[i] === Infinity) continue;
    values[i] = own[i]! * capacity[i]! ** 2 - left;
    worst = Math.max(worst, Math.abs(values[i]!));
    size += values[i]! ** 2;
  }
  return { values, worst, size, flows: { capacity, across, through } };
}

/** What one more of any flow behind a part of the trunk takes from the head there: the pump's share and that of the trunk. */
function commonSlopes({ head, fall, reference, trunk }: Network, through: Float64Array): Float64Array {
  let sum = (2 * head * fall * through[0]!) / reference ** 2;
  return trunk.map((resistance, i) => (sum += 2 * resistance * through[i]!));
}

/** How the loops' balance answers to the flows. */
function slopes(network: Network, capacity: Float64Array, { through }: Flows): Float64Array {
  const { own } = network;
  const n = capacity.length;
  const matrix = new Float64Array(n * n);
  const common = commonSlopes(network, through);
  for (let i = 0; i < n; i += 1) {
    if (own[i] === Infinity) {
      matrix[i * n + i] = 1;
      continue;
    }
    for (let j = 0; j < n; j += 1) matrix[i * n + j] = (i === j ? 2 * own[i]! * capacity[i]! : 0) + common[Math.min(i, j)]!;
  }
  return matrix;
}

/** How the loops' balance (2 ln flow + ln resistance − ln pressure) answers to the logarithms of the flows. */
export function jacobian(network: Network, { capacity, across, through }: Flows): Float64Array {
  const n = capacity.length;
  const matrix = new Float64Array(n * n);
  const common = commonSlopes(network, through);
  for (let i = 0; i < n; i += 1) {
    for (let j = 0; j < n; j += 1) matrix[i * n + j] = (i === j ? 2 : 0) + (capacity[j]! / across[i]!) * common[Math.min(i, j)]!;
  }
  return matrix;
}

/** Solves a small dense system by elimination with pivots; both are used up. @param columns - right-hand sides, n × count by rows */
export function solveDense(matrix: Float64Array, columns: Float64Array, n: number, count = 1): Float64Array {
  for (let k = 0; k < n; k += 1) {
    let pivot = k;
    for (let i = k + 1; i < n; i += 1) if (Math.abs(matrix[i * n + k]!) > Math.abs(matrix[pivot * n + k]!)) pivot = i;
    if (pivot !== k) {
      for (let j = 0; j < n; j += 1) swap(matrix, k * n + j, pivot * n + j);
      for (let j = 0; j < count; j += 1) swap(columns, k * count + j, pivot * count + j);
    }
    const inverse = 1 / matrix[k * n + k]!;
    for (let i = k + 1; i < n; i += 1) {
      const factor = matrix[i * n + k]! * inverse;
      if (factor === 0) continue;
      for (let j = k; j < n; j += 1) matrix[i * n + j]! -= factor * matrix[k * n + j]!;
      for (let j = 0; j < count; j += 1) columns[i * count + j]! -= factor * columns[k * count + j]!;
    }
  }
  for (let k = n - 1; k >= 0; k -= 1) {
    for (let j = 0; j < count; j += 1) {
      let sum = columns[k * count + j]!;
      for (let i = k + 1; i < n; i += 1) sum -= matrix[k * n + i]! * columns[i * count + j]!;
      columns[k * count + j] = sum / matrix[k * n + k]!;
    }
  }
  return columns;
}

function swap(values: Float64Array, a: number, b: number): void {
  const kept = values[a]!;
  values[a] = values[b]!;
  values[b] = kept;
}
