import { rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { extremesOf } from '@core/frame/extremes';
import { hasReading, type Frame } from '@core/frame/frame';
import { readFrame } from '@core/formats/readFrame';
import { writeCsv } from '@core/formats/csv/write';
import { writeNpy } from '@core/formats/npy/write';
import { writePng } from '@core/formats/png/write';
import { writeTiff } from '@core/formats/tiff/write';
import { correctValues, IDENTITY_LINE, impossibleSettings, radianceLine } from '@core/radiometry/measurement';
import { COLOUR_MAP_NAMES, DEFAULT_COLOUR_MAP } from '@core/scale/colourMaps';
import { orderedScale } from '@core/scale/scale';
import { nodeCodecs } from '@server/codecs';
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
  switch (ending) {
    case '.tif':
    case '.tiff':
      return writeTiff(frame, nodeCodecs);
    case '.csv':
      return writeCsv(frame);
    case '.npy':
      return writeNpy(frame);
    case '.png':
      return writePng(frame, nodeCodecs);
    case '.json':
      return frameJson(frame);
    default:
      throw usage(
        `Nothing is known about writing ${ending || 'a file without an ending'}.`,
        'Choose .tif, .npy, .csv, .json or .png (16 bits of grey), or add --picture for a coloured .png.',
      );
  }
}

function frameJson(frame: Frame): string {
  const rows = Array.from({ length: frame.height }, (_, y) =>
    Array.from(frame.values.subarray(y * frame.width, (y + 1) * frame.width), (value) => (hasReading(value) ? value : null)),
  );
  return `${JSON.stringify({ width: frame.width, height: frame.height, unit: 'C', rows })}\n`;
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
