import { CoreError } from '../errors';
import { radianceFromTemperature } from './bandTable';
import type { UncertaintySources } from './uncertainty';

/** What an experiment says, K or a fraction, with its standard uncertainty (k = 1) and what to mind. */
export interface Outcome {
  value: number;
  uncertainty: number;
  warnings: ExperimentWarning[];
}

export interface ExperimentWarning {
  code: 'small_contrast' | 'uneven' | 'few_pixels' | 'not_sure' | 'above_one';
  words: string;
}

/** A mean over pixels as the camera saw it. */
export interface SeenMean {
  /** Apparent temperature, °C. */
  apparent: number;
  /** Spread of the pixels, K; null for a single one. */
  std: number | null;
  /** Standard deviation of one pixel's noise, K. */
  noise: number;
  count: number;
}

/** Emissivity of what holds and borders crumpled foil: it is a mirror but for so much. */
const FOIL_EMISSIVITY = 0.05;
/** Of foil that stands still in a room: more than this between its folds means that something hot or a person is in it, K. */
const EVEN_FOIL_K = 2;
const FEW_PIXELS = 9;

function fewPixels({ count }: SeenMean): ExperimentWarning[] {
  return count >= FEW_PIXELS ? [] : [{ code: 'few_pixels', words: `Only ${count} pixels: draw it over at least 3 × 3.` }];
}

/**
 * Reflected apparent temperature from crumpled foil held where the target is, read with emissivity 1 and distance 0.
 *
 * @param foil - the region on the foil
 * @param air - air temperature, °C: about what the foil itself has
 * @returns °C
 *
 * The foil emits a twentieth itself, which pulls the reading towards its own temperature; that is put into the uncertainty,
 * not corrected. Folds look into different directions, so their spread over the mean's root of about nine directions counts.
 */
export function reflectedFromFoil(foil: SeenMean, air: number, sources: UncertaintySources): Outcome {
  const warnings = fewPixels(foil);
  const spread = foil.std ?? 0;
  if (spread > EVEN_FOIL_K) {
    warnings.push({
      code: 'uneven',
      words: `The foil spans ${(2 * spread).toFixed(1)} K: something hot, or you, is in it. Stand aside, or take the part that the target faces.`,
    });
  }
  const uncertainty = Math.hypot(
    foil.noise / Math.sqrt(foil.count),
    sources.uniformity,
    sources.calibration,
    spread / 3,
    FOIL_EMISSIVITY * (foil.apparent - air),
  );
  return { value: foil.apparent, uncertainty, warnings };
}

/** Surroundings of an experiment on emissivity, °C, with the standard uncertainty of the reflected temperature. */
export interface Surroundings {
  reflected: number;
  reflectedU: number;
  air: number;
  transmittance: number;
}

/** Below this the bare surface and its surroundings look the same, K. */
const LEAST_CONTRAST_K = 3;
/** From this on the result can be trusted, K. */
const GOOD_CONTRAST_K = 10;
/** Below this it means nothing. */
const WORTHLESS = 0.2;

/**
 * Emissivity of a bare surface from a patch of tape beside it; both are at one temperature.
 *
 * @param bare - region on the bare surface
 * @param tape - region on the tape
 * @param tapeEmissivity - with its standard uncertainty
 * @throws CoreError `impossible` when tape and surroundings differ by less than 3 K, or nothing fits
 *
 * The tape gives the true temperature; from that the emissivity follows that makes the bare surface look as it does. The
 * uncertainty is first order, with each input moved by its own.
 */
export function emissivityFromTape(
  bare: SeenMean,
  tape: SeenMean,
  tapeEmissivity: { value: number; uncertainty: number },
  around: Surroundings,
  sources: UncertaintySources,
): Outcome {
  const noiseOf = (mean: SeenMean) => Math.hypot(mean.noise / Math.sqrt(mean.count), sources.uniformity);
  return emissivityOutcome(
    (x) => {
      const known = { ...around, reflected: x.reflected! };
      const object = objectRadiance(x.tape! + x.calibration!, x.tapeEmissivity!, known);
      return emissivityThatFits(x.bare! + x.calibration!, object, known);
    },
    {
      bare: [bare.apparent, noiseOf(bare)],
      tape: [tape.apparent, noiseOf(tape)],
      // Common to both regions of the frame.
      calibration: [0, sources.calibration],
      tapeEmissivity: [tapeEmissivity.value, tapeEmissivity.uncertainty],
      reflected: [around.reflected, around.reflectedU],
    },
    Math.abs(tape.apparent - around.reflected),
    [...fewPixels(bare), ...fewPixels(tape)],
  );
}

/**
 * Emissivity of a surface from a contact thermometer on it.
 *
 * @param surface - region where the thermometer was
 * @param contact - what it showed with its own offset added, °C, and its standard uncertainty, K
 * @throws CoreError `impossible` as `emissivityFromTape`
 */
export function emissivityFromContact(
  surface: SeenMean,
  contact: { celsius: number; uncertainty: number },
  around: Surroundings,
  sources: UncertaintySources,
): Outcome {
  return emissivityOutcome(
    (x) => emissivityThatFits(x.seen!, radianceFromTemperature(x.contact!), { ...around, reflected: x.reflected! }),
    {
      seen: [surface.apparent, Math.hypot(surface.noise / Math.sqrt(surface.count), sources.uniformity, sources.calibration)],
      contact: [contact.celsius, contact.uncertainty],
      reflected: [around.reflected, around.reflectedU],
    },
    Math.abs(contact.celsius - around.reflected),
    fewPixels(surface),
  );
}

type Known = Omit<Surroundings, 'reflectedU'>;

/** Radiance of the object behind an apparent temperature. */
function objectRadiance(apparent: number, emissivity: number, { reflected, air, transmittance }: Known): number {
  const atSurface = (radianceFromTemperature(apparent) - (1 - transmittance) * radianceFromTemperature(air)) / transmittance;
  return (atSurface - (1 - emissivity) * radianceFromTemperature(reflected)) / emissivity;
}

/** The emissivity under which an object of that radiance looks like `apparent`. */
function emissivityThatFits(apparent: number, object: number, { reflected, air, transmittance }: Known): number {
  const atSurface = (radianceFromTemperature(apparent) - (1 - transmittance) * radianceFromTemperature(air)) / transmittance;
  const around = radianceFromTemperature(reflected);
  return (atSurface - around) / (object - around);
}

/** Solves at the values given, and once more with each input moved by its standard uncertainty. */
function emissivityOutcome(
  solve: (inputs: Record<string, number>) => number,
  inputs: Record<string, readonly [value: number, uncertainty: number]>,
  contrast: number,
  warnings: ExperimentWarning[],
): Outcome {
  if (!(contrast >= LEAST_CONTRAST_K)) {
    throw new CoreError(
      'impossible',
      `The surface differs from its surroundings by only ${contrast.toFixed(1)} K: bare and taped look the same, whatever the emissivity is.`,
      { argument: 'contrast', value: contrast, range: `${LEAST_CONTRAST_K} K or more` },
      `Warm the surface, or wait until it differs by ${GOOD_CONTRAST_K} K or more.`,
    );
  }
  const values = Object.fromEntries(Object.entries(inputs).map(([name, [value]]) => [name, value]));
  const value = solve(values);
  const parts = Object.entries(inputs).map(([name, [at, u]]) => {
    const moved = (solve({ ...values, [name]: at + u }) - solve({ ...values, [name]: at - u })) / 2;
    return Number.isFinite(moved) ? moved : Infinity;
  });
  const uncertainty = Math.hypot(...parts);
  if (!(value > 0.01) || value > 1 + Math.max(0.03, 2 * uncertainty)) {
    throw new CoreError(
      'impossible',
      `No emissivity between 0 and 1 fits: it would have to be ${Number.isFinite(value) ? value.toFixed(2) : 'without end'}.`,
      { argument: 'emissivity', value: Number.isFinite(value) ? value : 'none' },
      'Read the foil again, and see that both places have one temperature and that nothing hot is mirrored.',
    );
  }
  if (value > 1) warnings.push({ code: 'above_one', words: 'It came out just above 1 and is kept as 1.' });
  if (contrast < GOOD_CONTRAST_K) {
    warnings.push({
      code: 'small_contrast',
      words: `Only ${contrast.toFixed(1)} K between surface and surroundings; ${GOOD_CONTRAST_K} K or more make a result worth having.`,
    });
  }
  if (uncertainty > WORTHLESS) {
    warnings.push({ code: 'not_sure', words: 'The uncertainty is so large that the table of materials says more.' });
  }
  return { value: Math.min(1, value), uncertainty, warnings };
}
