import { mkdirSync, mkdtempSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { writeNpy } from '../../core/method/formats/npy/write';
import { apparentTemperature } from '../../core/method/radiometry/measurement';
import { colourAt } from '../../core/method/scale/colourMaps';
import { normalFrom, seededRandom } from '../../core/ground/random';

/** Frames, photos and what else lies on a camera's card, made for the tests with known truth. */

export const SIZE = { width: 160, height: 120 };

/** A wall with noise and things on it, apparent °C, as NPY. */
export function frameFile(seed: number, thing: (x: number, y: number) => number | null = () => null): Buffer {
  const normal = normalFrom(seededRandom(seed));
  const values = Float32Array.from({ length: SIZE.width * SIZE.height }, (_, i) => {
    const [x, y] = [i % SIZE.width, Math.floor(i / SIZE.width)];
    return (thing(x, y) ?? 18 + seed * 0.01) + 0.05 * normal();
  });
  return Buffer.from(writeNpy({ ...SIZE, values }));
}

export const inBox = (x: number, y: number, [left, top, right, bottom]: readonly [number, number, number, number]) =>
  x >= left && x <= right && y >= top && y <= bottom;

/** Where things lie on the frame of the experiments, pixels. */
export const FOIL = [10, 10, 39, 39] as const;
export const TAPE = [60, 60, 79, 79] as const;
export const BARE = [90, 60, 119, 89] as const;
/** What the bare plate of 55 °C truly emits. */
export const BARE_EMISSIVITY = 0.32;
export const SURROUNDINGS_C = 17;

/** Foil, and a warm plate with tape on it, in one frame. */
export function experimentFile(): Buffer {
  const seen = (emissivity: number) =>
    apparentTemperature(55, { emissivity, reflected: SURROUNDINGS_C, air: 20, transmittance: 1 });
  const [tape, bare] = [seen(0.95), seen(BARE_EMISSIVITY)];
  // Foil emits a little itself, as warm as the air.
  const foil = apparentTemperature(20.1, { emissivity: 0.05, reflected: SURROUNDINGS_C, air: 20, transmittance: 1 });
  return frameFile(1, (x, y) =>
    inBox(x, y, FOIL) ? foil : inBox(x, y, TAPE) ? tape : inBox(x, y, [50, 50, 129, 99]) ? bare : null,
  );
}

/** A daylight picture with a dark window whose left upper corner is at the given share of its sides. */
export async function photoFile(left: number, top: number, tone = 210): Promise<Buffer> {
  const [width, height] = [640, 480];
  const normal = normalFrom(seededRandom(tone));
  const rgb = Buffer.alloc(3 * width * height);
  for (let y = 0, i = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1, i += 3) {
      const window = x >= left * width && x < (left + 0.3) * width && y >= top * height && y < (top + 0.4) * height;
      const light = (window ? 60 : tone) + 12 * normal();
      for (const k of [0, 1, 2]) rgb[i + k] = Math.max(0, Math.min(255, light));
    }
  }
  return sharp(rgb, { raw: { width, height, channels: 3 } })
    .jpeg()
    .toBuffer();
}

/** A picture in false colours: no temperatures in it. */
export async function colouredFile(seed: number): Promise<Buffer> {
  const rgb = Buffer.alloc(3 * SIZE.width * SIZE.height);
  for (let i = 0; i < SIZE.width * SIZE.height; i += 1) {
    const colour = colourAt('hearth', 0.5 + 0.45 * Math.sin((i % SIZE.width) / 17 + seed) * Math.cos(i / 4000));
    rgb.set(colour, 3 * i);
  }
  return sharp(rgb, { raw: { ...SIZE, channels: 3 } })
    .png()
    .toBuffer();
}

export interface CardFile {
  name: string;
  bytes: Buffer;
  /** Seconds after the first. */
  at: number;
}

const FIRST = Date.UTC(2026, 1, 11, 19, 14) / 1000;

/** Puts files into a folder of their own, as a card has them; the folder goes when the test is over. */
export function cardFolder(files: CardFile[]): { folder: string; remove(): void } {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'den-card-'));
  mkdirSync(path.join(folder, 'pictures'));
  for (const { name, bytes, at } of files) {
    const file = path.join(folder, 'pictures', name);
    writeFileSync(file, bytes);
    utimesSync(file, FIRST + at, FIRST + at);
  }
  return { folder, remove: () => rmSync(folder, { recursive: true, force: true }) };
}

/** Stores files in a visit without the interface, and shows its bench. */
export async function visitWith(page: Page, visit: string, files: { name: string; bytes: Buffer }[]): Promise<string[]> {
  const ids: string[] = [];
  for (const [i, { name, bytes }] of files.entries()) {
    const answer = await page.request.post(`/api/visits/${visit}/files?name=${name}&taken=${(FIRST + 60 * i) * 1000}`, {
      data: bytes,
      headers: { 'content-type': 'application/octet-stream' },
    });
    ids.push(((await answer.json()) as { id: string }).id);
  }
  await page.goto(`/visits/${visit}/bench/${ids[0]!}`);
  return ids;
}
