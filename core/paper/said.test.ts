import fc from 'fast-check';
import { letterOf } from './letterOf';
import { USUAL } from '../ground/usual';
import { ALL_TOLD, type ToldVisit, toldVisits, visitTold } from '../testing/randomVisit';
import { papersOf } from '../testing/papersOf';
import { ID, wallPixels } from '../testing/visit';
import * as format from '../ground/format';
import { compareRegions } from '../work/visit/readings';

const VISITS = 400;
const WALL = wallPixels();
/** Another world, in which something else is usual. */
const ELSEWHERE: Record<keyof typeof USUAL, unknown> = {
  airC: 17,
  outsideC: 5,
  cloudPct: 10,
  windMs: 6,
  outsideHumidityPct: 95,
  frontAzimuth: 90,
  emissivity: 0.85,
  mouldFactor: 0.8,
  flowSetC: 50,
  exponent: 1.1,
  turnsOpen: 3,
  pipe: { material: 'steel', outerMm: 35, wallMm: 2, laggingMm: 20, hoursYear: 2000 },
  side: 'cold',
  covering: 'carpet',
  coverMm: 90,
  hotWaterC: 62,
  mainsC: 6,
  intervalS: 30,
};

function inWorld<T>(key: keyof typeof USUAL, look: () => T): T {
  const here = { ...USUAL };
  try {
    Object.assign(USUAL, { [key]: ELSEWHERE[key] });
    return look();
  } finally {
    Object.assign(USUAL, here);
  }
}

const MARK = /assumed|taken as|usual ± taken/i;

/** What a sheet says otherwise in another world although nothing there names what is usual; empty where it is named. */
function unnamed(here: string[][], there: string[][]): string[] {
  const changedIn = (k: number) => (here[k] ?? []).filter((text, i) => text !== there[k]?.[i]);
  const named = (k: number) => changedIn(k).some((text) => MARK.test(text));
  return here.flatMap((_, k) => {
    const changed = changedIn(k);
    // The first sheet sums up the others.
    return changed.length === 0 || named(k) || (k === 0 && here.some((__, other) => named(other))) ? [] : changed;
  });
}

const fresh = (told: ToldVisit) => structuredClone(visitTold(told));

describe('papers of visits of which not everything was said', () => {
  test('name every usual value that anything on them follows from', () => {
    fc.assert(
      fc.property(toldVisits, fc.constantFrom(...(Object.keys(USUAL) as (keyof typeof USUAL)[])), (told, key) => {
        const here = papersOf(fresh(told));
        const there = inWorld(key, () => papersOf(fresh(told)));
        for (const [paper, sheets] of here)
          expect({ paper, key, says: unnamed(sheets, there.get(paper)!) }).toMatchObject({ says: [] });
      }),
      { numRuns: VISITS },
    );
  });

  test('of which everything was said are the same whatever is usual', () => {
    fc.assert(
      fc.property(toldVisits, fc.constantFrom(...(Object.keys(USUAL) as (keyof typeof USUAL)[])), (one, key) => {
        // Cold mains, the humidity outside and which way a house faces nobody is asked for.
        if (key === 'mainsC' || key === 'outsideHumidityPct') return;
        const told = ALL_TOLD(one);
        expect(inWorld(key, () => papersOf(fresh(told)))).toEqual(papersOf(fresh(told)));
      }),
      { numRuns: VISITS / 4 },
    );
  });

  /** Labels of facts, and whether somebody said what stands there. */
  const SAID: [RegExp, (told: ToldVisit) => boolean][] = [
    [/^Air inside:/, ({ air }) => air],
    [/^Air outside:/, ({ air }) => air],
    [/^Difference:/, ({ air }) => air],
    [/^Humidity inside:/, ({ humidity }) => humidity],
    [/^Wind:/, ({ wind }) => wind],
    [/^Last sun on a wall:/, ({ sun }) => sun],
    [/^Last rain:/, ({ rain }) => rain],
    [/^Distance:/, ({ distance }) => distance],
    [/^Camera:/, ({ camera }) => camera === 'known'],
    [/^Flow set to:/, ({ flow }) => flow],
    [/^Drop aimed at:/, ({ school }) => school],
    [/^Fuel:/, ({ fuel }) => fuel !== null],
    [/^Licence:/, ({ licence }) => licence],
    [/^Mains:/, ({ room }) => room],
    [/^Floor:/, ({ cover, covering }) => cover && covering],
    [/^Water:/, ({ hot, water }) => hot && water],
    [/^Cause:/, ({ opened }) => opened === 'told'],
  ];

  const OPEN = /not (noted|read|known)|none named|nobody named|assumed|usual ± taken|no frames/i;

  test('say of what nobody said that it is not noted, or assumed', () => {
    fc.assert(
      fc.property(toldVisits, (told) => {
        for (const [paper, sheets] of papersOf(fresh(told), false))
          for (const text of sheets.flat())
            for (const [label, said] of SAID)
              if (label.test(text)) expect({ paper, text, open: OPEN.test(text) }).toEqual({ paper, text, open: !said(told) });
      }),
      { numRuns: VISITS },
    );
  });

  test('state lockshields and drops as they were read and counted, and none that nobody did', () => {
    fc.assert(
      fc.property(toldVisits, (told) => {
        const rows = papersOf(fresh(told), false)
          .get('heating')![0]!
          .filter((text) => / \| /.test(text));
        rows.slice(0, 3).forEach((text, k) => {
          const [, lockshield, , dropNow] = text.split(' | ') as [string, string, string, string];
          const turned = k < told.turned;
          expect(lockshield).toBe(
            turned ? (told.counted ? '2 ¼ to 1 ⅛' : '1 ⅛; found: not noted') : told.counted ? '2 ¼' : 'not noted',
          );
          if (k >= told.read) expect(dropNow).toBe('–');
          else expect(dropNow).toBe(`${(12.1 - k).toFixed(1)} K, 08:${40 + k}${turned ? '; not read since it was turned' : ''}`);
        });
      }),
      { numRuns: VISITS },
    );
  });

  test('state readings as the ledger does, to the digit', () => {
    fc.assert(
      fc.property(toldVisits, (told) => {
        const document = fresh(told);
        const { difference } = compareRegions(document, ID.suspect, ID.sound, WALL, WALL, 'mean');
        const words = `${format.signedDifference(difference.value, 'C')} ${format.spread(difference.value, difference.uncertainty, 'C')}`;
        const report = papersOf(document, false).get('report')!;
        expect(report.flat()).toContain(words);
        expect(report[0]!.some((text) => text.startsWith(`Cold sill: ${words}`))).toBe(true);
      }),
      { numRuns: VISITS / 4 },
    );
  });

  test('letters name no day, hour or warmth that nobody settled', () => {
    fc.assert(
      fc.property(toldVisits, (told) => {
        const letter = letterOf(fresh(told), null, 'C');
        expect(/\d\d:\d\d/.test(letter)).toBe(told.slot);
        expect(/°C/.test(letter)).toBe(told.expected);
        expect(/practice/i.test(letter)).toBe(told.practice);
        expect(letter).not.toContain('chosen by');
      }),
      { numRuns: VISITS },
    );
  });
});
