import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import sharp from 'sharp';
import type { CoreError } from '@core/ground/errors';
import { writeTiff } from '@core/method/formats/tiff/write';
import { nodeCodecs } from '@server/codecs';
import { convert } from './convert';
import { detect } from './detect';
import { read } from './read';

interface FileEntry {
  file: string;
  width: number;
  height: number;
  min: number;
  max: number;
  mean: number;
  unit: string;
  sourceUnit: string;
  pixels: { x: number; y: number; value: number | null }[];
  regions: { name: string; kind: string; count: number; mean: number; median: number; std: number | null; uncertainty: number }[];
  differences: { a: string; b: string; value: number; uncertainty: number; significant: boolean }[];
  warnings: { code: string }[];
  error?: { code: string };
}

const folder = mkdtempSync(path.join(tmpdir(), 'den-cli-'));
const file = (name: string) => path.join(folder, name);

/** 18 °C on the left, 13 °C on the right, 40 × 30. */
const values = Float32Array.from({ length: 1200 }, (_, i) => (i % 40 < 20 ? 18 : 13));

beforeAll(() => {
  writeFileSync(file('wall.tif'), writeTiff({ width: 40, height: 30, values }, nodeCodecs));
  writeFileSync(file('broken.csv'), '1,2,3\n4,x,6\n');
  writeFileSync(file('kelvin.csv'), '290,291\n292,293\n');
});

const readFiles = async (...words: string[]) => (await read(words)).document as { files: FileEntry[] };
const refusal = async (run: Promise<unknown>) =>
  run.then(
    () => null,
    (error: CoreError) => error,
  );

describe('read', () => {
  test('gives extremes, pixels, regions and their difference', async () => {
    const { files } = await readFiles(
      file('wall.tif'),
      '--pixel',
      '3,4',
      '--region',
      'left-hand=box:0,0,10,10',
      '--region',
      'right=spot:30,10',
      '--difference',
      'right-left-hand',
    );
    const [entry] = files;
    expect(entry).toMatchObject({ width: 40, height: 30, min: 13, max: 18, unit: 'C', sourceUnit: 'C', warnings: [] });
    expect(entry!.mean).toBeCloseTo(15.5, 6);
    expect(entry!.pixels).toEqual([{ x: 3, y: 4, value: 18 }]);
    expect(entry!.regions.map(({ name, kind, count, mean }) => [name, kind, count, mean])).toEqual([
      ['left-hand', 'box', 100, 18],
      ['right', 'spot', 9, 13],
    ]);
    expect(entry!.differences).toMatchObject([{ a: 'right', b: 'left-hand', value: -5, significant: true }]);
    // Calibration cancels: what is left is unevenness, twice, and a little emissivity.
    expect(entry!.differences[0]!.uncertainty).toBeGreaterThan(Math.hypot(0.1, 0.1));
    expect(entry!.differences[0]!.uncertainty).toBeLessThan(0.2);
    expect(entry!.regions[0]!.uncertainty).toBeGreaterThan(1);
  });

  test('settings move the readings, and a region may have its own', async () => {
    const { files } = await readFiles(
      file('wall.tif'),
      '--emissivity=0.9',
      '--reflected=20',
      '--region',
      'a=box:30,5,5,5',
      '--region',
      'b=box:30,5,5,5@emissivity=0.5',
      '--difference',
      'a-b',
    );
    const [a, b] = files[0]!.regions;
    expect(a!.mean).toBeLessThan(13);
    expect(b!.mean).toBeLessThan(a!.mean);
    expect(files[0]!.differences[0]!.value).toBeCloseTo(a!.mean - b!.mean, 9);
  });

  test('several files: each has its entry, a refused one its reason, and the call is refused', async () => {
    const { document, refused } = await read([file('wall.tif'), file('broken.csv'), file('nowhere.tif')]);
    const { files } = document as { files: FileEntry[] };
    expect(refused).toBe(true);
    expect(files.map((entry) => entry.error?.code ?? 'read')).toEqual(['read', 'not_a_number', 'not_found']);
    expect(files.map((entry) => path.basename(entry.file))).toEqual(['wall.tif', 'broken.csv', 'nowhere.tif']);
  });

  test('a single refused file is the refusal, with its name', async () => {
    expect((await refusal(read([file('broken.csv')])))!.where).toMatchObject({ file: file('broken.csv'), line: 2, column: 2 });
  });

  test('what was taken for granted is told', async () => {
    const { files } = await readFiles(file('kelvin.csv'));
    expect(files[0]!.warnings.map(({ code }) => code)).toEqual(['unit_assumed_kelvin']);
    expect(files[0]!.max).toBeCloseTo(19.85, 3);
  });

  test('impossible settings: pixels lose their reading, a wanted one is a refusal', async () => {
    const mirror = ['--emissivity', '0.1', '--reflected', '20.5'];
    const { files } = await readFiles(file('wall.tif'), ...mirror);
    expect(files[0]!.warnings.map(({ code }) => code)).toContain('impossible_pixels');
    expect((await refusal(read([file('wall.tif'), ...mirror, '--pixel', '30,3'])))!.code).toBe('impossible');
    expect((await refusal(read([file('wall.tif'), '--emissivity', '0.05', '--reflected', '60'])))!.code).toBe('impossible');
  });

  test.each([
    [['--pixel', '40,0'], 'bad_region'],
    [['--pixel', '1.5,0'], 'bad_usage'],
    [['--region', 'a=box:50,50,2,2'], 'bad_region'],
    [['--region', 'a=spot:1,1', '--difference', 'a-b'], 'bad_usage'],
    [['--emissivity', '2', '--reflected', '20'], 'out_of_range'],
  ])('%p is refused as %s', async (words, code) => expect((await refusal(read([file('wall.tif'), ...words])))!.code).toBe(code));

  test('no file at all is wrong use', async () => expect((await refusal(read([])))!.code).toBe('bad_usage'));
});

describe('convert', () => {
  const written = async (name: string, ...words: string[]) => {
    await convert([file('wall.tif'), file(name), ...words]);
    return readFileSync(file(name));
  };

  test.each(['out.tif', 'out.csv', 'out.npy'])('%s reads back to the same pixels', async (name) => {
    await written(name);
    const { files } = await readFiles(file(name), '--pixel', '0,0', '--pixel', '39,29');
    expect(files[0]!.pixels.map(({ value }) => value)).toEqual([18, 13]);
    expect([files[0]!.width, files[0]!.height]).toEqual([40, 30]);
  });

  test('JSON has rows, and null where there is no reading', async () => {
    const json = JSON.parse((await written('out.json', '--emissivity', '0.1', '--reflected', '20.5')).toString()) as {
      width: number;
      rows: (number | null)[][];
    };
    expect(json.width).toBe(40);
    expect(json.rows).toHaveLength(30);
    expect(json.rows[0]![0]).toBeLessThan(18);
    expect(json.rows[0]![39]).toBeNull();
  });

  test('settings are in what is written', async () => {
    await written('corrected.tif', '--emissivity', '0.9', '--reflected', '20');
    const { files } = await readFiles(file('corrected.tif'));
    expect(files[0]!.min).toBeLessThan(12.5);
  });

  test('a picture is coloured, has its scale beside it, and no alpha', async () => {
    const image = sharp(await written('out.png', '--picture', '--low', '12', '--high', '19'));
    const { width, height, channels } = await image.metadata();
    expect(width!).toBeGreaterThan(480);
    expect(height!).toBeGreaterThanOrEqual(360);
    expect(channels).toBe(3);
    const { data, info } = await image.raw().toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number) => Array.from(data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3));
    const [warm, cold] = [at(100, 180), at(400, 180)];
    expect(warm[0]! + warm[1]! + warm[2]!).toBeGreaterThan(cold[0]! + cold[1]! + cold[2]!);
  });

  test.each([
    ['out.xyz', []],
    ['out.gif', []],
    ['out.tif', ['--picture']],
    ['out.png', ['--picture', '--colours', 'rainbow']],
  ])('%s %p is wrong use', async (name, words) => {
    expect((await refusal(convert([file('wall.tif'), file(name), ...words])))!.code).toBe('bad_usage');
  });

  test('a PNG of 16 bits holds hundredths of a kelvin', async () => {
    await written('frame.png');
    const { files } = await readFiles(file('frame.png'), '--pixel', '0,0', '--pixel', '39,29');
    expect(files[0]!.pixels.map(({ value }) => Math.round(value! * 100) / 100)).toEqual([18, 13]);
  });

  test('what cannot be written leaves nothing behind', async () => {
    expect((await refusal(convert([file('wall.tif'), path.join(folder, 'no', 'such', 'folder.tif')])))!.code).toBe('bad_usage');
    expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
    expect((await refusal(convert([file('wall.tif')])))!.code).toBe('bad_usage');
  });
});

describe('detect', () => {
  interface Region {
    bbox: [number, number, number, number];
    area: number;
    contrast: number;
    sign: string;
    mask: [number, number, number][];
    causes: { cause: string; score: number; for: string[]; against: string[]; check: string | null }[];
  }
  interface Detected {
    side: string;
    regions: Region[];
    setAside: { kind: string }[];
    warnings: { code: string }[];
    error?: { code: string };
  }
  /** 20 °C with a box of 17.5 °C, 160 × 120. */
  const wall = Float32Array.from({ length: 19_200 }, (_, i) => {
    const [x, y] = [i % 160, Math.floor(i / 160)];
    return (x >= 60 && x < 90 && y >= 40 && y < 90 ? 17.5 : 20) + 0.02 * Math.sin(12.9 * i);
  });
  beforeAll(() => {
    writeFileSync(file('bay.tif'), writeTiff({ width: 160, height: 120, values: wall }, nodeCodecs));
  });
  const detected = async (...words: string[]) => ((await detect(words)).document as { files: Detected[] }).files[0]!;
  const AIR = ['--inside', '20', '--outside', '2', '--humidity', '50', '--air', '20'];

  test('gives each place with its mask, its causes and the check that would settle it', async () => {
    const found = await detected(file('bay.tif'), ...AIR);
    expect(found.side).toBe('inside');
    expect(found.regions).toHaveLength(1);
    const [bay] = found.regions;
    expect(bay!.bbox[0]).toBeCloseTo(60, -0.5);
    expect(bay!.contrast).toBeCloseTo(-2.5, 1);
    expect(bay!.sign).toBe('colder');
    expect(bay!.mask.reduce((sum, [, from, to]) => sum + to - from + 1, 0)).toBe(bay!.area);
    expect(bay!.area).toBeCloseTo(1500, -2);
    expect(bay!.causes.reduce((sum, { score }) => sum + score, 0)).toBeCloseTo(1, 9);
    expect(bay!.causes[0]!.cause).toBe('missing-insulation');
    expect(bay!.causes[0]!.for.length).toBeGreaterThan(1);
    expect(bay!.causes[0]!.check).toMatch(/\.$/);
    expect(found.warnings).toEqual([]);
  });

  test('the side is that whose air is nearer to the one before the camera', async () => {
    expect((await detected(file('bay.tif'), '--inside', '20', '--outside', '2', '--air', '3')).side).toBe('outside');
  });

  test('without conditions it works, and names what it cannot judge', async () => {
    const { warnings, regions } = await detected(file('bay.tif'));
    expect(warnings.map(({ code }) => code)).toEqual(['side', 'air_unknown', 'humidity_unknown']);
    expect(regions).toHaveLength(1);
  });

  test('least difference and what is left out are the caller’s', async () => {
    expect((await detected(file('bay.tif'), ...AIR, '--min-difference', '4')).regions).toEqual([]);
    expect((await detected(file('bay.tif'), ...AIR, '--ignore', 'box:50,30,50,70')).regions).toEqual([]);
  });

  test('impossible conditions, differences and files are refused', async () => {
    const code = (...words: string[]) => refusal(detect(words)).then((error) => error?.code);
    expect(await code(file('bay.tif'), '--inside', '200', '--outside', '2')).toBe('out_of_range');
    expect(await code(file('bay.tif'), ...AIR, '--min-difference', '0')).toBe('bad_usage');
    expect(await code(file('bay.tif'), ...AIR, '--humidity', '130')).toBe('out_of_range');
    expect(await code(file('none.tif'))).toBe('not_found');
    expect(await code()).toBe('bad_usage');
  });

  test('of several files a refused one has its place in the list', async () => {
    const { document, refused } = await detect([file('bay.tif'), file('broken.csv')]);
    const { files } = document as { files: Detected[] };
    expect(refused).toBe(true);
    expect(files.map(({ error }) => error?.code ?? null)).toEqual([null, 'not_a_number']);
  });
});
