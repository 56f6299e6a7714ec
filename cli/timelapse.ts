import { CoreError } from '@core/ground/errors';
import { readFrame } from '@core/method/formats/readFrame';
import { tiffMoment } from '@core/method/formats/tiff/moment';
import { timelapse as sought, type TimelapseFrame } from '@core/method/water/timelapse';
import { nodeCodecs } from '@server/codecs';
import { numberOption, parseArguments, usage } from './arguments';
import { fileBytes } from './read';

const OPTIONS = { interval: 'value', sign: 'value', cover: 'value', water: 'value', on: 'value' } as const;
const USUAL_INTERVAL_S = 120;

/** `./den timelapse FILE…`: where water comes out under a floor, in frames of one view. */
export async function timelapse(words: readonly string[]): Promise<{ document: unknown; refused: boolean }> {
  const args = parseArguments(words, OPTIONS);
  const intervalS = numberOption(args, 'interval') ?? USUAL_INTERVAL_S;
  if (intervalS <= 0) throw usage('--interval must be more than 0 s.', 'Give the seconds between two frames.');
  const sign = args.options.get('sign')?.at(-1) ?? 'warmer';
  if (sign !== 'warmer' && sign !== 'colder')
    throw usage(`--sign ${sign} is neither warmer nor colder.`, 'Write --sign warmer or --sign colder.');
  const coverMm = numberOption(args, 'cover') ?? null;
  if (coverMm !== null && !(coverMm > 0 && coverMm <= 500))
    throw usage('--cover must be 1 … 500 mm.', 'Give the floor over the pipe in mm.');
  const frames: TimelapseFrame[] = [];
  const unreadable: { file: string; reason: 'unreadable' }[] = [];
  for (const file of args.files) {
    const bytes = await fileBytes(file);
    try {
      frames.push({ name: file, clockS: tiffMoment(bytes), frame: readFrame(bytes, nodeCodecs, {}) });
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      unreadable.push({ file, reason: 'unreadable' });
    }
  }
  const found = sought(frames, {
    intervalS,
    sign,
    coverMm,
    waterC: numberOption(args, 'water') ?? null,
    onMin: numberOption(args, 'on') ?? null,
  });
  return {
    document: {
      source: found.source,
      onset: found.onset,
      slopeMax: found.slopeMax,
      confidence: found.confidence,
      enough: found.enough,
      moreMinutes: found.moreMinutes,
      standing: found.standing,
      frames: found.frames.map(({ name, t, contrast, area, disturbed }) => ({ file: name, t, contrast, area, disturbed })),
      dropped: [...found.dropped.map(({ name, reason }) => ({ file: name, reason })), ...unreadable],
      warnings: found.inOrder
        ? []
        : [
            {
              code: 'order',
              message: 'The frames were given in another order than they were taken in; they are put in order of time.',
            },
          ],
    },
    refused: false,
  };
}
