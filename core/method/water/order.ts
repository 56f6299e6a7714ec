/** A frame of a series, as far as its place in time goes. */
export interface Dated {
  name: string;
  /** Seconds of the camera's clock; null where the file does not say. */
  clockS: number | null;
}

export interface Order {
  /** Places of the frames as given, in the order of time. */
  places: number[];
  /** Seconds from the first in time, for each of `places`. */
  times: number[];
  /** Whether that is the order in which they were given. */
  asGiven: boolean;
}

/**
 * The order in time: by the camera's clock if all frames tell it and it went on from one to the next, else by the last number
 * in their names if all differ, else as given. Only the clock tells how long it was between them.
 *
 * @param intervalS - between two frames, where the clock does not tell
 */
export function orderInTime(frames: readonly Dated[], intervalS: number): Order {
  const clocks = frames.map(({ clockS }) => clockS);
  const numbers = frames.map(({ name }) => lastNumber(name));
  const byClock = allDiffer(clocks);
  const keys = byClock ? clocks : allDiffer(numbers) ? numbers : null;
  const places = frames.map((_, i) => i);
  if (keys) places.sort((a, b) => keys[a]! - keys[b]!);
  const times = places.map((place, i) => (byClock ? clocks[place]! - clocks[places[0]!]! : i * intervalS));
  return { places, times, asGiven: places.every((place, i) => place === i) };
}

function lastNumber(name: string): number | null {
  const digits = /(\d+)\D*$/.exec(name.replace(/\.[A-Za-z0-9]+$/, ''))?.[1];
  return digits === undefined ? null : Number(digits);
}

function allDiffer(values: readonly (number | null)[]): values is readonly number[] {
  return values.length > 0 && values.every((value) => value !== null) && new Set(values).size === values.length;
}
