import { readFileSync } from 'node:fs';
import { create, type Font } from 'fontkit';
import sharp from 'sharp';
import type { Photo } from '@core/method/compare/sameLook';
import type { Frame } from '@core/method/frame/frame';
import type { Span } from '@core/method/frame/region';
import type { RadianceLine } from '@core/method/radiometry/measurement';
import { colourAt } from '@core/method/scale/colourMaps';
import { colourFrame } from '@core/method/scale/colourFrame';
import type { Scale } from '@core/method/scale/scale';
import { PAPER as PALETTE } from '@core/paper/palette';
import { PRACTICE_WORD } from '@core/work/visit/practice';
import { inRoot } from './root';

const INK = PALETTE.text;
const PAPER = PALETTE.ground;
const MARGIN = 12;
const BAR = 16;
const LABELS = 78;
/** Enough for the colours of places, pixels across. */
const LOOK_COLUMNS = 240;

/** RGB bytes of a coloured frame, without alpha (which makes PDF pictures slow). */
function frameRgb(
  frame: Pick<Frame, 'width' | 'height' | 'values'>,
  line: RadianceLine,
  scale: Scale,
  leftOut: readonly Span[],
): Buffer {
  const packed = new Uint32Array(frame.values.length);
  colourFrame(frame.values, frame.width, line, scale, packed, leftOut);
  const rgb = Buffer.alloc(packed.length * 3);
  packed.forEach((pixel, i) => {
    rgb[3 * i] = pixel & 0xff;
    rgb[3 * i + 1] = (pixel >> 8) & 0xff;
    rgb[3 * i + 2] = (pixel >> 16) & 0xff;
  });
  return rgb;
}

/** A coloured frame as PNG, nothing else on it. */
export async function framePng(
  frame: Pick<Frame, 'width' | 'height' | 'values'>,
  line: RadianceLine,
  scale: Scale,
  leftOut: readonly Span[] = [],
): Promise<Buffer> {
  return sharp(frameRgb(frame, line, scale, leftOut), { raw: { width: frame.width, height: frame.height, channels: 3 } })
    .png({ compressionLevel: 6 })
    .toBuffer();
}

/** A coloured frame as PNG with its scale beside it, so that the picture never goes without its meaning. */
export async function picturePng(
  frame: Pick<Frame, 'width' | 'height' | 'values'>,
  line: RadianceLine,
  scale: Scale,
  leftOut: readonly Span[] = [],
): Promise<Buffer> {
  const zoom = Math.max(1, Math.ceil(480 / frame.width));
  const width = frame.width * zoom;
  const height = Math.max(frame.height * zoom, 160);
  const picture = await sharp(await framePng(frame, line, scale, leftOut))
    .resize(width, frame.height * zoom, { kernel: zoom > 3 ? 'nearest' : 'cubic' })
    .toBuffer();
  const total = { width: width + 3 * MARGIN + BAR + LABELS, height: height + 2 * MARGIN };
  return sharp(Buffer.from(scaleSvg(scale, total, width + 2 * MARGIN, height)))
    .composite([{ input: picture, left: MARGIN, top: MARGIN }])
    .removeAlpha()
    .png()
    .toBuffer();
}

function scaleSvg(scale: Scale, total: { width: number; height: number }, left: number, height: number): string {
  const steps = 128;
  const bars = Array.from({ length: steps }, (_, i) => {
    const [r, g, b] = colourAt(scale.map, 1 - (i + 0.5) / steps);
    const y = MARGIN + (i * height) / steps;
    return `<rect x="${left}" y="${y}" width="${BAR}" height="${height / steps + 0.5}" fill="rgb(${r},${g},${b})"/>`;
  });
  const labels = [0, 0.25, 0.5, 0.75, 1].map((share) => {
    const value = scale.low + share * (scale.high - scale.low);
    const y = MARGIN + (1 - share) * height + (share === 1 ? 12 : share === 0 ? -1 : 5);
    return `<path fill="${INK}" transform="translate(${left + BAR + 6} ${y})" d="${textPath(`${signed(value)} °C`, 14)}"/>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${total.width}" height="${total.height}"><rect width="100%" height="100%" fill="${PAPER}"/>${bars.join('')}${labels.join('')}</svg>`;
}

/** Writes into the corner of a picture what it is, where it is of a practice visit. The picture keeps its kind. */
export async function practiceMarked(picture: Uint8Array): Promise<Buffer> {
  const { width, height } = await sharp(picture).metadata();
  const size = Math.max(9, Math.round(width / 30));
  const [wide, high] = [Math.ceil(4.9 * size), Math.ceil(1.6 * size)];
  if (wide > width || high > height) return Buffer.from(picture);
  const mark = `<svg xmlns="http://www.w3.org/2000/svg" width="${wide}" height="${high}"><rect width="100%" height="100%" fill="#141018" fill-opacity="0.72"/><path fill="#fff" transform="translate(${0.5 * size} ${1.15 * size})" d="${textPath(PRACTICE_WORD, size)}"/></svg>`;
  return sharp(picture)
    .composite([{ input: Buffer.from(mark), gravity: 'southeast' }])
    .toBuffer();
}

function signed(value: number): string {
  return value.toFixed(1).replace(/^-/, '−');
}

let figtree: Font | null = null;

/** Text as outlines: a fresh machine has no fonts that a renderer could find. */
function textPath(text: string, size: number): string {
  figtree ??= create(readFileSync(inRoot('node_modules/@expo-google-fonts/figtree/500Medium/Figtree_500Medium.ttf'))) as Font;
  const scale = size / figtree.unitsPerEm;
  let x = 0;
  const run = figtree.layout(text);
  return run.glyphs
    .map((glyph, i) => {
      const outline = glyph.path.scale(scale, -scale).translate(x, 0).toSVG();
      x += run.positions[i]!.xAdvance * scale;
      return outline;
    })
    .join('');
}

/** A photo as it is shown: the way round that its camera says, then turned and mirrored as people said. */
export function uprightPhoto(bytes: Uint8Array, { quarters, mirrored }: { quarters: number; mirrored: boolean }) {
  // The camera's own turn is carried out first; sharp would otherwise put both into one.
  const turned = sharp(bytes).rotate();
  return quarters === 0 && !mirrored ? turned : turned.rotate(90 * quarters).flop(mirrored);
}

/** A photo as small as its colours can be compared in. */
export async function smallPhoto(bytes: Uint8Array, turned: { quarters: number; mirrored: boolean }): Promise<Photo> {
  const { data, info } = await sharp(await uprightPhoto(bytes, turned).toBuffer())
    .resize({ width: LOOK_COLUMNS })
    .flatten({ background: 'white' })
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, rgb: new Uint8Array(data) };
}
