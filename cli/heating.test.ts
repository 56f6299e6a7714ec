import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { CoreError } from '@core/ground/errors';
import { writeTiff } from '@core/method/formats/tiff/write';
import { nodeCodecs } from '@server/codecs';
import { balance } from './balance';
import { radiator } from './radiator';
import { valve } from './valve';
import { wet } from './wet';

let folder: string;
beforeAll(() => (folder = mkdtempSync(path.join(os.tmpdir(), 'den-heating-'))));
afterAll(() => rmSync(folder, { recursive: true }));
const file = (name: string) => path.join(folder, name);

async function refused(run: Promise<unknown>): Promise<CoreError | null> {
  try {
    await run;
  } catch (error) {
    if (error instanceof CoreError) return error;
    throw error;
  }
  return null;
}

const DOCUMENT = {
  target_drop_k: 12,
  tolerance_k: 2,
  source: { flow_c_set: 60 },
  emitters: [
    { id: 'hall', order: 1, rated_w: 900, exponent: 1.3, turns: 4, turns_open: 4, sticks: false },
    { id: 'bath', order: 2, rated_w: null, exponent: 1.3, turns: 1, turns_open: 4, sticks: true },
  ],
  turned: [],
  readings: [
    { walk: 1, t_s: 30, emitter: 'hall', turns: 4, flow_c: 59, return_c: 55, room_c: 19, settled_s: 3600 },
    { walk: 1, t_s: 60, emitter: 'bath', turns: 1, flow_c: 58, return_c: 46, room_c: 21, settled_s: 3600 },
  ],
};

describe('balance', () => {
  const asked = async (document: unknown) => {
    writeFileSync(file('circuit.json'), JSON.stringify(document));
    return (await balance([file('circuit.json')])).document;
  };

  test('answers with one walk in the words of its document', async () => {
    const answer = (await asked(DOCUMENT)) as {
      done: boolean;
      moves: { emitter: string; to_turns: number }[];
      drops: { emitter: string; drop_k: number; state: string }[];
    };
    expect(answer.done).toBe(false);
    expect(answer.moves.map(({ emitter }) => emitter)).toEqual(['hall']);
    expect(answer.moves[0]!.to_turns).toBeLessThan(4);
    expect(answer.drops.map(({ emitter, state }) => [emitter, state])).toEqual([
      ['hall', 'too-small'],
      ['bath', 'on-target'],
    ]);
    expect(answer.drops[0]!.drop_k).toBeCloseTo(4, 0);
  });

  test('refuses what is no document, names the file and the place', async () => {
    writeFileSync(file('broken.json'), '{"target_drop_k": 12');
    expect((await refused(balance([file('broken.json')])))!).toMatchObject({
      code: 'malformed',
      where: { file: file('broken.json') },
    });
    const error = (await refused(asked({ ...DOCUMENT, emitters: [] })))!;
    expect(error.code).toBe('bad_input');
    expect(error.message).toContain('emitters');
    expect((await refused(balance([])))!.code).toBe('bad_usage');
    expect((await refused(balance([file('no-such.json')])))!.code).toBe('not_found');
  });
});

describe('radiator', () => {
  /** A face of 40 × 24 pixels from 20, 18 before a wall of 19 °C, its upper third cold. */
  const rows = Array.from({ length: 60 }, (_, y) =>
    Array.from({ length: 80 }, (_unused, x) => {
      const on = x >= 20 && x < 60 && y >= 18 && y < 42;
      return (on ? (y < 26 ? 24 : 52) : 19).toFixed(2);
    }).join(','),
  );
  beforeAll(() => writeFileSync(file('face.csv'), rows.join('\n')));
  interface Answer {
    pattern: string;
    coldShare: number;
    box: number[];
    zones: number[][];
    advice: string[];
    warnings: { code: string }[];
  }
  const asked = async (...words: string[]) => (await radiator([file('face.csv'), ...words])).document as Answer;

  test('names the pattern, its cold share and the next step', async () => {
    const { pattern, coldShare, zones, advice, warnings } = await asked(
      '--box',
      '20,18,40,24',
      '--air',
      '19',
      '--flow',
      '58',
      '--unit',
      'C',
    );
    expect(pattern).toBe('cold-top');
    expect(coldShare).toBeCloseTo(0.32, 1);
    expect(zones).toHaveLength(6);
    expect(zones[0]![0]!).toBeCloseTo(24, 0);
    expect(advice[0]).toContain('scalds');
    expect(warnings).toEqual([]);
  });

  test('takes what is not said for what is usual, and says so', async () => {
    const { warnings, pattern } = await asked('--box', '20,18,40,24', '--unit', 'C');
    expect(pattern).toBe('cold-top');
    expect(warnings.map(({ code }) => code)).toEqual(['air_unknown', 'flow_unknown']);
  });

  test('refuses a box that is none or lies beyond the frame, and wrong use', async () => {
    const code = (...words: string[]) =>
      refused(radiator([file('face.csv'), '--unit', 'C', ...words])).then((error) => error?.code);
    expect(await code('--box', '1,2,3')).toBe('bad_usage');
    expect(await code('--box', '1.5,2,30,30')).toBe('bad_usage');
    expect(await code('--box', '60,40,40,24')).toBe('bad_region');
    expect(await code('--minutes-on', '-3')).toBe('bad_usage');
    expect(await code('--box', '20,18,40,24', '--air', '30', '--flow', '25')).toBe('out_of_range');
    expect((await refused(radiator([])))!.code).toBe('bad_usage');
  });

  test('finds no face in a frame without one', async () => {
    writeFileSync(
      file('wall.csv'),
      Array.from({ length: 60 }, () => Array.from({ length: 80 }, () => '19.5').join(',')).join('\n'),
    );
    expect((await refused(radiator([file('wall.csv'), '--unit', 'C'])))!.code).toBe('bad_region');
  });
});

describe('valve and wet', () => {
  const asked = async (verb: typeof valve, document: unknown) => {
    writeFileSync(file('asked.json'), JSON.stringify(document));
    return (await verb([file('asked.json')])).document;
  };
  const pipe = {
    id: 'v1',
    kind: 'valve',
    outer_mm: 22,
    wall_mm: 0.9,
    material: 'copper',
    lagging_mm: 0,
    orientation: 'level',
    room_c: 20,
    room_u: 0.3,
    hot_c: 58,
    supply_c: 59,
    readings: [{ minutes: 10, m: 1.5, c: 48.9, u: 0.6 }],
  };

  test('closed valves are answered in their order: too early, tight, and passing', async () => {
    const later = (early: number, c: number) =>
      [10, 180].map((minutes, k) => ({ minutes, m: 1.5, c: k === 0 ? early : c, u: 0.6 }));
    const answers = (await asked(valve, [
      pipe,
      { ...pipe, readings: later(48.9, 21) },
      { ...pipe, readings: later(54, 53) },
    ])) as {
      verdict: string;
      litresPerHour: number | null;
      low: number;
      high: number;
      waitMinutes: number | null;
    }[];
    expect(answers.map(({ verdict }) => verdict)).toEqual(['cannot-say', 'holds', 'passes']);
    expect(answers[0]!.waitMinutes).toBeGreaterThan(10);
    expect(answers[1]).toMatchObject({ litresPerHour: 0, waitMinutes: null });
    expect(answers[2]!.low).toBeLessThan(answers[2]!.litresPerHour!);
    expect(answers[2]!.high).toBeGreaterThan(answers[2]!.litresPerHour!);
  });

  test('surfaces are answered in their order', async () => {
    const patch = { surface_c: 9, surface_u: 0.3, air_c: 20, rh: 60, wall: 'outer', behind_c: 2, cover_heated: false };
    expect(await asked(wet, [patch, { ...patch, surface_c: 14 }, { ...patch, wall: 'inner', surface_c: 23 }])).toEqual([
      { verdict: 'condensing' },
      { verdict: 'drying-wet-possible' },
      { verdict: 'not-wet' },
    ]);
  });

  test('what is no document is refused with its file', async () => {
    writeFileSync(file('broken.json'), '[{');
    for (const verb of [valve, wet]) {
      expect(await refused(verb([file('broken.json')]))).toMatchObject({ code: 'malformed' });
      expect(await refused(verb([]))).toMatchObject({ code: 'bad_usage' });
      expect(await refused(asked(verb, [{}]))).toMatchObject({ code: 'bad_input' });
    }
  });
});

test('a radiator with little water is no sludge, when its return is told; a return above the flow is refused', async () => {
  const values = Float32Array.from({ length: 160 * 120 }, (_, i) => {
    const [x, y] = [i % 160, Math.floor(i / 160)];
    const on = x >= 30 && x < 130 && y >= 30 && y < 90;
    // From 60 to 32 °C in a room of 20 °C: the foot keeps 30 % of the excess.
    return on ? 20 + 40 * 0.3 ** ((y - 30) / 60) : 19.5;
  });
  writeFileSync(file('face.tif'), writeTiff({ width: 160, height: 120, values }, nodeCodecs));
  const words = [file('face.tif'), '--box', '30,30,100,60', '--air', '20', '--flow', '60'];
  const { document } = await radiator([...words, '--return', '32']);
  expect(document).toMatchObject({ pattern: 'low-flow' });
  expect((document as { coldShare: number }).coldShare).toBeGreaterThan(0.35);
  // Were its return 50 °C, such a foot would be colder than its water only where the ends are not.
  const mud = values.map((value, i) => (i % 160 > 55 && i % 160 < 105 && Math.floor(i / 160) > 62 ? Math.min(value, 24) : value));
  writeFileSync(file('mud.tif'), writeTiff({ width: 160, height: 120, values: mud }, nodeCodecs));
  const muddy = await radiator([file('mud.tif'), ...words.slice(1), '--return', '32']);
  expect(muddy.document).toMatchObject({ pattern: 'cold-bottom' });
  expect(await refused(radiator([...words, '--return', '70']))).toMatchObject({ code: 'bad_usage' });
});
