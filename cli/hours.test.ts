import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { CoreError } from '@core/ground/errors';
import { errorOf, februaryWeek } from '@core/testing/material';
import { hours } from './hours';

interface Answer {
  season: string;
  hours: {
    time: string;
    inside: { score: number; difference: number; reasons: string[]; forNumbers: boolean };
    facades: { azimuth: number; score: number; sunExcess: number; reasons: string[] }[];
  }[];
  best: { from: string; to: string; score: number; facades: number[]; summary: string }[];
  warnings: unknown[];
}

const folder = mkdtempSync(path.join(tmpdir(), 'den-hours-'));
const file = (name: string, text: string) => {
  writeFileSync(path.join(folder, name), text);
  return path.join(folder, name);
};

const SITE = {
  latitude: 51.2,
  longitude: 1,
  timezone: 'Europe/London',
  inside_c: 20,
  strictness: 'usual',
  facades: [
    { azimuth: 0, wall: 'brick' },
    { azimuth: 180, wall: 'brick' },
  ],
};
const week = file('week.csv', februaryWeek);
const site = file('site.json', JSON.stringify(SITE));
const answer = async (...words: string[]) => (await hours(words)).document as Answer;
const refusal = async (...words: string[]) =>
  hours(words).then(
    () => errorOf(() => undefined),
    (error: CoreError) => error,
  );

test('every hour has its scores with reasons, and the best slots are named in UTC', async () => {
  const { season, hours: all, best, warnings } = await answer(week, '--site', site);
  expect({ season, warnings }).toEqual({ season: 'heated', warnings: [] });
  expect(all).toHaveLength(168);
  expect(all[0]!.time).toBe('2027-02-08T00:00:00Z');
  expect(all[0]!.inside.difference).toBeCloseTo(18.9, 6);
  expect(all[0]!.facades.map(({ azimuth }) => azimuth)).toEqual([0, 180]);
  expect(best.length).toBeGreaterThan(0);
  for (const slot of best) {
    expect(slot.from).toMatch(/^2027-02-\d\dT\d\d:00:00Z$/);
    expect(slot.summary).not.toBe('');
    expect(slot.facades.every((azimuth) => [0, 180].includes(azimuth))).toBe(true);
  }
});

test('after the sunny day the south wall is held back for hours, the north wall is not', async () => {
  const { hours: all } = await answer(week, '--site', site);
  const evening = all.find(({ time }) => time === '2027-02-10T18:00:00Z')!;
  const [north, south] = evening.facades;
  expect(south!.sunExcess).toBeGreaterThan(north!.sunExcess + 3);
  expect(south!.score).toBeLessThan(north!.score - 0.5);
  expect(south!.reasons.join()).toMatch(/south wall still .* over the shade/);
});

test('what is missing or wrong is said, with the file', async () => {
  expect(await refusal(week)).toMatchObject({ code: 'bad_usage' });
  expect(await refusal(week, '--site', path.join(folder, 'none.json'))).toMatchObject({ code: 'not_found' });
  expect(await refusal(week, '--site', file('broken.json', '{'))).toMatchObject({ code: 'malformed' });
  const nowhere = file('nowhere.json', JSON.stringify({ ...SITE, latitude: 97 }));
  expect(await refusal(week, '--site', nowhere)).toMatchObject({ code: 'bad_input', where: { argument: 'latitude' } });
  const zoneless = file('zoneless.csv', februaryWeek.replaceAll('Z,', ','));
  expect(await refusal(zoneless, '--site', site)).toMatchObject({ code: 'malformed', where: { file: zoneless, line: 2 } });
});
