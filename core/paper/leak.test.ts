import type { VisitDocument } from '../model/document';
import { huntOf } from '../work/water/huntOf';
import type { HuntValue } from '../model/huntRow';
import { leakWords, otherWords } from '../work/water/leakWords';
import { lossOf } from '../work/water/loss';
import { chosenSeries, framesOfHunt, isHunted, leakOf, metresEachOf, stepsWith, toldFor } from '../work/water/seek';
import { timedStep } from '../work/water/stepMinutes';
import { ID, visitDocument, wallPixels } from '../testing/visit';
import type { Timelapse } from '../method/water/timelapse';
import type { Block } from './block';
import { leakSheets, lossWords } from './leak';

/** A visit with a hunt, and four frames of one place a minute apart. */
function hunted(change: Partial<HuntValue> = {}): VisitDocument {
  const document = visitDocument();
  const { value } = document.rows.frame[ID.frame]!;
  const facts = document.frameFacts[ID.frame]!;
  document.rows.frame = {};
  for (let i = 0; i < 4; i += 1) {
    const id = `0192f0a0-0000-7000-8000-00000000010${i}`;
    document.rows.frame[id] = { id, version: 1, value: { ...value, stopKey: 'floor-1' } };
    document.frameFacts[id] = { ...facts, takenAt: new Date(Date.UTC(2026, 1, 2, 10, i)).toISOString() };
  }
  const row = huntOf(document);
  document.rows.hunt = { [row.id]: { ...row, version: 1, value: { ...row.value, ...change } } };
  return document;
}

const huntIn = (document: VisitDocument) => huntOf(document).value;

function foundIn(document: VisitDocument, change: Partial<Timelapse> = {}): Timelapse {
  const frames = framesOfHunt(document).map((name, i) => ({
    name,
    t: 60 * i,
    contrast: 0,
    area: 0,
    moved: i === 3 ? 9 : 0,
    disturbed: 0,
  }));
  const grid = { width: 4, height: 3, values: new Float32Array(12) };
  return {
    source: { kind: 'point', inside: true, x: 20, y: 15, radius: 2.4, line: null, direction: null },
    onset: 60,
    slopeMax: 0.1,
    confidence: 0.88,
    enough: true,
    moreMinutes: null,
    frames,
    dropped: [],
    inOrder: true,
    others: [],
    standing: [],
    growth: { map: grid, spread: 0.01 },
    stack: { width: 4, height: 3, times: [0], rises: [grid.values] },
    scale: 1,
    ...change,
  };
}

const texts = (blocks: readonly Block[]) => JSON.stringify(blocks);
const title = (blocks: readonly Block[]) => (blocks[0]?.kind === 'sheet' ? blocks[0].title : null);

describe('what a leak takes in a day', () => {
  const of = (change: Partial<HuntValue>) => lossOf({ ...huntIn(hunted()), ...change });

  test('is litres, their heat on the hot side, and what both cost', () => {
    expect(of({})).toBeNull();
    const loss = of({ litresMin: 0.5, waterC: 51, pricePerM3: 4, pricePerKwh: 0.1 })!;
    expect(loss.litres).toBe(720);
    // 720 kg · 4.19 kJ/kgK · 40 K = 33.5 kWh; the cost follows from what is printed.
    expect(loss.kwh).toBe(34);
    expect(loss.cost).toBeCloseTo(0.72 * 4 + 3.4, 9);
    // A tenth of all; and 1 K of the water with 3 K of the mains: 3.16 of 40 K.
    expect(loss.litresPm).toBeCloseTo(144, 6);
    expect(loss.kwhPm).toBeCloseTo(2 * Math.hypot(0.1 * 34, 33.52 * (3.162 / 40)), 2);
    expect(loss.costPm).toBeCloseTo(2 * Math.hypot(0.628, (0.1 * 33.52 * 3.162) / 40), 2);
    expect(lossWords(loss)).toBe(
      '720 ± 140 litres and 34 ± 9 kWh of heat (mains taken as 11 °C): costs 6.28 ± 1.36 in the currency of the house',
    );
  });

  test('holds no heat on the cold side, and costs nothing that has no price', () => {
    expect(of({ litresMin: 0.5, side: 'cold', waterC: 11 })).toEqual({
      litres: 720,
      litresPm: 144,
      kwh: 0,
      kwhPm: 0,
      cost: null,
      costPm: null,
    });
    expect(of({ litresMin: 0.5, waterC: null, pricePerKwh: 0.1 })!.cost).toBeNull();
    expect(lossWords(of({ litresMin: 1, side: 'cold' })!)).toBe('1440 ± 290 litres');
  });
});

test('steps that take their time count minutes, and others have no clock', () => {
  const minute = 60_000;
  expect(timedStep('meter-still', undefined, 0)).toBeNull();
  expect(timedStep('warms-hot', 0, minute)).toBeNull();
  expect(timedStep('meter-still', 0, 14.9 * minute)).toEqual({ minutes: 14, of: 15, over: false });
  expect(timedStep('meter-still', 0, 15 * minute)).toEqual({ minutes: 15, of: 15, over: true });
  expect(timedStep('listen', 5000, 0)!.minutes).toBe(0);
});

describe('what a series answers', () => {
  const document = hunted();

  test('is asked of the chosen series with what was told', () => {
    expect(isHunted(document)).toBe(true);
    expect(isHunted(visitDocument())).toBe(false);
    expect(framesOfHunt(document)).toHaveLength(4);
    expect(framesOfHunt(visitDocument())).toEqual([]);
    expect(chosenSeries(document, { series: 'gone' })!.frameIds).toHaveLength(4);
    const onAt = Date.UTC(2026, 1, 2, 10, 1);
    const told = toldFor(
      document,
      { ...huntIn(document), side: 'cold', coverMm: 40, onAt },
      { frameIds: framesOfHunt(document), every: 1 },
    );
    expect(told).toEqual({ intervalS: 120, sign: 'colder', coverMm: 40, waterC: null, onMin: 1 });
  });

  test('of many frames takes so many as tell it, with the time between them', () => {
    const long = hunted();
    const [first] = Object.values(long.rows.frame);
    const facts = long.frameFacts[first!.id]!;
    for (let i = 4; i < 400; i += 1) {
      const id = `0192f0a0-0000-7000-8000-000000001${String(i).padStart(3, '0')}`;
      long.rows.frame[id] = { ...first!, id };
      long.frameFacts[id] = facts;
    }
    const series = chosenSeries(long, huntIn(long))!;
    expect([series.every, series.frameIds.length]).toEqual([3, 134]);
    expect(toldFor(long, huntIn(long), series).intervalS).toBe(360);
  });

  test('counts where nobody answered, and never against somebody', () => {
    const found = foundIn(document);
    expect(stepsWith({ side: 'hot', steps: {} }, found)).toEqual({ 'warms-hot': { outcome: 'yes' } });
    expect(stepsWith({ side: 'cold', steps: {} }, { ...found, source: null })).toEqual({ 'cools-cold': { outcome: 'no' } });
    expect(stepsWith({ side: 'hot', steps: {} }, { ...found, enough: false })).toEqual({});
    expect(stepsWith({ side: 'hot', steps: {} }, { ...found, confidence: 0.3 })).toEqual({});
    const answered = { 'warms-hot': { outcome: 'no' as const, at: 1 } };
    expect(stepsWith({ side: 'hot', steps: answered }, found)).toBe(answered);
    expect(stepsWith({ side: 'hot', steps: {} }, null)).toEqual({});
  });

  test('of a wall that does not warm is no leak', () => {
    const leak = leakOf(document, () => wallPixels());
    expect(leak?.source ?? null).toBeNull();
    expect(leakOf(document, () => undefined)).toBeNull();
    expect(leakOf(visitDocument(), () => wallPixels())).toBeNull();
  });

  test('has words, with a tape’s measure where sizes are known', () => {
    const found = foundIn(document, { dropped: [{ name: 'a', reason: 'foreign' }] });
    expect(leakWords(found, 'C', null)).toEqual({
      state: 'found',
      result: 'It comes out in the circle (88 % sure).',
      more: 'The circle, 2 pixels to each side, holds it nine times of ten. Fastest rise: 0.1 K a minute. 1 frame shows another view and was left out.',
    });
    expect(leakWords(found, 'C', 0.012).more).toContain('about 3 cm');
    const beside = { ...found.source!, inside: false, direction: 92 };
    expect(leakWords({ ...found, source: beside }, 'C', null).result).toBe('It comes out beside the view, below (88 % sure).');
    expect(leakWords({ ...found, source: { ...beside, direction: 350 } }, 'C', null).result).toContain('to the right');
    expect(leakWords({ ...found, enough: false, moreMinutes: 12.4 }, 'C', null)).toMatchObject({
      state: 'waiting',
      more: 'Go on for about 12 minutes. 1 frame shows another view and was left out.',
    });
    expect(leakWords({ ...found, source: null }, 'C', null).state).toBe('nothing');
    expect(leakWords({ ...found, source: { ...found.source!, kind: 'line' } }, 'C', null).result).toContain('along the line');
  });

  test('says who walked through, and why what else grew is not the leak', () => {
    const found = foundIn(document, {});
    const frames = found.frames.map((frame, i) => ({ ...frame, disturbed: i < 2 ? 0.03 : 0.001 }));
    expect(leakWords({ ...found, frames }, 'C', null).more).toMatch(/Something passed through 2 frames; it was taken out\.$/);
    expect(leakWords({ ...found, frames: frames.slice(1) }, 'C', null).more).toMatch(/through 1 frame; it was taken out\.$/);
    const words = (['edges', 'pace', 'weaker'] as const).map((why) => otherWords({ x: 0, y: 0, why }));
    expect(words.map((one) => /edges|this floor|something else/.exec(one)?.[0])).toEqual([
      'edges',
      'this floor',
      'something else',
    ]);
  });

  test('a pixel has a size only where the camera and the distance are known', () => {
    const each = metresEachOf(document, framesOfHunt(document)[0]!);
    expect(each === null || each > 0).toBe(true);
    const bare = hunted();
    bare.rows.camera = {};
    expect(metresEachOf(bare, framesOfHunt(bare)[0]!)).toBeNull();
  });
});

describe('the case of a leak on paper', () => {
  test('is none where no leak is hunted', () => {
    expect(leakSheets(visitDocument(), null, () => undefined, 'C')).toEqual([]);
  });

  test('says what is likeliest, where it comes out, how it was found out, and the cautions', () => {
    const document = hunted({
      steps: { 'meter-still': { outcome: 'no', at: Date.UTC(2026, 1, 2, 11) } },
      mark: { fromA: 'left wall', aM: 1.62, fromB: 'far wall', bM: null },
      litresMin: 0.5,
      coverMm: 40,
    });
    const blocks = leakSheets(document, foundIn(document), () => wallPixels(), 'C');
    expect(title(blocks)).toMatch(/^Likeliest: hot water pipe, \d\d %$/);
    expect(texts(blocks)).toContain('Marked 1.62 m from left wall.');
    expect(texts(blocks)).toContain('It comes out in the circle (88 % sure).');
    expect(texts(blocks)).toContain('Does the meter stand still?');
    expect(texts(blocks)).toContain('40 mm over the pipe, covering not noted');
    expect(texts(blocks)).toContain('Gas pipes');
    const pictures = blocks.flatMap((block) => (block.kind === 'pictures' ? block.pictures : []));
    // After the bump the floor lies elsewhere: the frame before it carries the circle.
    expect(pictures[0]!.figure!.frameId).toBe(framesOfHunt(document)[2]);
    expect(pictures[0]!.figure!.marks[0]!.shape).toMatchObject({ kind: 'ellipse', x: 20, y: 15, rx: 2.4 });
  });

  test('says what was found when it was opened', () => {
    const document = hunted({
      mark: { fromA: 'left wall', aM: null, fromB: 'far wall', bM: null },
      found: { cause: 'cold-pipe', depthMm: 42, offMarkM: 0.05, pipe: 'pinhole at an elbow', advice: 'Replace to the valve.' },
    });
    const blocks = leakSheets(document, null, () => undefined, 'C');
    expect(title(blocks)).toBe('Opened and found: cold water pipe');
    expect(texts(blocks)).toContain('42 mm');
    expect(texts(blocks)).toContain('0.05 m');
    expect(texts(blocks)).toContain('Replace to the valve.');
    expect(texts(blocks)).not.toContain('Marked');
  });

  test('that it was opened says nothing of what was found, until somebody does', () => {
    const found = { cause: null, depthMm: null, offMarkM: null, pipe: '', advice: '' };
    const blocks = leakSheets(hunted({ mark: null, found }), null, () => undefined, 'C');
    expect(title(blocks)).toBe('Opened; what was found is not noted');
    expect(texts(blocks)).not.toContain('cold water pipe found');
  });
});
