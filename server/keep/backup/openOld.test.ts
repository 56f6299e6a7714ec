import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import type { CoreError } from '@core/ground/errors';
import { knownMigrations } from '../migrations';
import { openOldBackup } from './openOld';

const folder = mkdtempSync(path.join(os.tmpdir(), 'den-old-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const [first, second] = knownMigrations();
const JOURNAL = `INSERT INTO \`__drizzle_migrations\` VALUES\n(1,'${first!.hash}',1),\n(2,'${second!.hash}',2);`;
const SUMS = `-- glow den checksums ${Buffer.from('__drizzle_migrations\t1\nblob\t2\nsite\t3').toString('base64')}`;
const DUMP = [
  '-- MariaDB dump',
  '/*!40101 SET NAMES utf8mb4 */;',
  'DROP TABLE IF EXISTS `site`;',
  'CREATE TABLE `site` (`id` binary(16), `name` varchar(120));',
  JOURNAL,
  "INSERT INTO `site` VALUES\n(0x01,'It''s „here“; really',NULL),\n(0x02,'two',-1.5);",
  'INSERT INTO `blob` VALUES\n(0xAA,2,0xBEEF);',
  SUMS,
].join('\n');

async function open(dump: string | Buffer) {
  const file = path.join(folder, 'a.backup');
  writeFileSync(file, Buffer.isBuffer(dump) ? dump : gzipSync(`${dump}\n`));
  return openOldBackup(file, statSync(file).size, () => undefined);
}
const refusal = (dump: string | Buffer) =>
  open(dump).then(
    () => 'opened',
    (error: CoreError) => `${error.code}: ${error.message}`,
  );

test('rows and bytes come out as values; everything else is passed over', async () => {
  const source = await open(DUMP);
  expect(source.migrations).toEqual([first!.hash, second!.hash]);
  expect(source.counts).toEqual({ site: 2, blob: 1 });
  expect(source.checksums).toEqual({ blob: '2', site: '3' });
  const found: unknown[] = [];
  for await (const part of source.contents()) {
    if ('blobs' in part) for await (const { sha, bytes } of part.blobs) found.push([sha, Buffer.from(bytes).toString('hex')]);
    else for await (const row of part.rows) found.push([part.table, part.columns, row]);
  }
  expect(found).toEqual([
    ['site', null, ['01', "It's „here“; really", null]],
    ['site', null, ['02', 'two', '-1.5']],
    ['aa', 'beef'],
  ]);
});

test.each<[string, string | Buffer, RegExp]>([
  ['without checksums', DUMP.replace(SUMS, ''), /checksums are missing/],
  ['with something behind its checksums', `${DUMP}\nDROP DATABASE x;`, /more behind its checksums/],
  ['without a version', DUMP.replace(JOURNAL, ''), /which version/],
  ['of another version', DUMP.replace(second!.hash, '0'.repeat(64)), /^unsupported: .*another version/],
  ['with a function for a value', DUMP.replace('-1.5', "LOAD_FILE('/etc/passwd')"), /rows of site cannot be read/],
  [
    'with checksums that are none',
    DUMP.replace(SUMS, `-- glow den checksums ${Buffer.from('x y').toString('base64')}`),
    /checksums cannot be read/,
  ],
  ['that is not packed', Buffer.from(DUMP), /damaged, or no backup/],
  ['cut off', gzipSync(DUMP).subarray(0, 200), /damaged, or no backup/],
])('one %s is refused', async (_name, dump, expected) => {
  expect(await refusal(dump)).toMatch(expected);
});
