import { createHash } from 'node:crypto';
import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { finished } from 'node:stream/promises';
import fc from 'fast-check';
import { ZipFile } from 'yazl';
import { CoreError } from '@core/ground/errors';
import { openBackup } from './open';
import type { BackupSource } from './manifest';

const folder = mkdtempSync(path.join(os.tmpdir(), 'den-backup-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const sha = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex');
const quiet = () => undefined;

const BLOBS = [Buffer.from('first'), Buffer.alloc(70_000, 7)];
const ROWS: Record<string, (string | null)[][]> = {
  site: [
    ['01', 'Zürich \u2028 „Süd“', null],
    ['02', 'line\nbreak', '0.30000000000000004'],
  ],
  visit: [],
};

interface Entries {
  [name: string]: Buffer;
}

function entries(change: (manifest: Record<string, never>) => void = quiet, rows = ROWS): Entries {
  const made: Entries = {};
  const tables: Record<string, unknown> = {};
  for (const [table, lines] of Object.entries(rows)) {
    const text = Buffer.from(lines.map((row) => `${JSON.stringify(row)}\n`).join(''));
    made[`rows/${table}.ndjson`] = text;
    tables[table] = { columns: ['id', 'name', 'latitude'], rows: lines.length, bytes: text.length, sha256: sha(text) };
  }
  for (const blob of BLOBS) made[`blobs/${sha(blob)}`] = blob;
  const manifest = {
    format: 'glow-den-backup',
    version: 1,
    madeAt: '2026-02-11T19:10:00.000Z',
    migrations: ['a'.repeat(64)],
    tables,
    blobs: { count: BLOBS.length, bytes: BLOBS.reduce((sum, { length }) => sum + length, 0) },
  };
  change(manifest as never);
  made['manifest.json'] = Buffer.from(JSON.stringify(manifest));
  return made;
}

async function fileOf(made: Entries, compress = false): Promise<string> {
  const zip = new ZipFile();
  for (const [name, bytes] of Object.entries(made)) zip.addBuffer(bytes, name, { compress });
  zip.end();
  const file = path.join(folder, 'a.backup');
  const out = createWriteStream(file);
  zip.outputStream.pipe(out);
  await finished(out);
  return file;
}

async function everything(source: BackupSource): Promise<unknown> {
  const found: unknown[] = [];
  for await (const part of source.contents()) {
    if ('blobs' in part)
      for await (const { sha: name, bytes } of part.blobs) found.push([name, Buffer.from(bytes).toString('hex')]);
    else for await (const row of part.rows) found.push([part.table, part.columns, row]);
  }
  source.close();
  return found;
}

const refusal = (file: string) =>
  openBackup(file, quiet).then(
    (source) => (source.close(), 'opened'),
    (error: CoreError) => `${error.code}: ${error.message}`,
  );

test('a whole one gives its rows and bytes, as often as it is asked', async () => {
  const source = await openBackup(await fileOf(entries()), quiet);
  expect(source.counts).toEqual({ site: 2, visit: 0, blob: 2 });
  expect(source.migrations).toEqual(['a'.repeat(64)]);
  const columns = ['id', 'name', 'latitude'];
  expect(await everything({ ...source, close: quiet })).toEqual([
    ...ROWS.site!.map((row) => ['site', columns, row]),
    ...BLOBS.map((blob) => [sha(blob), blob.toString('hex')]),
  ]);
  expect(await everything(source)).toHaveLength(4);
});

test.each<[string, () => Entries, RegExp]>([
  ['of another program', () => entries((m) => Object.assign(m, { format: 'other' })), /format/],
  ['of a newer version', () => entries((m) => Object.assign(m, { version: 2 })), /^unsupported: .*newer/],
  ['without its list', () => ({ 'rows/site.ndjson': Buffer.alloc(0) }), /no list/],
  ['whose list is no JSON', () => ({ ...entries(), 'manifest.json': Buffer.from('{') }), /list of what is in it cannot be read/],
  ['with rows that its list does not know', () => ({ ...entries(), 'rows/other.ndjson': Buffer.alloc(0) }), /does not know/],
  ['with a row too many', () => entries(quiet, { ...ROWS, visit: [['1', '2', '3']] }), /opened/],
  [
    'with a row of other length',
    () => entries(quiet, { ...ROWS, visit: [['1', '2']] }),
    /row 1 of visit has 2 fields instead of 3/,
  ],
  [
    'with numbers for texts',
    () => entries(quiet, { ...ROWS, visit: [[1 as never, '2', '3']] }),
    /row 1 of visit is no list of texts/,
  ],
  ['with a strange entry', () => ({ ...entries(), 'rows/../x.ndjson': Buffer.alloc(0) }), /cannot be used/],
  ['with bytes under another name', () => ({ ...entries(), [`blobs/${'b'.repeat(64)}`]: Buffer.from('x') }), /blobs of/],
])('one %s is told apart', async (_name, make, expected) => {
  const made = make();
  const file = path.join(folder, 'a.backup');
  if (Object.keys(made).some((name) => name.includes('..'))) {
    // The library that writes would not; whoever means harm does.
    const good = readFileSync(await fileOf({ ...entries(), 'rows/aaaa.ndjson': Buffer.alloc(0) }));
    writeFileSync(file, Buffer.from(good.toString('latin1').replaceAll('rows/aaaa.', 'rows/../x.'), 'latin1'));
  } else await fileOf(made);
  expect(await refusal(file)).toMatch(expected);
});

test('a packed one is refused, whatever it holds', async () => {
  expect(await refusal(await fileOf(entries(), true))).toMatch(/packed or locked/);
});

test('cut off anywhere, it is refused', async () => {
  const whole = readFileSync(await fileOf(entries()));
  const file = path.join(folder, 'cut.backup');
  for (const share of [0, 0.1, 0.5, 0.9, 0.999]) {
    writeFileSync(file, whole.subarray(0, Math.floor(whole.length * share)));
    expect(await refusal(file)).toMatch(/^malformed: The backup cannot be used/);
  }
});

test('with any byte changed it is refused, or says the very same', async () => {
  const whole = readFileSync(await fileOf(entries()));
  const file = path.join(folder, 'changed.backup');
  writeFileSync(file, whole);
  const truth = JSON.stringify(await everything(await openBackup(file, quiet)));
  await fc.assert(
    fc.asyncProperty(fc.nat(whole.length - 1), fc.integer({ min: 1, max: 255 }), async (at, by) => {
      const changed = Buffer.from(whole);
      changed[at]! ^= by;
      writeFileSync(file, changed);
      const outcome = await openBackup(file, quiet).then(
        async (source) => JSON.stringify(await everything(source)),
        (error: unknown) => error,
      );
      if (outcome instanceof CoreError) expect(['malformed', 'unsupported']).toContain(outcome.code);
      else expect(outcome).toBe(truth);
    }),
    // One column of the list is called otherwise: still a list, but not the one that was written.
    { numRuns: 400, examples: [[whole.indexOf('"name"') + 1, 1]] },
  );
}, 60_000);
