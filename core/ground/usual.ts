/**
 * What is taken where nobody said, read or noted a value. One table, so that whoever changes one finds it here; wherever one of
 * them is used for a person, it is named as assumed. Temperatures in °C, lengths as their names say.
 */
export const USUAL = {
  /** Air of a house; weather that lowers no grade. */
  airC: 20,
  outsideC: 2,
  cloudPct: 50,
  windMs: 0,
  outsideHumidityPct: 75,
  /** Which way a front faces, ° from north. */
  frontAzimuth: 180,
  /** Non-metals: paint, plaster, brick, wood, paper all lie near it. */
  emissivity: 0.95,
  /** Below it a surface grows mould in the long run. */
  mouldFactor: 0.7,
  /** What a source is set to. */
  flowSetC: 60,
  /** Of radiators (EN 442). */
  exponent: 1.3,
  /** Most lockshields take so many turns to their stop. */
  turnsOpen: 4,
  pipe: { material: 'copper', outerMm: 22, wallMm: 1, laggingMm: 0, hoursYear: 5000 },
  /** A leak: which side is run, under what, how deep, with what water, s from one frame to the next. */
  side: 'hot',
  covering: 'tile',
  coverMm: 50,
  hotWaterC: 50,
  mainsC: 11,
  intervalS: 120,
} as const;
