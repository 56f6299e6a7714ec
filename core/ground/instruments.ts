/**
 * What instruments read off, standard uncertainties (k = 1): one table, so that two pages never believe the same reading
 * differently. What a person states of an instrument of theirs comes before it.
 */
export const INSTRUMENT_U = {
  /** Air by a thermometer that was read, and a value of which nobody said how it came about, K. */
  thermometerK: 0.2,
  unqualifiedK: 1,
  /** Air of a room that was noted once for a visit, K. */
  roomK: 0.5,
  /** Relative humidity, as a fraction. */
  hygrometer: 0.02,
  /** What lies behind a wall, where somebody read it: outdoors or ground, K. */
  behindK: 0.5,
  /** The level of a camera that is held against air which was measured, from visit to visit; and of one that nobody checked, K. */
  levelK: 0.3,
  levelUncheckedK: 1,
  /** A camera that nobody described: from one frame to the next, and unevenness with noise within one frame, K. */
  repeatabilityK: 0.3,
  unevenK: 0.1,
  /** A reflected temperature that was typed or read off crumpled foil, K. */
  reflectedK: 0.3,
  /** A surface against air of the same room: what a camera's level and its settings leave open, K. */
  surfaceK: 0.5,
  /** A pipe by the camera on tape or paint, and on bare metal, K. */
  tapedPipeK: 0.6,
  barePipeK: 4,
  /** One reading of an emitter's tail, K; its drop is that of two. */
  tailK: 0.5,
  /** Water and pipe by a contact thermometer that stays where it is, K. */
  contactK: 0.3,
  /** Mains water that nobody read, K: it follows the ground through the year. */
  mainsK: 3,
  /** Litres a minute by a bucket or a meter's small hand, as a share. */
  litresMin: 0.1,
} as const;
