import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { gzipSync } from 'node:zlib';
import type { VisitDocument } from '@core/model/document';
import type { Den } from '../../e2e/support/den';
import { demoVisit, documentOf, newVisit } from './api';
import { attack, seen, type Attack } from './case';
import { zipOf, type ZipEntry } from './files';

/** The entries of a backup, for somebody who wants to change them. */
export function entriesIn(backup: Buffer): Map<string, Buffer> {
  const entries = new Map<string, Buffer>();
  let at = backup.readUInt32LE(backup.length - 22 + 16);
  while (at + 46 <= backup.length && backup.readUInt32LE(at) === 0x02014b50) {
    const [size, names, extra, comment] = [24, 28, 30, 32].map((place, i) =>
      i === 0 ? backup.readUInt32LE(at + place) : backup.readUInt16LE(at + place),
    ) as [number, number, number, number];
    const head = backup.readUInt32LE(at + 42);
    const name = backup.subarray(at + 46, at + 46 + names).toString();
    const start = head + 30 + backup.readUInt16LE(head + 26) + backup.readUInt16LE(head + 28);
    entries.set(name, backup.subarray(start, start + size));
    at += 46 + names + extra + comment;
  }
  return entries;
}

const zipped = (entries: Map<string, Buffer>, change: (name: string) => Partial<ZipEntry> = () => ({})) =>
  zipOf([...entries].map(([name, content]) => ({ name, content, ...change(name) })));

interface Manifest {
  version: number;
  migrations: string[];
  tables: Record<string, { rows: number; bytes: number; sha256: string; columns: string[] }>;
}

/** A true backup with its list changed. */
function withManifest(entries: Map<string, Buffer>, change: (manifest: Manifest) => void): Map<string, Buffer> {
  const manifest = JSON.parse(entries.get('manifest.json')!.toString()) as Manifest;
  change(manifest);
  return new Map([...entries, ['manifest.json', Buffer.from(JSON.stringify(manifest))]]);
}

/** A stopped Glow Den, what it holds, and a true backup of it. */
interface Stopped {
  visit: string;
  document: VisitDocument;
  entries: Map<string, Buffer>;
}

const stopped = new WeakMap<Den, Stopped>();

/** What all files that must be refused are tried on: stopped once, because starting and stopping takes longer than refusing. */
async function stoppedOf(den: Den): Promise<Stopped> {
  const before = stopped.get(den);
  if (before) return before;
  const visit = await demoVisit(den);
  const made = { visit, document: await documentOf(den, visit), entries: entriesIn(await backupOf(den)) };
  await den.interrupt();
  stopped.set(den, made);
  return made;
}

/** Restores a file that must be refused. */
async function refusedRestore(
  den: Den,
  make: (entries: Map<string, Buffer>) => Buffer,
): Promise<{ seen: string; held: boolean }> {
  const { entries } = await stoppedOf(den);
  const file = path.join(den.data, 'hostile.backup');
  writeFileSync(file, make(entries));
  const { status, output } = den.run('restore', file, '--yes');
  rmSync(file);
  const ran = existsSync(MARK);
  rmSync(MARK, { force: true });
  return seen(
    `${status === 1 ? 'refused' : `ended with ${status}`}${ran ? ', PROGRAM RAN' : ''}: ${output.trim().split('\n').at(-1)!.slice(0, 110)}`,
    status === 1 && !ran && output.includes('cannot be used') !== output.includes('was made by'),
  );
}

const MARK = '/tmp/den-attack-mark';

function oldBackup(sql: string): Buffer {
  return gzipSync(`${sql}\n-- glow den checksums ${Buffer.from('site\t1').toString('base64')}\n`);
}

/** A true backup of the running Glow Den. */
async function backupOf(den: Den): Promise<Buffer> {
  const file = path.join(den.data, 'true.backup');
  const { status, output } = await den.beside('backup', file);
  if (status !== 0) throw new Error(output);
  const bytes = readFileSync(file);
  rmSync(file);
  return bytes;
}

const hostileOld: [string, () => Buffer][] = [
  ['the client’s shell escape in a packed dump', () => oldBackup(`\\! touch ${MARK}\nsystem touch ${MARK}\n`)],
  ['a dump that writes a file', () => oldBackup(`SELECT 'x' INTO OUTFILE '${MARK}';`)],
  ['a dump that drops the live database', () => oldBackup('DROP DATABASE glowden_1; DROP DATABASE glowden;')],
  ['a dump with an expression for a value', () => oldBackup("INSERT INTO `site` VALUES\n(LOAD_FILE('/etc/passwd'));")],
  // One packed part after the other is one file to whoever unpacks it.
  ['a dump of 2 MB that becomes 2 GB', () => Buffer.concat(Array<Buffer>(70).fill(gzipSync(Buffer.alloc(30_000_000, '\n'))))],
];

const hostileNew: [string, (entries: Map<string, Buffer>) => Buffer][] = [
  ['a backup of a newer version', (entries) => zipped(withManifest(entries, (manifest) => (manifest.version = 99)))],
  [
    'a backup of a newer schema',
    (entries) => zipped(withManifest(entries, (manifest) => manifest.migrations.push('0'.repeat(64)))),
  ],
  [
    'a backup without the rows of a table',
    (entries) => zipped(new Map([...entries].filter(([name]) => name !== 'rows/frame.ndjson'))),
  ],
  [
    'a backup whose list leaves out a table',
    (entries) =>
      zipped(
        new Map(
          [
            ...withManifest(entries, (manifest) => {
              delete manifest.tables.finding;
            }),
          ].filter(([name]) => name !== 'rows/finding.ndjson'),
        ),
      ),
  ],
  [
    'a backup with a changed row',
    (entries) =>
      zipped(
        new Map([
          ...entries,
          ['rows/site.ndjson', Buffer.from(entries.get('rows/site.ndjson')!.toString().replace('Kiln', 'Koln'))],
        ]),
      ),
  ],
  [
    'a backup with a changed byte in a blob',
    (entries) => {
      const [name, content] = [...entries].find(([one]) => one.startsWith('blobs/'))!;
      const changed = Buffer.from(content);
      changed[0]! ^= 1;
      return zipped(new Map([...entries, [name, changed]]));
    },
  ],
  [
    'a packed bomb in a backup',
    (entries) =>
      zipped(new Map([...entries, ['blobs/' + 'a'.repeat(64), Buffer.alloc(300e6)]]), (name) => ({
        packed: name.endsWith('aaaa'),
      })),
  ],
  [
    'a backup whose parts lie over one another',
    (entries) =>
      zipOf([
        ...[...entries].map(([name, content]) => ({ name, content })),
        ...Array.from({ length: 4000 }, (_, i) => ({
          name: `blobs/${i.toString(16).padStart(64, '0')}`,
          content: [...entries.values()][0]!,
          over: 0,
        })),
      ]),
  ],
  [
    'a backup with a path that climbs',
    (entries) => zipped(new Map([...entries, ['../../../tmp/den-attack-mark', Buffer.from('x')]])),
  ],
  ['half of a backup', (entries) => zipped(entries).subarray(0, 9_000_000)],
  ['a picture instead of a backup', () => readFileSync('docs/screenshots/bench.png')],
];

export const RESTORE: Attack[] = [
  ...hostileOld.map(([name, make]) =>
    attack(`restore ${name}`, 'refused, nothing ran', (den) => refusedRestore(den, () => make())),
  ),
  ...hostileNew.map(([name, make]) => attack(`restore ${name}`, 'refused', (den) => refusedRestore(den, make))),
  attack('start after all of these', 'data as it was', async (den) => {
    const { visit, document } = await stoppedOf(den);
    await den.start();
    const same = isDeepStrictEqual(document, await documentOf(den, visit));
    return seen(same ? 'data as it was' : 'DATA CHANGED', same);
  }),
  attack('restore while Glow Den runs', 'refused', async (den) => {
    const file = path.join(den.data, 'while.backup');
    await den.beside('backup', file);
    const { status, output } = await den.beside('restore', file, '--yes');
    rmSync(file);
    return seen(output.trim().slice(0, 90), status === 1 && output.includes('Stop it with ./den stop'));
  }),
  attack('restore with nobody to ask', 'nothing changed', async (den) => {
    const file = path.join(den.data, 'asked.backup');
    await den.beside('backup', file);
    await den.interrupt();
    const { status, output } = den.run('restore', file);
    rmSync(file);
    await den.start();
    return seen(output.trim().split('\n').at(-1)!.slice(-60), status === 1 && output.includes('Nothing was changed'));
  }),
  attack(
    'a restore that was a mistake, taken back with --previous',
    'what was before is back, with what came after the backup',
    async (den) => {
      const file = path.join(den.data, 'mistake.backup');
      await den.beside('backup', file);
      const visit = await newVisit(den, 'After the backup');
      await den.interrupt();
      const restored = den.run('restore', file, '--yes');
      const back = den.run('restore', '--previous');
      rmSync(file);
      await den.start();
      const there = (await documentOf(den, visit)).visitId === visit;
      await den.interrupt();
      const late = den.run('restore', '--previous');
      await den.start();
      return seen(
        `ended with ${restored.status}, ${back.status}; ${there ? 'back' : 'LOST'}; after a start that worked: ${late.output.trim().slice(0, 60)}`,
        restored.status === 0 && back.status === 0 && there && late.status === 1 && late.output.includes('nothing from before'),
      );
    },
  ),
  attack('look at a backup while it is written', '0600 from the first byte', async (den) => {
    const file = path.join(den.data, 'watched.backup');
    const modes = new Set<string>();
    const done = den.beside('backup', file);
    let going = true;
    void done.then(() => (going = false));
    while (going) {
      for (const name of readdirSync(den.data)) {
        if (name.startsWith('watched.backup') && existsSync(path.join(den.data, name)))
          modes.add((statSync(path.join(den.data, name)).mode & 0o777).toString(8));
      }
      await new Promise((resolve) => setTimeout(resolve, 2));
    }
    rmSync(file);
    return seen([...modes].join(', '), modes.size === 1 && modes.has('600'));
  }),
];
