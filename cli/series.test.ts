import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { CoreError } from '@core/ground/errors';
import { writeTiff } from '@core/method/formats/tiff/write';
import { floorSeries } from '@core/method/simulate/series/floorSeries';
import { rendered, wallPair } from '@core/method/simulate/series/wallPair';
import { nodeCodecs } from '@server/codecs';
import { compare } from './compare';
import { timelapse } from './timelapse';

const folder = mkdtempSync(path.join(tmpdir(), 'den-cli-'));
const file = (name: string) => path.join(folder, name);
afterAll(() => rmSync(folder, { recursive: true }));

async function refused(run: Promise<unknown>): Promise<CoreError | null> {
  try {
    await run;
    return null;
  } catch (error) {
    if (error instanceof CoreError) return error;
    throw error;
  }
}

describe('compare', () => {
  const pair = wallPair(3);
  const [before, after] = rendered(pair);
  const [filled, left] = pair.places;
  const box = ({ name, x, y, width, height }: (typeof pair.places)[number]) => `${name}=box:${x},${y},${width},${height}`;
  const files = [file('before.tif'), file('after.tif')];
  const air = ['--before', 'inside=20,outside=0,emissivity=0.95,reflected=20', '--after', 'inside=20,outside=4,emissivity=0.95'];
  beforeAll(() => {
    writeFileSync(files[0]!, writeTiff(before, nodeCodecs));
    writeFileSync(files[1]!, writeTiff(after, nodeCodecs));
    writeFileSync(file('other.tif'), writeTiff(rendered(wallPair(4))[0], nodeCodecs));
  });

  test('gives the map, what is shared, and a verdict for each region', async () => {
    const { document, refused: no } = await compare([...files, ...air, '--region', box(filled!), '--region', box(left!)]);
    const { transform, residualPx, overlap, regions, warnings } = document as {
      transform: number[][];
      residualPx: number;
      overlap: number;
      regions: { name: string; verdict: string; why: string; change: number; uncertainty: number }[];
      warnings: { code: string }[];
    };
    expect(no).toBe(false);
    expect(transform.map((row) => row.length)).toEqual([3, 3, 3]);
    expect(transform[2]![2]).toBe(1);
    expect(residualPx).toBeLessThan(1);
    expect(overlap).toBeGreaterThan(0.6);
    expect(regions.map(({ name, verdict }) => [name, verdict])).toEqual([
      ['filled', 'better'],
      ['left', 'same'],
    ]);
    expect(warnings.map(({ code }) => code)).toEqual(['reflected_as_air']);
  });

  test('claims nothing of a surface that was changed, or a box that reaches beyond', async () => {
    const { document } = await compare([
      ...files,
      ...air,
      '--region',
      box(filled!),
      '--region',
      'rim=box:300,100,40,20',
      '--void',
      'filled=foil',
    ]);
    const { regions } = document as { regions: { verdict: string; why: string; change: number | null }[] };
    expect(regions.map(({ verdict, why, change }) => [verdict, why, change])).toEqual([
      ['cannot-say', 'surface-changed', null],
      ['cannot-say', 'not-in-view', null],
    ]);
  });

  const verdicts = async (...words: string[]) => {
    const { document } = await compare([...files, ...words, '--region', box(filled!), '--region', box(left!)]);
    return (document as { regions: { verdict: string; why: string; change: number }[] }).regions;
  };
  const csv = (name: string, lines: readonly string[]) => {
    writeFileSync(file(name), `minutes,inside_c,outside_c,sun_w_m2\n${lines.join('\n')}\n`);
    return file(name);
  };
  const hours = (of: (ago: number) => string) => Array.from({ length: 49 }, (_, i) => `${-60 * (48 - i)},${of(48 - i)}`);

  test('a wall of stone of which nothing is known is not judged; after steady days it is', async () => {
    expect((await verdicts(...air, '--wall', 'stone')).map(({ verdict }) => verdict)).not.toContain('worse');
    const told = (await verdicts(...air, '--wall', 'stone', '--history-before', csv('a.csv', hours(() => '20,0,0')), '--history-after', csv('b.csv', hours(() => '20,4,0'))))[0]!; // prettier-ignore
    expect(told.verdict).toBe('better');
    expect(told.change).toBeGreaterThan(0);
  });

  test('seen from outside or a loft the same pictures say the opposite', async () => {
    const loft = [
      '--before',
      'inside=40,outside=0,space=14,emissivity=1',
      '--after',
      'inside=40,outside=4,space=14,emissivity=1',
    ];
    const [place] = await verdicts('--side', 'loft', '--wall', 'light', ...loft);
    expect(place!.change).toBeLessThan(0);
    expect(place!.verdict).not.toBe('better');
    // Colder than the air of a loft over a warm room is no floor of it.
    const [none] = await verdicts(
      '--side',
      'loft',
      '--wall',
      'light',
      ...loft.map((words) => words.replace('space=14', 'space=22')),
    );
    expect(none).toMatchObject({ verdict: 'cannot-say', why: 'no-such-wall', change: null, uncertainty: null });
  });

  test('refuses a loft without its air, a side, a wall and a history that it does not know', async () => {
    const refusal = async (...words: string[]) => (await refused(compare([...files, ...air, '--region', box(filled!), ...words])))?.toJSON(); // prettier-ignore
    expect((await refusal('--side', 'loft'))?.code).toBe('missing_setting');
    expect((await refusal('--side', 'attic'))?.code).toBe('bad_usage');
    expect((await refusal('--wall', 'straw'))?.code).toBe('bad_usage');
    expect(await refusal('--history-before', csv('short.csv', ['-60,20,2,0', '0,20,2,0']))).toMatchObject({ code: 'malformed', where: { file: file('short.csv') } }); // prettier-ignore
    expect(await refusal('--history-after', csv('bad.csv', ['-3000,20,2,0', '-10,warm,2,0']))).toMatchObject({ code: 'malformed', where: { line: 3 } }); // prettier-ignore
    writeFileSync(file('no.csv'), 'time,inside\n0,20\n');
    expect(await refusal('--history-after', file('no.csv'))).toMatchObject({ code: 'malformed', where: { line: 1 } });
  });

  test('refuses another wall, one frame, air that is missing, regions that lie nowhere, and what is no option', async () => {
    const code = async (...words: string[]) => (await refused(compare(words)))?.code;
    expect(await code(files[0]!, file('other.tif'))).toBe('cannot-register');
    expect(await code(files[0]!)).toBe('bad_usage');
    expect(await code(...files, '--region', box(filled!))).toBe('missing_setting');
    expect(await code(...files, ...air, '--region', 'far=box:900,900,10,10')).toBe('bad_region');
    expect(await code(...files, ...air, '--region', 'edge=line:1,1,50,50')).toBe('bad_region');
    expect(await code(...files, ...air, '--void', 'nobody=foil')).toBe('bad_usage');
    expect(await code(...files, '--before', 'inside=20,outside=2,emissivity=1.4')).toBe('bad_usage');
    expect(await code(...files, '--before', 'indoors=20')).toBe('bad_usage');
  });
});

describe('timelapse', () => {
  const series = floorSeries(1, { columns: 120, frames: 14, coverMm: 40, source: { x: 70, y: 40 } });
  const names = series.frames.map(({ name }) => file(name));
  const told = ['--interval', '90', '--cover', '40', '--water', '45'];
  beforeAll(() => {
    series.frames.forEach(({ frame }, i) => writeFileSync(names[i]!, writeTiff(frame, nodeCodecs)));
    writeFileSync(file('notes-99.tif'), 'no picture');
  });

  test('finds the leak, drops what cannot be read, says that the order was another', async () => {
    const { document } = await timelapse([...names.slice(7), file('notes-99.tif'), ...names.slice(0, 7), ...told]);
    const found = document as {
      source: { kind: string; x: number; y: number; radius: number };
      enough: boolean;
      frames: { file: string; t: number }[];
      dropped: { file: string; reason: string }[];
      warnings: { code: string }[];
    };
    expect(Math.hypot(found.source.x - 70, found.source.y - 40)).toBeLessThan(Math.max(1, found.source.radius));
    expect(found).toMatchObject({ enough: true, source: { kind: 'point' } });
    expect(found.frames.map(({ file: name }) => name)).toEqual(names);
    expect(found.frames.map(({ t }) => t)).toEqual(names.map((_, i) => 90 * i));
    expect(found.dropped).toEqual([{ file: file('notes-99.tif'), reason: 'unreadable' }]);
    expect(found.warnings.map(({ code }) => code)).toEqual(['order']);
  });

  test('refuses too few frames, no interval, a sign and a cover that are none', async () => {
    const code = async (...words: string[]) => (await refused(timelapse(words)))?.code;
    expect(await code()).toBe('bad_input');
    expect(await code(...names.slice(0, 2))).toBe('bad_input');
    expect(await code(...names, '--interval', '0')).toBe('bad_usage');
    expect(await code(...names, '--sign', 'hotter')).toBe('bad_usage');
    expect(await code(...names, '--cover', '-5')).toBe('bad_usage');
  });
});
