/** What an uncertainty is made of, in the order in which people are told of it. */
export const UNCERTAINTY_PARTS = [
  'noise',
  'uniformity',
  'blur',
  'emissivity',
  'reflected',
  'air',
  'path',
  'calibration',
  'gain',
  'repeatability',
] as const;
export type UncertaintyPart = (typeof UNCERTAINTY_PARTS)[number];

/** Something that is not known exactly. Whoever names the same input shares its error. */
export interface Input {
  name: string;
  part: UncertaintyPart;
  /** Standard uncertainty (k = 1), in the input's own unit. */
  u: number;
}

/** How far inputs are off, by name, each in its own unit; what is not named is not off. */
export type Moves = Readonly<Record<string, number>>;

/** A number together with everything that it depends on and that is not known exactly. */
export interface Quantity {
  /** Each name once. */
  inputs: readonly Input[];
  /** What it would be if inputs were off by so much. */
  at(moves: Moves): number;
}

/** A number that is taken as exact. */
export function exact(value: number): Quantity {
  return { inputs: [], at: () => value };
}

/** How much a quantity changes for a unit of an input. */
export interface Share extends Input {
  per: number;
}

/** A number that follows its inputs in proportion. */
export function linear(value: number, shares: readonly Share[]): Quantity {
  return {
    inputs: shares.map(({ name, part, u }) => ({ name, part, u })),
    at: (moves) => shares.reduce((sum, { name, per }) => sum + per * (moves[name] ?? 0), value),
  };
}

/** A number with one error of its own. */
export function uncertain(value: number, input: Input): Quantity {
  return linear(value, [{ ...input, per: 1 }]);
}

/** What is computed from quantities; an input that several of them name is one. */
export function computed<K extends string>(
  quantities: Readonly<Record<K, Quantity>>,
  formula: (values: Record<K, number>) => number,
): Quantity {
  const entries = Object.entries(quantities) as [K, Quantity][];
  const inputs = new Map<string, Input>();
  for (const [, quantity] of entries) {
    for (const input of quantity.inputs) {
      // One error that was stated twice: the wider statement holds.
      const before = inputs.get(input.name);
      if (!before || before.u < input.u) inputs.set(input.name, input);
    }
  }
  const at = (moves: Moves) =>
    formula(Object.fromEntries(entries.map(([key, quantity]) => [key, quantity.at(moves)])) as Record<K, number>);
  return { inputs: [...inputs.values()], at };
}

/** Parts of a standard uncertainty, each in the unit of the quantity (signs dropped); the total is the root of the sum of their squares. */
export type Uncertainty = Record<UncertaintyPart, number> & {
  total: number;
  /** 95 %, lopsided where the physics is; an end without limit is infinite. */
  interval: [low: number, high: number];
};

/** Half the width of a 95 % interval, in standard uncertainties. */
const COVERAGE = 2;

/**
 * Standard uncertainty (k = 1) of a quantity with its parts, and its 95 % interval.
 *
 * First order (GUM, JCGM 100, 5.1.3 and its note: each input moved by its standard uncertainty). For the interval each
 * input is moved by twice that, and what goes up and what goes down are summed by themselves (as roots of squares), so that
 * limits are lopsided where the quantity does not follow in proportion.
 */
export function uncertaintyOf(quantity: Quantity): Uncertainty {
  const value = quantity.at({});
  const squares = Object.fromEntries(UNCERTAINTY_PARTS.map((part) => [part, 0])) as Record<UncertaintyPart, number>;
  let [down, up] = [0, 0];
  for (const { name, part, u } of quantity.inputs) {
    if (u === 0) continue;
    const moved = (by: number) => quantity.at({ [name]: by * u }) - value;
    squares[part] += half(moved(1), moved(-1)) ** 2;
    const [more, less] = [moved(COVERAGE), moved(-COVERAGE)];
    const known = [more, less].filter((by) => !Number.isNaN(by));
    up += Math.max(0, ...known) ** 2;
    // What has no solution lies below everything that has one: the reflection alone would be brighter.
    down += known.length < 2 ? Infinity : Math.min(0, ...known) ** 2;
  }
  const parts = Object.fromEntries(UNCERTAINTY_PARTS.map((part) => [part, Math.sqrt(squares[part])])) as Record<
    UncertaintyPart,
    number
  >;
  const total = Math.sqrt(Object.values(squares).reduce((sum, square) => sum + square, 0));
  return { ...parts, total, interval: [value - Math.sqrt(down), value + Math.sqrt(up)] };
}

/** Half the way from one side to the other; where one side has no solution, the other speaks for both. */
function half(up: number, down: number): number {
  if (Number.isNaN(up)) return Number.isNaN(down) ? Infinity : Math.abs(down);
  return Number.isNaN(down) ? Math.abs(up) : Math.abs(up - down) / 2;
}

/** A difference means something when its 95 % interval leaves out 0. */
export function isSignificant({ interval: [low, high] }: Uncertainty): boolean {
  return low > 0 || high < 0;
}

/**
 * What a quantity owes to some of its inputs, so that it can be stored apart from them.
 *
 * @param wanted - tells which inputs
 */
export function sharesOf(quantity: Quantity, wanted: (input: Input) => boolean): Share[] {
  return quantity.inputs
    .filter((input) => input.u > 0 && wanted(input))
    .map((input) => {
      const { name, u } = input;
      return { ...input, per: (quantity.at({ [name]: u }) - quantity.at({ [name]: -u })) / (2 * u) };
    })
    .filter(({ per }) => Number.isFinite(per));
}
