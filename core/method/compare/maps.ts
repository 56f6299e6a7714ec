import type { Homography } from '../../ground/homography';

/** One map after another: first q, then p. */
export function product(p: Homography, q: Homography): number[] {
  const all = Array.from({ length: 9 }, (_, k) => {
    const [i, j] = [3 * Math.floor(k / 3), k % 3];
    return p[i]! * q[j]! + p[i + 1]! * q[j + 3]! + p[i + 2]! * q[j + 6]!;
  });
  return all.map((value) => value / all[8]!);
}

/** The way back; null for a map that cannot be undone. */
export function inverse([a, b, c, d, e, f, g, h, i]: Homography): number[] | null {
  const all = [
    e! * i! - f! * h!,
    c! * h! - b! * i!,
    b! * f! - c! * e!,
    f! * g! - d! * i!,
    a! * i! - c! * g!,
    c! * d! - a! * f!,
    d! * h! - e! * g!,
    b! * g! - a! * h!,
    a! * e! - b! * d!,
  ];
  const det = a! * all[0]! + b! * all[3]! + c! * all[6]!;
  return Math.abs(det) < 1e-12 || Math.abs(all[8]!) < 1e-12 ? null : all.map((value) => value / all[8]!);
}

/** A map between pictures of other widths; pixels are counted by their middles. */
export function rescaled(
  h: Homography,
  [fromA, toA]: readonly [number, number],
  [fromB, toB]: readonly [number, number],
): number[] {
  const [a, b] = [fromA / toA, toB / fromB];
  return product(
    [b, 0, 0.5 * b - 0.5, 0, b, 0.5 * b - 0.5, 0, 0, 1],
    product(h, [a, 0, 0.5 * a - 0.5, 0, a, 0.5 * a - 0.5, 0, 0, 1]),
  );
}
