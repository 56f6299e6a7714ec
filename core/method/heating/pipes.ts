export const PIPE_MATERIALS = ['copper', 'steel', 'plastic'] as const;
export type PipeMaterial = (typeof PIPE_MATERIALS)[number];

/** Conductivity, W/(m·K), heat capacity of a volume, MJ/(m³·K), and what the bare surface emits when it is old and dull. */
export const PIPE_FACTS: Record<PipeMaterial, { words: string; conductivity: number; capacityMJ: number; emissivity: number }> = {
  copper: { words: 'Copper', conductivity: 390, capacityMJ: 3.45, emissivity: 0.4 },
  steel: { words: 'Steel', conductivity: 50, capacityMJ: 3.8, emissivity: 0.8 },
  plastic: { words: 'Plastic', conductivity: 0.4, capacityMJ: 2.1, emissivity: 0.93 },
};

/** Foam lagging, W/(m·K). */
export const LAGGING_WMK = 0.037;
const STEFAN_BOLTZMANN = 5.67e-8;
/** Paint and plastic covers of lagging. */
const COVER_EMISSIVITY = 0.9;

/** A pipe as far as its heat goes. */
export interface PipeBuild {
  material: PipeMaterial;
  outerMm: number;
  wallMm: number;
  /** 0 is bare. */
  laggingMm: number;
}

/** Film of still air round a horizontal cylinder, convection (laminar) and radiation, W/(m²·K). */
function film(diameterM: number, excessK: number, airC: number, emissivity: number): number {
  const convection = 1.32 * (Math.max(1, excessK) / diameterM) ** 0.25;
  const radiation = 4 * emissivity * STEFAN_BOLTZMANN * (airC + 273.15 + excessK / 2) ** 3;
  return convection + radiation;
}

/**
 * Heat that a metre of pipe loses for each kelvin over the air, W/(m·K).
 *
 * @param excessK - of the water over the air
 */
export function lossPerMetre({ material, outerMm, laggingMm }: PipeBuild, excessK: number, airC: number): number {
  const outer = outerMm / 1000;
  if (laggingMm <= 0) return film(outer, excessK, airC, PIPE_FACTS[material].emissivity) * Math.PI * outer;
  const cover = outer + (2 * laggingMm) / 1000;
  const lagging = Math.log(cover / outer) / (2 * Math.PI * LAGGING_WMK);
  // The cover is some kelvin above the air.
  return 1 / (lagging + 1 / (film(cover, 0.2 * excessK, airC, COVER_EMISSIVITY) * Math.PI * cover));
}

export interface HeatLoss {
  watts: number;
  /** 95 % interval of all that is stated, as a share: films are not known better. */
  share: number;
  /** With usual lagging, W: as thick as the pipe, at most 25 mm; of a cylinder 50 mm. */
  laggedW: number;
  kwhYear: number;
  saveKwhYear: number;
}

const RUN_SHARE = 0.2;
const CYLINDER_SHARE = 0.25;

/** Heat that a run of pipe loses; ± a fifth (95 %). */
export function pipeLoss(build: PipeBuild, lengthM: number, waterC: number, airC: number, hoursYear: number): HeatLoss {
  const excess = Math.max(0, waterC - airC);
  const watts = lossPerMetre(build, excess, airC) * excess * lengthM;
  const lagged = { ...build, laggingMm: Math.max(build.laggingMm, Math.min(25, build.outerMm)) };
  return losses(watts, lossPerMetre(lagged, excess, airC) * excess * lengthM, hoursYear, RUN_SHARE);
}

/**
 * Heat that the jacket of a cylinder loses, from the temperature of its outside; ± a quarter (95 %).
 *
 * @param areaM2 - of the outside
 * @param surfaceC - mean of the outside as the camera reads it
 */
export function cylinderLoss(areaM2: number, surfaceC: number, waterC: number, airC: number, hoursYear: number): HeatLoss {
  const excess = Math.max(0, surfaceC - airC);
  const watts = film(0.5, excess, airC, COVER_EMISSIVITY) * excess * areaM2;
  const further = 0.05 / LAGGING_WMK;
  const through = Math.max(1e-6, watts / areaM2);
  const inner = Math.max(0, waterC - surfaceC) / through;
  return losses(watts, ((waterC - airC) / (inner + further + 0.1)) * areaM2, hoursYear, CYLINDER_SHARE);
}

function losses(watts: number, laggedW: number, hoursYear: number, share: number): HeatLoss {
  const lagged = Math.min(watts, Math.max(0, laggedW));
  return {
    watts,
    share,
    laggedW: lagged,
    kwhYear: (watts * hoursYear) / 1000,
    saveKwhYear: ((watts - lagged) * hoursYear) / 1000,
  };
}
