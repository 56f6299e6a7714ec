import { CoreError } from '../../ground/errors';
import { radianceFromTemperature, temperatureFromRadiance } from './bandTable';
import { computed, type Quantity, uncertain, uncertaintyOf } from './quantity';
import { type CameraErrors, objectRadiance, seenBy, type SeenMean, type UncertainSettings } from './uncertainty';

/** What an experiment says, °C or a fraction, with all that it depends on, its standard uncertainty (k = 1) and what to mind. */
export interface Outcome {
  value: number;
  uncertainty: number;
  quantity: Quantity;
  warnings: ExperimentWarning[];
}

export interface ExperimentWarning {
  code: 'small_contrast' | 'uneven' | 'few_pixels' | 'not_sure' | 'above_one';
  words: string;
}

/** What crumpled foil emits itself, with its standard uncertainty. */
export const FOIL = { value: 0.05, uncertainty: 0.02 };
/** Matt tape as it comes. */
export const TAPE = { value: 0.95, uncertainty: 0.01 };
/** Of foil that stands still in a room: more than this between its folds means that something hot or a person is in it, K. */
const EVEN_FOIL_K = 2;
const FEW_PIXELS = 9;

function fewPixels({ count }: SeenMean): ExperimentWarning[] {
  return count >= FEW_PIXELS ? [] : [{ code: 'few_pixels', words: `Only ${count} pixels: draw it over at least 3 × 3.` }];
}

/**
 * What crumpled foil mirrors, from how it looks and the air, whose temperature it has.
 *
 * @returns °C
 */
export function mirroredBy(foil: Quantity, emissivity: Quantity, air: Quantity): Quantity {
  return computed({ foil, emissivity, air }, (x) => {
    const own = Math.min(0.5, Math.max(0, x.emissivity));
    const seen = radianceFromTemperature(x.foil) - own * radianceFromTemperature(x.air);
    return temperatureFromRadiance(seen / (1 - own));
  });
}

/** Folds look into different directions: about so many. */
const FOLDS = 9;

/**
 * Reflected apparent temperature from crumpled foil held where the target is.
 *
 * @param foil - the region on the foil
 * @param air - air temperature: that of the foil itself
 * @returns °C
 *
 * What the foil emits itself is taken out. Folds look into different directions, so their spread over the root of about nine
 * of them counts.
 */
export function reflectedFromFoil(foil: SeenMean, air: Quantity, camera: CameraErrors): Outcome {
  const warnings = fewPixels(foil);
  const spread = foil.std ?? 0;
  if (spread > EVEN_FOIL_K) {
    warnings.push({
      code: 'uneven',
      words: `The foil spans ${(2 * spread).toFixed(1)} K: something hot, or you, is in it. Stand aside, or take the part that the target faces.`,
    });
  }
  const own = (kind: string) => `${kind} of ${camera.frame} ${foil.region}`;
  const emits = uncertain(FOIL.value, { name: own('foil'), part: 'reflected', u: FOIL.uncertainty });
  const folds = uncertain(0, { name: own('folds'), part: 'reflected', u: spread / Math.sqrt(FOLDS) });
  const mirrored = mirroredBy(seenBy(foil, camera), emits, air);
  const quantity = computed({ mirrored, folds }, (x) => x.mirrored + x.folds);
  return { value: quantity.at({}), uncertainty: uncertaintyOf(quantity).total, quantity, warnings };
}

/** Below this the bare surface and its surroundings look the same, K. */
const LEAST_CONTRAST_K = 3;
/** From this on the result can be trusted, K. */
const GOOD_CONTRAST_K = 10;
/** Below this it means nothing. */
const WORTHLESS = 0.2;

/** What surrounds a surface: all that the measurement equation needs but its emissivity. */
export type Surroundings = Omit<UncertainSettings, 'emissivity'>;

/**
 * The emissivity that makes a bare surface as warm as the tape beside it. Errors that both readings share enter once.
 *
 * @returns a fraction; NaN where nothing fits
 */
export function emissivityLikeTape(bare: Quantity, tape: Quantity, tapeEmissivity: Quantity, around: Surroundings): Quantity {
  return computed({ bare, tape, tapeEmissivity, ...around }, (x) =>
    emissivityThatFits(x.bare, objectRadiance(x.tape, Math.min(1, x.tapeEmissivity), x), x),
  );
}

/**
 * Emissivity of a bare surface from a patch of tape beside it; both are at one temperature.
 *
 * @param bare - region on the bare surface
 * @param tape - region on the tape
 * @param tapeEmissivity - with its standard uncertainty
 * @throws CoreError `impossible` when tape and surroundings differ by less than 3 K, or nothing fits
 *
 * The tape gives the true temperature; from that the emissivity follows that makes the bare surface look as it does.
 */
export function emissivityFromTape(
  bare: SeenMean,
  tape: SeenMean,
  tapeEmissivity: { value: number; uncertainty: number },
  around: Surroundings,
  camera: CameraErrors,
): Outcome {
  const emits = uncertain(tapeEmissivity.value, {
    name: `tape of ${camera.frame} ${tape.region}`,
    part: 'emissivity',
    u: tapeEmissivity.uncertainty,
  });
  return emissivityOutcome(
    emissivityLikeTape(seenBy(bare, camera), seenBy(tape, camera), emits, around),
    Math.abs(tape.apparent - around.reflected.at({})),
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
  camera: CameraErrors,
): Outcome {
  const shown = uncertain(contact.celsius, {
    name: `contact at ${camera.frame} ${surface.region}`,
    part: 'emissivity',
    u: contact.uncertainty,
  });
  return emissivityOutcome(
    computed({ seen: seenBy(surface, camera), shown, ...around }, (x) =>
      emissivityThatFits(x.seen, radianceFromTemperature(x.shown), x),
    ),
    Math.abs(contact.celsius - around.reflected.at({})),
    fewPixels(surface),
  );
}

/** The emissivity under which an object of that radiance looks like `apparent`. */
function emissivityThatFits(
  apparent: number,
  object: number,
  { reflected, air, transmittance }: Record<keyof Surroundings, number>,
): number {
  const atSurface = (radianceFromTemperature(apparent) - (1 - transmittance) * radianceFromTemperature(air)) / transmittance;
  const around = radianceFromTemperature(reflected);
  return (atSurface - around) / (object - around);
}

function emissivityOutcome(quantity: Quantity, contrast: number, warnings: ExperimentWarning[]): Outcome {
  if (!(contrast >= LEAST_CONTRAST_K)) {
    throw new CoreError(
      'impossible',
      `The surface differs from its surroundings by only ${contrast.toFixed(1)} K: bare and taped look the same, whatever the emissivity is.`,
      { argument: 'contrast', value: contrast, range: `${LEAST_CONTRAST_K} K or more` },
      `Warm the surface, or wait until it differs by ${GOOD_CONTRAST_K} K or more.`,
    );
  }
  const value = quantity.at({});
  const uncertainty = uncertaintyOf(quantity).total;
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
  return { value: Math.min(1, value), uncertainty, quantity, warnings };
}
