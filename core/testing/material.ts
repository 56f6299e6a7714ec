import { readFileSync } from 'node:fs';
import path from 'node:path';
import { deflateSync, inflateSync } from 'node:zlib';
import type { Codecs } from '../method/formats/codecs';

/** Material with truth for the core's tests, and the platform that the tests run on. Never imported by the core itself. */

export const testCodecs: Codecs = {
  inflate(bytes, limit) {
    try {
      return inflateSync(bytes, { maxOutputLength: limit });
    } catch (error) {
      return (error as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE' ? 'overflow' : 'broken';
    }
  },
  deflate: (bytes) => deflateSync(bytes),
  decodeText: (bytes, encoding) => new TextDecoder(encoding).decode(bytes),
};

/** Tests run in the project's root. */
const testing = path.resolve('core/testing');
const folder = path.join(testing, 'interchange');

export interface ManifestEntry {
  width: number;
  height: number;
  unit: string;
  pixels: [x: number, y: number, celsius: number][];
  min_C: number;
  max_C: number;
  tolerance_C: number;
  pages?: number;
  refuse?: string;
}

export const manifest = JSON.parse(readFileSync(path.join(folder, 'manifest.json'), 'utf8')) as Record<string, ManifestEntry>;

export function interchangeFile(name: string): Uint8Array {
  return new Uint8Array(readFileSync(path.join(folder, name)));
}

interface Case<I, O> {
  in: I;
  out: O;
}

type Numbers = Record<string, number>;

/** Cases computed by an independent program; °C, K, %, Pa, and W m⁻² sr⁻¹ by their names. */
export const reference = JSON.parse(readFileSync(path.join(testing, 'reference.json'), 'utf8')) as {
  band_radiance: Case<{ T_C: number }, { L_W_m2_sr: number; dL_dT_W_m2_sr_K: number }>[];
  measurement_equation: Case<Numbers, { L_obj_W_m2_sr: number; T_obj_C: number | null }>[];
  rebasing: Case<Numbers, { T_app_C: number; T2_C: number | null }>[];
  psychrometrics: Case<Numbers, Numbers>[];
  uncertainty: Case<Numbers & { kind: string; same_emissivity: boolean }, Numbers>[];
  sun: Case<
    { utc: string; lat_deg: number; lon_deg: number; cloud_fraction: number },
    { azimuth_deg: number; altitude_deg: number; ghi_W_m2: number; dhi_W_m2: number; dni_W_m2: number; facade_W_m2: Numbers }
  >[];
  wall_memory: Case<
    { tau_h: number; dt_h: number; alpha: number; h_o_W_m2K: number; s0_K: number; I_W_m2: number[] },
    { s_K: number[] }
  >[];
  spot_size: Case<Numbers, Numbers>[];
  sky_temperature: Case<{ T_air_C: number; cloud_fraction: number }, { T_sky_C: number }>[];
};

/** A made-up February week of a hill town, hourly. */
export const februaryWeek = readFileSync(path.join(testing, 'weather-february.csv'), 'utf8');

/** The error that a call throws; a test fails when it throws none. */
export function errorOf(run: () => unknown): unknown {
  try {
    run();
  } catch (error) {
    return error;
  }
  throw new Error('Nothing was thrown');
}
