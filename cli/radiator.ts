import { CoreError } from '@core/ground/errors';
import { readFrame } from '@core/method/formats/readFrame';
import type { FaceBox } from '@core/method/heating/faceBox';
import { facePattern, findFace } from '@core/method/heating/pattern';
import { patternAdvice } from '@core/method/heating/patternAdvice';
import { hasReading } from '@core/ground/hasReading';
import { correctValues, impossibleSettings, radianceLine } from '@core/method/radiometry/measurement';
import { USUAL } from '@core/ground/usual';
import { nodeCodecs } from '@server/codecs';
import { numberOption, parseArguments, toNumber, usage, type Arguments } from './arguments';
import { fileBytes } from './read';
import { commandSettings, SETTING_OPTIONS, type CommandSettings } from './settings';

const OPTIONS = { ...SETTING_OPTIONS, box: 'value', flow: 'value', return: 'value', 'minutes-on': 'value' } as const;
const ASK_BOX = 'Write --box x,y,width,height around its face.';
/** Steel is a little cooler than the water in it: the hottest face shows this share of the flow's excess. */
const FACE_SHARE = 0.88;

/** `./den radiator FILE`: the pattern of an emitter's face, how much of it is cold, and what to do. */
export async function radiator(words: readonly string[]): Promise<{ document: unknown; refused: boolean }> {
  const args = parseArguments(words, OPTIONS);
  const [file, ...more] = args.files;
  if (!file || more.length > 0) throw usage('radiator takes one frame.', 'Write ./den radiator FILE --box x,y,width,height');
  const call = commandSettings(args);
  const minutesOn = numberOption(args, 'minutes-on') ?? null;
  if (minutesOn !== null && minutesOn < 0) throw usage('--minutes-on is below 0.', 'Give the minutes since the heat came on.');
  const bytes = await fileBytes(file);
  try {
    return { document: { file, ...radiatorOne(bytes, args, call, minutesOn) }, refused: false };
  } catch (error) {
    throw error instanceof CoreError ? error.inFile(file) : error;
  }
}

function radiatorOne(bytes: Uint8Array, args: Arguments, call: CommandSettings, minutesOn: number | null): object {
  const frame = readFrame(bytes, nodeCodecs, call.read);
  const values = new Float32Array(frame.values.length);
  correctValues(frame.values, radianceLine(frame.basis, call.settings), values);
  if (!values.some(hasReading)) throw impossibleSettings();
  const face = { width: frame.width, height: frame.height, values };
  const warnings: { code: string; message: string }[] = [...call.warnings, ...frame.warnings];
  const given = numberOption(args, 'air');
  if (given === undefined)
    warnings.push({ code: 'air_unknown', message: `The room was taken for ${USUAL.airC} °C. Give --air.` });
  const airC = given ?? USUAL.airC;
  const box = boxOf(args) ?? findFace(face, airC);
  if (!box) throw new CoreError('bad_region', 'No emitter stands out clearly enough in this frame.', {}, ASK_BOX);
  let flowC = numberOption(args, 'flow');
  if (flowC === undefined) {
    flowC = airC + Math.max(1, hottestIn(face, box) - airC) / FACE_SHARE;
    warnings.push({
      code: 'flow_unknown',
      message: `The flow was taken for ${flowC.toFixed(0)} °C by the hottest part of the face: a face that is cold as a whole cannot be told so. Give --flow.`,
    });
  }
  const returnC = numberOption(args, 'return') ?? null;
  if (returnC !== null && returnC > flowC)
    throw usage('--return is above --flow.', 'Give the water at the inlet as --flow and at the outlet as --return.');
  const { pattern, coldShare, zones, meanC } = facePattern(face, box, { airC, flowC, returnC, minutesOn });
  return {
    pattern,
    coldShare,
    box: [box.x, box.y, box.width, box.height],
    zones: zones.map((row) => row.map((value) => (Number.isNaN(value) ? null : value))),
    mean: meanC,
    advice: patternAdvice(pattern, minutesOn),
    warnings,
  };
}

function boxOf(args: Arguments): FaceBox | null {
  const text = args.options.get('box')?.at(-1);
  if (text === undefined) return null;
  const numbers = text.split(',').map((part) => toNumber(part, 'A number of --box'));
  if (numbers.length !== 4 || numbers.some((number) => !Number.isInteger(number)))
    throw usage(`--box ${JSON.stringify(text)} is no box.`, ASK_BOX);
  const [x, y, width, height] = numbers as [number, number, number, number];
  return { x, y, width, height };
}

function hottestIn({ width, height, values }: { width: number; height: number; values: Float32Array }, box: FaceBox): number {
  const inside: number[] = [];
  for (let y = Math.max(0, box.y); y < Math.min(height, box.y + box.height); y += 1)
    for (let x = Math.max(0, box.x); x < Math.min(width, box.x + box.width); x += 1)
      if (hasReading(values[y * width + x]!)) inside.push(values[y * width + x]!);
  inside.sort((a, b) => a - b);
  return inside[Math.floor(0.98 * (inside.length - 1))] ?? NaN;
}
