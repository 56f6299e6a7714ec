/** How emitters are built, as far as their output goes. */
export const EMITTER_BUILDS = [
  'single',
  'single-fins',
  'double',
  'double-one-fins',
  'double-fins',
  'triple-fins',
  'column',
  'rail',
  'baseboard',
] as const;
export type EmitterBuild = (typeof EMITTER_BUILDS)[number];

interface Build {
  words: string;
  /** Usual output at 50 K, W for each square metre of face; of a baseboard for each metre. */
  wattsPer: number;
}

export const BUILDS: Record<EmitterBuild, Build> = {
  single: { words: 'One panel, no fins', wattsPer: 1000 },
  'single-fins': { words: 'One panel with fins', wattsPer: 1650 },
  double: { words: 'Two panels, no fins', wattsPer: 1750 },
  'double-one-fins': { words: 'Two panels, one row of fins', wattsPer: 2350 },
  'double-fins': { words: 'Two panels, two rows of fins', wattsPer: 3000 },
  'triple-fins': { words: 'Three panels with fins', wattsPer: 4200 },
  column: { words: 'Columns', wattsPer: 2300 },
  rail: { words: 'Towel rail', wattsPer: 800 },
  baseboard: { words: 'Baseboard', wattsPer: 500 },
};

/**
 * Usual output of an emitter at 50 K by its build and size, W, right to about 15 %: what makers of plain steel emitters state,
 * in the mean. Where the plate says it, the plate holds.
 *
 * @param widthM, heightM - of its face, m
 */
export function usualOutputW(build: EmitterBuild, widthM: number, heightM: number): number {
  return Math.round(BUILDS[build].wattsPer * widthM * (build === 'baseboard' ? 1 : heightM));
}
