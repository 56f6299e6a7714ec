import { lookThrough, type Look } from '@core/method/detect/candidate';
import type { Setting } from '@core/method/causes/evidence';
import { dewPointFromHumidity } from '@core/ground/saturation';
import { wetBulbFromHumidity } from '@core/ground/wetBulb';
import { correctValues, radianceLine } from '@core/method/radiometry/measurement';
import { seededRandom } from '@core/ground/random';
import { apparentField, renderScene } from '@core/method/simulate/renderScene';
import type { Scene } from '@core/method/simulate/scene';
import { TRIAL_CAUSES, trialScene } from '@core/method/simulate/trialScene';

/** One frame with truth, looked through. */
export interface Looked {
  /** What was put in; null for nothing. */
  cause: string | null;
  scene: Scene;
  seed: number;
  width: number;
  height: number;
  /** Pixels of what was put in: 1. */
  truth: Uint8Array;
  /** Pixels of windows, heaters and other things that are no surface: 1. */
  clutter: Uint8Array;
  look: Look;
  setting: Setting;
  /** Milliseconds that looking took. */
  ms: number;
}

/** A thing shows from this share of its greatest change on. */
const EDGE = 0.4;
/** Weaker or smaller things are not asked for: K, pixels. */
const LEAST_PEAK_K = 0.8;
const LEAST_AREA = 12;

/**
 * Draws frames with one thing to find each, causes in turn, and with none; the same seed draws the same.
 *
 * @param perCause - frames of each cause; the same number again without anything
 */
export function* drawTrials(seed: number, perCause: number): Generator<Looked> {
  for (const [n, cause] of [...TRIAL_CAUSES, null].entries()) {
    let drawn = 0;
    for (let k = 0; drawn < perCause && k < 12 * perCause; k += 1) {
      const own = (seed + 7919 * k + 104_729 * n) >>> 0;
      const looked = draw(own, cause);
      if (!looked) continue;
      drawn += 1;
      yield looked;
    }
  }
}

function draw(seed: number, cause: string | null): Looked | null {
  const trial = trialScene(seededRandom(seed), seed, cause);
  if (!trial) return null;
  const { scene, made } = trial;
  const truth = new Uint8Array(scene.camera.width * scene.camera.height);
  if (made !== null) {
    const change = changeOf(scene, (feature) => feature === made);
    const peak = Float32Array.from(change, Math.abs).sort()[Math.floor(0.999 * (change.length - 1))]!;
    let area = 0;
    change.forEach((value, i) => {
      if (Math.abs(value) < EDGE * peak) return;
      truth[i] = 1;
      area += 1;
    });
    if (peak < LEAST_PEAK_K || area < LEAST_AREA) return null;
  }
  const clutter = new Uint8Array(truth.length);
  if (scene.features.some(({ kind }) => kind === 'window' || kind === 'radiator'))
    changeOf(scene, ({ kind }) => kind === 'window' || kind === 'radiator').forEach(
      (value, i) => (clutter[i] = Math.abs(value) > 0.15 ? 1 : 0),
    );
  const frame = renderScene(scene);
  const values = new Float32Array(frame.values.length);
  const settings = { emissivity: scene.emissivity, reflected: scene.reflectedC, transmittance: 1, air: scene.insideC };
  correctValues(frame.values, radianceLine(frame.basis, settings), values);
  const [air, humidity] = scene.side === 'inside' ? [scene.insideC, scene.humidityPct] : [scene.outsideC, scene.outerHumidityPct];
  const start = performance.now();
  const look = lookThrough(
    { width: frame.width, height: frame.height, values },
    { side: scene.side, drive: scene.insideC - scene.outsideC, least: 0.5, ignored: null },
  );
  return {
    cause,
    scene,
    seed,
    width: frame.width,
    height: frame.height,
    truth,
    clutter,
    look,
    setting: {
      side: scene.side,
      insideC: scene.insideC,
      outsideC: scene.outsideC,
      wetBulbC: wetBulbFromHumidity(air, humidity / 100),
      dewPointC: dewPointFromHumidity(air, humidity / 100),
    },
    ms: performance.now() - start,
  };
}

/** What features change in the picture, K. */
function changeOf(scene: Scene, these: (feature: Scene['features'][number]) => boolean): Float32Array {
  const whole = apparentField(scene, scene.features);
  const without = apparentField(
    scene,
    scene.features.filter((feature) => !these(feature)),
  );
  return whole.map((value, i) => value - without[i]!);
}
