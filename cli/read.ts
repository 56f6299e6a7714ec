import { readFile } from 'node:fs/promises';
import { CoreError } from '@core/ground/errors';
import { extremesOf } from '@core/ground/extremes';
import { type Frame } from '@core/method/frame/frame';
import { hasReading } from '@core/ground/hasReading';
import { estimateNoise } from '@core/ground/noise';
import { differenceOf, readRegion, type Reading } from '@core/method/frame/reading';
import { readFrame } from '@core/method/formats/readFrame';
import { correctValues, impossibleSettings, radianceLine, throughLine } from '@core/method/radiometry/measurement';
import { uncertaintyOf } from '@core/method/radiometry/quantity';
import { type CameraErrors, USUAL_CAMERA } from '@core/method/radiometry/uncertainty';
import { nodeCodecs } from '@server/codecs';
import { parseArguments, toNumber, usage, type Arguments } from './arguments';
import { parseRegion, type NamedRegion } from './region';
import { settingsOfRegions } from './quantities';
import { commandSettings, SETTING_OPTIONS, type CommandSettings } from './settings';

const OPTIONS = { ...SETTING_OPTIONS, region: 'value', foil: 'value', pixel: 'value', difference: 'value' } as const;

/** Reads bytes of a file from disk; a missing file is a refusal like any other. */
export async function fileBytes(file: string): Promise<Uint8Array> {
  try {
    return await readFile(file);
  } catch (error) {
    throw new CoreError(
      'not_found',
      `The file cannot be opened (${(error as NodeJS.ErrnoException).code ?? 'unknown reason'}).`,
      {},
      'Check the name of the file.',
    );
  }
}

/** `./den read`: readings of frames, their regions and differences. */
export async function read(words: readonly string[]): Promise<{ document: unknown; refused: boolean }> {
  const args = parseArguments(words, OPTIONS);
  if (args.files.length === 0) throw usage('No file was named.', 'Write ./den read FILE…');
  const settings = commandSettings(args);
  const regions = (args.options.get('region') ?? []).map(parseRegion);
  const entries: object[] = [];
  let refused = false;
  for (const file of args.files) {
    try {
      entries.push({ file, ...readOne(await fileBytes(file), args, settings, regions) });
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      const about = error.inFile(file);
      if (args.files.length === 1) throw about;
      entries.push({ file, error: about.toJSON() });
      refused = true;
    }
  }
  return { document: { files: entries }, refused };
}

function readOne(bytes: Uint8Array, args: Arguments, call: CommandSettings, regions: NamedRegion[]): object {
  const frame = readFrame(bytes, nodeCodecs, call.read);
  const line = radianceLine(frame.basis, call.settings);
  const corrected = new Float32Array(frame.values.length);
  const lost = correctValues(frame.values, line, corrected);
  const extremes = extremesOf(corrected);
  if (!extremes) throw impossibleSettings();
  const warnings = [...call.warnings, ...frame.warnings];
  if (lost > 0) {
    warnings.push({ code: 'impossible_pixels', message: `${lost} pixels have no physical solution with these settings.` });
  }
  const noise = call.u.noise ?? estimateNoise(frame);
  const camera: CameraErrors = { ...USUAL_CAMERA, ...call.u, camera: 'camera', frame: 'frame', noise };
  const settings = settingsOfRegions({ ...call, regions, foil: args.options.get('foil')?.at(-1) ?? null }, frame, camera);
  const readings = new Map<string, Reading>();
  for (const region of regions) {
    readings.set(region.name, readRegion(frame, { ...region, id: region.name }, settings.get(region.name)!, camera));
  }
  return {
    width: frame.width,
    height: frame.height,
    min: extremes.min,
    max: extremes.max,
    mean: extremes.mean,
    unit: 'C',
    sourceUnit: frame.provenance.sourceUnit,
    noise,
    pixels: (args.options.get('pixel') ?? []).map((text) => pixelOf(text, frame, line)),
    regions: regions.map((region) => regionEntry(region, readings.get(region.name)!)),
    differences: (args.options.get('difference') ?? []).map((text) => differenceEntry(text, regions, readings)),
    warnings,
  };
}

function pixelOf(text: string, frame: Frame, line: ReturnType<typeof radianceLine>): object {
  const [x, y, ...more] = text.split(',').map((part) => toNumber(part, 'A number of --pixel'));
  if (more.length > 0 || !Number.isInteger(x) || !Number.isInteger(y)) {
    throw usage(`--pixel ${JSON.stringify(text)} cannot be read.`, 'Write --pixel x,y with whole numbers.');
  }
  if (x! < 0 || y! < 0 || x! >= frame.width || y! >= frame.height) {
    throw new CoreError(
      'bad_region',
      `Pixel ${x},${y} lies outside the frame of ${frame.width} × ${frame.height}.`,
      { x: x!, y: y!, range: `x 0 … ${frame.width - 1}, y 0 … ${frame.height - 1}` },
      'Choose a pixel inside.',
    );
  }
  const stored = frame.values[y! * frame.width + x!]!;
  const value = throughLine(stored, line);
  // A single wanted pixel without a solution is a refused question, not an empty answer.
  if (hasReading(stored) && !hasReading(value)) throw impossibleSettings();
  return { x, y, value: hasReading(value) ? value : null };
}

function regionEntry(region: NamedRegion, reading: Reading): object {
  const s = reading.statistics;
  return {
    name: region.name,
    kind: region.shape.kind,
    count: s.count,
    min: s.min,
    max: s.max,
    minAt: s.minAt,
    maxAt: s.maxAt,
    mean: s.mean,
    median: s.median,
    std: s.std,
    emissivity: reading.settings.emissivity.at({}),
    emissivityU: uncertaintyOf(reading.settings.emissivity).total,
    reflected: reading.settings.reflected.at({}),
    reflectedU: uncertaintyOf(reading.settings.reflected).total,
    uncertainty: reading.uncertainty.total,
    interval: reading.uncertainty.interval,
  };
}

function differenceEntry(text: string, regions: NamedRegion[], readings: Map<string, Reading>): object {
  // Names may hold a minus themselves, so each one is tried as the parting.
  for (let at = text.indexOf('-'); at >= 0; at = text.indexOf('-', at + 1)) {
    const a = regions.find((region) => region.name === text.slice(0, at));
    const b = regions.find((region) => region.name === text.slice(at + 1));
    if (!a || !b) continue;
    const difference = differenceOf(readings.get(a.name)!, readings.get(b.name)!);
    return {
      a: a.name,
      b: b.name,
      value: difference.value,
      uncertainty: difference.uncertainty.total,
      interval: difference.uncertainty.interval,
      significant: difference.significant,
    };
  }
  throw usage(
    `--difference ${JSON.stringify(text)} names no two regions of this call.`,
    `Write --difference "a-b" with names given by --region${regions.length ? `: ${regions.map((r) => r.name).join(', ')}` : ''}.`,
  );
}
