import { rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { extremesOf } from '@core/ground/extremes';
import type { Frame } from '@core/method/frame/frame';
import { readFrame } from '@core/method/formats/readFrame';
import { correctValues, IDENTITY_LINE, impossibleSettings, radianceLine } from '@core/method/radiometry/measurement';
import { COLOUR_MAP_NAMES, DEFAULT_COLOUR_MAP } from '@core/method/scale/colourMaps';
import { orderedScale } from '@core/method/scale/scale';
import { nodeCodecs } from '@server/codecs';
import { encodeFrame, requireFormat } from '@server/encodeFrame';
import { numberOption, parseArguments, usage, type Arguments } from './arguments';
import { fileBytes } from './read';
import { commandSettings, SETTING_OPTIONS } from './settings';

const OPTIONS = { ...SETTING_OPTIONS, picture: 'flag', low: 'value', high: 'value', colours: 'value' } as const;

/** `./den convert IN OUT`: the frame under the given settings, in the format of OUT's ending. */
export async function convert(words: readonly string[]): Promise<{ document: unknown; refused: boolean }> {
  const args = parseArguments(words, OPTIONS);
  const [input, output, ...more] = args.files;
  if (!input || !output || more.length > 0)
    throw usage('convert takes one file to read and one to write.', 'Write ./den convert IN OUT');
  const call = commandSettings(args);
  const frame = readFrame(await fileBytes(input), nodeCodecs, call.read);
  const values = new Float32Array(frame.values.length);
  correctValues(frame.values, radianceLine(frame.basis, call.settings), values);
  if (!extremesOf(values)) throw impossibleSettings();
  const corrected: Frame = { ...frame, values };
  await writeWhole(output, await encode(corrected, output, args));
  return {
    document: {
      file: input,
      written: output,
      width: frame.width,
      height: frame.height,
      warnings: [...call.warnings, ...frame.warnings],
    },
    refused: false,
  };
}

async function encode(frame: Frame, output: string, args: Arguments): Promise<Uint8Array | string> {
  const ending = path.extname(output).toLowerCase();
  if (args.options.has('picture')) {
    if (ending !== '.png')
      throw usage(`A picture is written as .png, not ${ending || 'without an ending'}.`, 'Name the output something.png.');
    // Drawing is slow to load, and no other verb draws.
    const { picturePng } = await import('@server/picture');
    return picturePng(frame, IDENTITY_LINE, pictureScale(frame, args));
  }
  return encodeFrame(frame, requireFormat(ending.slice(1)));
}

function pictureScale(frame: Frame, args: Arguments) {
  const extremes = extremesOf(frame.values)!;
  const wanted = args.options.get('colours')?.at(-1) ?? DEFAULT_COLOUR_MAP;
  const map = COLOUR_MAP_NAMES.find((name) => name === wanted);
  if (!map)
    throw usage(`There are no colours called ${JSON.stringify(wanted)}.`, `Choose one of ${COLOUR_MAP_NAMES.join(', ')}.`);
  return orderedScale(numberOption(args, 'low') ?? extremes.min, numberOption(args, 'high') ?? extremes.max, map);
}

/** A crash while writing leaves no half file under the wanted name. */
async function writeWhole(output: string, content: Uint8Array | string): Promise<void> {
  const partial = `${output}.part`;
  try {
    await writeFile(partial, content);
    await rename(partial, output);
  } catch (error) {
    await rm(partial, { force: true });
    throw usage(
      `${output} cannot be written (${(error as NodeJS.ErrnoException).code ?? 'unknown reason'}).`,
      'Choose a folder that you may write to.',
    );
  }
}
