/** Refractive index of paint, plaster, brick and glass in the thermal infrared. */
const INDEX = 1.5;
/** What mirrors at all angles is metal, whose emissivity does not fall. */
const METAL_BELOW = 0.5;
const STEPS = 512;

/** Emitted share of a smooth insulator, 1 − Fresnel's reflectance. @param cos - of the angle from square on, 0 … 1 */
export function fresnelEmissivity(cos: number): number {
  const inner = Math.sqrt(1 - (1 - cos * cos) / (INDEX * INDEX));
  const across = ((cos - INDEX * inner) / (cos + INDEX * inner)) ** 2;
  const along = ((INDEX * cos - inner) / (INDEX * cos + inner)) ** 2;
  return 1 - (across + along) / 2;
}

const SHARES = Float64Array.from({ length: STEPS + 1 }, (_, i) => fresnelEmissivity(i / STEPS) / fresnelEmissivity(1));

/**
 * Emissivity of a face that is seen from aside: hardly less up to 50°, much less beyond 70°.
 *
 * @param normal - emissivity square on, 0 … 1
 * @param cos - of the angle from square on, 0 … 1
 */
export function emissivityAt(normal: number, cos: number): number {
  return normal < METAL_BELOW ? normal : normal * SHARES[Math.round(Math.max(0, cos) * STEPS)]!;
}
