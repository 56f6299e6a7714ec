import { spawnSync } from 'node:child_process';
import { bench } from './bench';

const den = (...words: string[]) => spawnSync('./den', words, { encoding: 'utf8' });

const VERBS = [
  'start',
  'stop',
  'reset',
  'backup',
  'restore',
  'tidy',
  'build',
  'test',
  'bench',
  'attack',
  'read',
  'convert',
  'detect',
  'compare',
  'timelapse',
  'radiator',
  'balance',
  'valve',
  'wet',
  'hours',
];

test.each(VERBS)('%s --help says what it is for, and does nothing', (verb) => {
  const { status, stdout } = den(verb, '--help');
  expect([status, stdout.startsWith(`./den ${verb}`)]).toEqual([0, true]);
  expect(den(verb, '-h').stdout).toBe(stdout);
});

test('help names every verb that there is, and a verb that there is not is refused', () => {
  const named = new Set([...den('help').stdout.matchAll(/^\.\/den (\w+)/gm)].map(([, verb]) => verb));
  expect([...named].sort()).toEqual([...VERBS].sort());
  expect(den('nonsense', '--help').status).toBe(2);
});

test('a verb of the core shows its examples', () => {
  expect(den('compare', '--help').stdout).toContain('--after inside=20,outside=4');
});

test('bench measures what was named, and nothing else', () => {
  const { document, refused } = bench(['statistics,tiff']);
  expect(document).toEqual({ statistics: expect.any(Number), decode: { tiff: expect.any(Number) } });
  expect(refused).toBe(false);
  expect(() => bench(['statistics,ghost'])).toThrow(
    expect.objectContaining({ code: 'bad_usage', hint: expect.stringContaining('registerLarge') }),
  );
});
