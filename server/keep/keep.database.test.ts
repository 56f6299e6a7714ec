import { createHash } from 'node:crypto';
import { existsSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { Connection, RowDataPacket } from 'mysql2/promise';
import { stopKeyOf } from '@core/work/round/stops';
import { idSchema } from '@core/ground/fields';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { rowIdFrom } from '@core/ground/rowId';
import { withConnection } from './access';
import { allowLoading, endLoading } from './accounts';
import { backupTo } from './backupCommand';
import { openBackup } from './backup/open';
import { replaceBy } from './fresh';
import { dropLeftOver, findLive, pendingMigrations, setLive } from './live';
import { dropLooseBytes, dropOldRecords, findLeftover } from './tidy';
import { knownMigrations } from './migrations';
import { liveDatabase, olderDatabase, testDatabase, type TestDatabase } from './testing';

let test_: TestDatabase;
beforeAll(async () => {
  test_ = await testDatabase('keep');
  await liveDatabase(test_);
});
afterAll(() => test_.end());

const quiet = () => undefined;
const liveName = () => test_.asRoot(async (root) => (await findLive(root, test_.folder))!.database);

/** Everything in a database, as text. */
async function contentOf(connection: Connection, database: string): Promise<string> {
  const [tables] = await connection.query<RowDataPacket[]>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ? ORDER BY 1',
    [database],
  );
  const parts: string[] = [];
  for (const { name } of tables) {
    const [rows] = await connection.query<RowDataPacket[]>('SELECT * FROM ??.?? ORDER BY 1', [database, name]);
    parts.push(`${name}: ${JSON.stringify(rows)}`);
  }
  return parts.join('\n');
}
const content = () => test_.asRoot(async (root) => contentOf(root, await liveName()));

/** Rows with everything that is hard to carry over. */
async function addOddRows(): Promise<void> {
  await test_.asRoot(async (root) => {
    await root.query('USE ??', [await liveName()]);
    const names = ['plain', 'Zürich „Süd“ – 𝒳 🔥', 'line\nbreak \u2028 and \u2029', `quote ' " \\ % _`, '\t tab', '−12 °C'];
    for (const [i, name] of names.entries()) {
      const id = Buffer.alloc(16, i + 1);
      await root.query('INSERT INTO site (id, name, time_zone, latitude, longitude, facades) VALUES (?, ?, ?, ?, ?, ?)', [
        id,
        name,
        'Europe/London',
        0.1 + 0.2,
        -179.99999999999997,
        JSON.stringify([{ azimuth: 1e-7 }]),
      ]);
      await root.query(
        "INSERT INTO visit (id, site_id, title, started_at, fixed) VALUES (?, ?, 'a', '2026-02-11 19:10:00.123', NULL)",
        [Buffer.alloc(16, 100 + i), id],
      );
    }
    for (const size of [0, 1, 1000, 3_000_000]) {
      const bytes = Buffer.alloc(size, size % 251);
      await root.query('INSERT INTO `blob` (sha, size, bytes) VALUES (?, ?, ?)', [
        createHash('sha256').update(bytes).digest(),
        size,
        bytes,
      ]);
    }
  });
}

describe('accounts', () => {
  const refused = (account: 'den' | 'loader', statement: string) =>
    withConnection(test_.access, account, account === 'den' ? process.env.DEN_DB_NAME! : undefined, (connection) =>
      connection.query(statement),
    ).then(
      () => 'allowed',
      (error: { code: string }) => error.code,
    );

  test('the application reads and writes its rows and nothing else', async () => {
    expect(await refused('den', 'SELECT COUNT(*) FROM site')).toBe('allowed');
    expect(await refused('den', 'DROP TABLE site')).toBe('ER_TABLEACCESS_DENIED_ERROR');
    expect(await refused('den', 'CREATE DATABASE other')).toBe('ER_DBACCESS_DENIED_ERROR');
    expect(await refused('den', "SELECT 1 INTO OUTFILE '/tmp/den-test-file'")).toBe('ER_SPECIFIC_ACCESS_DENIED_ERROR');
    expect(await refused('den', 'SELECT * FROM mysql.global_priv')).toBe('ER_TABLEACCESS_DENIED_ERROR');
  });

  test('who fills a fresh database reaches that one only, and nothing any more when it is filled', async () => {
    expect(await refused('loader', 'SELECT 1')).toBe('ER_ACCESS_DENIED_ERROR');
    const live = await liveName();
    await test_.asRoot(async (root) => {
      await root.query('CREATE DATABASE glowden_99');
      await allowLoading(root, test_.access, 'glowden_99');
    });
    expect(await refused('loader', 'CREATE TABLE glowden_99.a (b INT)')).toBe('allowed');
    expect(await refused('loader', 'CREATE TABLE glowdenx99.a (b INT)')).toBe('ER_TABLEACCESS_DENIED_ERROR');
    expect(await refused('loader', `SELECT * FROM ${live}.site`)).toBe('ER_TABLEACCESS_DENIED_ERROR');
    expect(await refused('loader', `DROP DATABASE ${live}`)).toBe('ER_DBACCESS_DENIED_ERROR');
    expect(await refused('loader', "SELECT * FROM glowden_99.a INTO OUTFILE '/tmp/den-test-file'")).toBe(
      'ER_SPECIFIC_ACCESS_DENIED_ERROR',
    );
    await test_.asRoot(async (root) => {
      await endLoading(root);
      await dropLeftOver(root, await findLive(root, test_.folder));
    });
  });
});

describe('a backup', () => {
  const file = () => path.join(test_.folder.root, 'a.backup');

  test('carries everything over, to the last digit', async () => {
    await addOddRows();
    const before = await content();
    await backupTo(test_.access, test_.folder, file());
    expect(statSync(file()).mode & 0o777).toBe(0o600);
    const old = await liveName();
    const source = await openBackup(file(), quiet);
    expect(source.counts).toMatchObject({ site: 6, visit: 6, blob: 4 });
    await replaceBy(test_.access, test_.folder, source, 'Restoring');
    source.close();
    expect(await liveName()).not.toBe(old);
    const after = await content();
    // When each migration ran is told by its file's own moment, so even the journal is the same but for its ids.
    expect(after).toBe(before);
    await test_.asRoot(async (root) => expect(await contentOf(root, old)).toBe(before));
  });

  test('leaves nothing beside it, also when it cannot be written', async () => {
    await expect(backupTo(test_.access, test_.folder, path.join(test_.folder.root, 'no', 'folder.backup'))).rejects.toThrow();
    expect(existsSync(path.join(test_.folder.root, 'no'))).toBe(false);
  });

  test('that cannot be loaded leaves the live database and no other', async () => {
    const before = await content();
    const source = await openBackup(file(), quiet);
    const cut = {
      ...source,
      async *contents() {
        for await (const part of source.contents()) if (!('table' in part) || part.table !== 'site') yield part;
      },
    };
    await expect(replaceBy(test_.access, test_.folder, cut, 'Restoring')).rejects.toMatchObject({
      code: 'malformed',
      message: expect.stringContaining('site has 0 rows instead of 6'),
    });
    const orphans = { ...cut, counts: { ...source.counts, site: 0 } };
    await expect(replaceBy(test_.access, test_.folder, orphans, 'Restoring')).rejects.toMatchObject({
      message: expect.stringContaining('6 rows of visit belong to something that is not there'),
    });
    source.close();
    expect(await content()).toBe(before);
  });
});

describe('which database is the live one', () => {
  test('is found where the word was lost, as long as there is one', async () => {
    const before = await test_.asRoot(async (root) => {
      const live = (await findLive(root, test_.folder))!;
      await dropLeftOver(root, { ...live, previous: null });
      return live.database;
    });
    rmSync(test_.folder.live);
    expect(await liveName()).toBe(before);
    writeFileSync(test_.folder.live, '{"database":"mysql","previous":null}');
    expect(await liveName()).toBe(before);
    expect(JSON.parse(JSON.stringify(await test_.asRoot((root) => findLive(root, test_.folder))))).toEqual({
      database: before,
      previous: null,
    });
  });

  test('one of a newer version is not touched', async () => {
    const name = await liveName();
    await test_.asRoot(async (root) => {
      await root.query("INSERT INTO ??.__drizzle_migrations (hash, created_at) VALUES ('0', 9999999999999)", [name]);
      await expect(pendingMigrations(root, name)).rejects.toMatchObject({ code: 'unsupported' });
      await root.query("DELETE FROM ??.__drizzle_migrations WHERE hash = '0'", [name]);
      expect(await pendingMigrations(root, name)).toBe(0);
    });
  });
});

test('bytes that nothing points to go, others stay', async () => {
  await test_.asRoot(async (root) => {
    const name = await liveName();
    const used = createHash('sha256').update('weather').digest();
    await root.query('INSERT INTO ??.`blob` VALUES (?, 7, ?)', [name, used, Buffer.from('weather')]);
    await root.query(
      "INSERT INTO ??.weather (id, file_name, format, file_sha, starts_at, count, hours, warnings) VALUES (?, 'a', 'csv', ?, NOW(), 0, '[]', '[]')",
      [name, Buffer.alloc(16, 9), used],
    );
    expect(await dropLooseBytes(root, name)).toBe(4);
    expect(await dropLooseBytes(root, name)).toBe(0);
    const [rows] = await root.query<RowDataPacket[]>('SELECT sha FROM ??.`blob`', [name]);
    expect(rows.map(({ sha }) => (sha as Buffer).toString('hex'))).toEqual([used.toString('hex')]);
  });
});

test('records of old commands and changes go, those of this week stay', async () => {
  await test_.asRoot(async (root) => {
    const name = await liveName();
    await root.query('USE ??', [name]);
    for (const [i, days] of [0, 6, 8, 400].entries()) {
      const at = `UTC_TIMESTAMP() - INTERVAL ${days} DAY`;
      await root.query(`INSERT INTO \`command\` (id, at, answer) VALUES (?, ${at}, '{}')`, [Buffer.alloc(16, i + 1)]);
      await root.query(`INSERT INTO \`change\` (at, entity, row_id, version) VALUES (${at}, 'region', ?, 1)`, [
        Buffer.alloc(16, i),
      ]);
    }
    expect(await findLeftover(root, name)).toMatchObject({ commands: 2, changes: 2 });
    await dropOldRecords(root, name);
    expect(await findLeftover(root, name)).toMatchObject({ commands: 0, changes: 0 });
    const [kept] = await root.query<RowDataPacket[]>('SELECT COUNT(*) AS n FROM `change`');
    expect(Number(kept[0]!.n)).toBe(2);
  });
});

describe('an upgrade', () => {
  const known = knownMigrations();
  const lengths = known.slice(1).map(({ statements: own }) => own.length);
  const statements = lengths.reduce((sum, length) => sum + length, 0);
  /** Each statement of the latest migrations, which may still change, and every eighth of those before. */
  const latest = statements - lengths.slice(-3).reduce((sum, length) => sum + length, 0);
  const places = Array.from({ length: statements }, (_, at) => at).filter((at) => at >= latest || at % 8 === 0);

  test(`whose database is killed at ${places.length} of its ${statements} statements leaves the data as it was`, async () => {
    await olderDatabase(test_, 1, [
      "INSERT INTO site (id, name, time_zone, facades) VALUES (UNHEX(REPEAT('11', 16)), 'Kept', 'Europe/London', '[]')",
    ]);
    const old = await liveName();
    const before = await test_.asRoot((root) => contentOf(root, old));
    const file = path.join(test_.folder.root, 'upgrade.backup');
    await backupTo(test_.access, test_.folder, file);
    for (const at of places) {
      const source = await openBackup(file, quiet);
      await expect(
        replaceBy(test_.access, test_.folder, source, 'Upgrading', (done) => {
          if (done === at) test_.server.kill();
        }),
      ).rejects.toThrow();
      source.close();
      await test_.server.bringBack();
      await test_.asRoot(async (root) => {
        const live = (await findLive(root, test_.folder))!;
        expect(live.database).toBe(old);
        await dropLeftOver(root, live);
      });
    }
    expect(await test_.asRoot((root) => contentOf(root, old))).toBe(before);

    const source = await openBackup(file, quiet);
    await replaceBy(test_.access, test_.folder, source, 'Upgrading');
    source.close();
    const now = await test_.asRoot((root) => findLive(root, test_.folder));
    expect(now!.previous).toBe(old);
    await test_.asRoot(async (root) => {
      expect(await pendingMigrations(root, now!.database)).toBe(0);
      const [sites] = await root.query<RowDataPacket[]>('SELECT name, archived FROM ??.site', [now!.database]);
      expect(sites).toEqual([{ name: 'Kept', archived: 0 }]);
      setLive(test_.folder, now!);
    });
  });

  test('frames of an invented room are taken out of real visits; a visit of nothing else becomes one for practice', async () => {
    const id = (n: number) => `UNHEX('${n.toString(16).padStart(32, '0')}')`;
    const standIn = `UNHEX('${STAND_IN_CAMERA.id.replaceAll('-', '')}')`;
    const sha = "UNHEX(SHA2('x', 256))";
    const visit = (n: number, site: number) =>
      `INSERT INTO visit (id, site_id, title, started_at) VALUES (${id(n)}, ${id(site)}, 'v${n}', '2026-02-11 19:10:00.123')`;
    const frame = (n: number, of: number, camera: string) =>
      `INSERT INTO frame (id, visit_id, name, taken_at, file_name, file_sha, pixels_sha, thumb_sha, thumb_width, thumb_height, width, height, format, source_unit, basis, side, offset_k, noise_k, min_c, max_c, mean_c, camera_id) VALUES (${id(n)}, ${id(of)}, 'f', '2026-02-11 19:10:00', 'f${n}.tif', UNHEX(SHA2('${n}', 256)), ${sha}, ${sha}, 4, 3, 4, 3, 'tiff', 'C', '{}', 'inside', 0, 0.05, 1, 2, 1.5, ${camera})`;
    const heating = (n: number, of: number, told: readonly [string, number, number, number]) =>
      `INSERT INTO heating (id, visit_id, school, target_k, tolerance_k, flow_set_c, checks, flows, walk, skipped_s) VALUES (${id(n)}, ${id(of)}, ${told.join(', ')}, '{}', '[]', 0, 0)`;
    const [only, mixed, empty, real, heated] = [0x10, 0x11, 0x12, 0x13, 0x14];
    await olderDatabase(test_, 18, [
      `INSERT INTO site (id, name, time_zone, facades) VALUES (${id(1)}, 'Kept', 'Europe/London', '[]'), (${id(2)}, 'Warm', 'Europe/London', '[]')`,
      `INSERT INTO camera (id, name) VALUES (${standIn}, 'Stand-in')`,
      `INSERT INTO camera (id, name, noise_k, calibration_k) VALUES (${id(3)}, 'Own', 0.05, 2)`,
      `INSERT INTO practice (site_id, house) VALUES (${id(2)}, '{}')`,
      ...[only, mixed, empty, real].map((n) => visit(n, 1)),
      visit(heated, 2),
      "INSERT INTO `blob` (sha, size, bytes) VALUES (UNHEX(SHA2('x', 256)), 1, 'x')",
      ...[0x20, 0x21, 0x22, 0x23, 0x24].map(
        (n) => `INSERT INTO \`blob\` (sha, size, bytes) VALUES (UNHEX(SHA2('${n}', 256)), ${String(n).length}, '${n}')`,
      ),
      frame(0x20, only, standIn),
      frame(0x21, mixed, standIn),
      frame(0x22, mixed, 'NULL'),
      frame(0x23, real, id(3)),
      `INSERT INTO photo (id, visit_id, frame_id, name, taken_at, file_name, file_sha, media_type, width, height) VALUES (${id(5)}, ${id(mixed)}, ${id(0x21)}, 'p', '2026-02-11 19:10:00', 'p.jpg', ${sha}, 'image/jpeg', 1, 1)`,
      heating(0x30, real, ["'usual'", 12, 2, 60]),
      heating(0x31, heated, ["'condensing'", 20, 3.3, 55]),
    ]);
    const file = path.join(test_.folder.root, 'practice.backup');
    await backupTo(test_.access, test_.folder, file);
    const source = await openBackup(file, quiet);
    await replaceBy(test_.access, test_.folder, source, 'Upgrading');
    source.close();
    const now = (await test_.asRoot((root) => findLive(root, test_.folder)))!.database;
    await test_.asRoot(async (root) => {
      await root.query('USE ??', [now]);
      const rowsOf = async (sql: string) => (await root.query<RowDataPacket[]>(sql))[0];
      expect(await rowsOf('SELECT title, practice, upgraded FROM visit ORDER BY id')).toEqual([
        { title: `v${only}`, practice: 1, upgraded: 'became-practice' },
        { title: `v${mixed}`, practice: 0, upgraded: 'frames-out' },
        { title: `v${empty}`, practice: 0, upgraded: null },
        { title: `v${real}`, practice: 0, upgraded: null },
        { title: `v${heated}`, practice: 1, upgraded: 'became-practice' },
      ]);
      expect(
        (await rowsOf('SELECT discarded, version FROM frame ORDER BY id')).map(({ discarded }) => discarded as number),
      ).toEqual([0, 1, 0, 0]);
      expect((await rowsOf('SELECT discarded FROM photo'))[0]!.discarded).toBe(1);
      const [, own] = await rowsOf('SELECT assumed FROM camera ORDER BY name DESC');
      expect(own!.assumed).toEqual(expect.arrayContaining(['noiseK', 'gain', 'blurPx']));
      expect(own!.assumed).not.toContain('calibrationK');
      // What stood there as usual nobody had said; what differs somebody had.
      expect(await rowsOf('SELECT school, flow_set_c AS flow, target_k AS target FROM heating ORDER BY id')).toEqual([
        { school: null, flow: null, target: 12 },
        { school: 'condensing', flow: 55, target: 20 },
      ]);
      expect(await rowsOf('SELECT DISTINCT mould_factor AS least FROM visit')).toEqual([{ least: null }]);
    });
  });

  test('openings, complaints and history get ids, and answers, frames and photos keep their places', async () => {
    const text = (n: number) => `0192f0a0-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;
    const id = (n: number) => text(n).replaceAll('-', '');
    const key = (name: string) => `'${name.replaceAll("'", "''")}'`;
    const openings = [
      { kind: 'door', x: 0, y: 0, width: 1, height: 2 },
      { kind: 'window', x: 1, y: 0, width: 1, height: 1 },
      { kind: 'window', x: 3, y: 0, width: 1, height: 1 },
    ];
    const complaints = [
      { place: 'Front room', what: "It's cold" },
      { place: 'Loft', what: 'Smells' },
    ];
    const history = [{ what: 'Chimney taken out', when: '2019' }];
    const keys: Record<string, string> = {
      first: `${text(3)}:door`,
      second: `${text(3)}:window:1`,
      sill: `${text(3)}:sill:2`,
      wall: `${text(3)}:wall`,
      complaint: "complaint:Front room: It's cold",
      history: 'history:Chimney taken out',
    };
    const stops = Object.values(keys).map(
      (name, i) =>
        `INSERT INTO stop (id, visit_id, \`key\`, answer, note, probes) VALUES (UNHEX('${id(0x40 + i)}'), UNHEX('${id(2)}'), ${key(name)}, 'nothing', ${key(name)}, '[]')`,
    );
    await olderDatabase(test_, 4, [
      `INSERT INTO site (id, name, time_zone, facades) VALUES (UNHEX('${id(1)}'), 'Kept', 'Europe/London', '[]')`,
      `INSERT INTO visit (id, site_id, title, started_at) VALUES (UNHEX('${id(2)}'), UNHEX('${id(1)}'), 'a', '2026-02-11 19:10:00.123')`,
      `INSERT INTO surface (id, site_id, name, kind, mass, behind, width_m, height_m, openings, ordinal) VALUES (UNHEX('${id(3)}'), UNHEX('${id(1)}'), 'Wall', 'wall', 'brick', 'outside', 4, 2.4, ${key(JSON.stringify(openings))}, 0)`,
      `INSERT INTO intake (id, visit_id, kind, complaints, history) VALUES (UNHEX('${id(4)}'), UNHEX('${id(2)}'), 'heat-loss', ${key(JSON.stringify(complaints))}, ${key(JSON.stringify(history))})`,
      ...stops,
      "INSERT INTO `blob` (sha, size, bytes) VALUES (UNHEX(SHA2('x', 256)), 1, 'x')",
      `INSERT INTO photo (id, visit_id, name, stop_key, taken_at, file_name, file_sha, media_type, width, height) VALUES (UNHEX('${id(5)}'), UNHEX('${id(2)}'), 'p', ${key(keys.second!)}, '2026-02-11 19:10:00', 'p.jpg', UNHEX(SHA2('x', 256)), 'image/jpeg', 1, 1)`,
      `INSERT INTO recording (id, visit_id, stop_key, taken_at, seconds, media_type, file_sha) VALUES (UNHEX('${id(6)}'), UNHEX('${id(2)}'), ${key(keys.complaint!)}, '2026-02-11 19:10:00', 1, 'audio/webm', UNHEX(SHA2('x', 256)))`,
    ]);
    const file = path.join(test_.folder.root, 'keys.backup');
    await backupTo(test_.access, test_.folder, file);
    const source = await openBackup(file, quiet);
    await replaceBy(test_.access, test_.folder, source, 'Upgrading');
    source.close();
    const now = (await test_.asRoot((root) => findLive(root, test_.folder)))!.database;
    await test_.asRoot(async (root) => {
      await root.query('USE ??', [now]);
      const rowsOf = async (sql: string) => (await root.query<RowDataPacket[]>(sql))[0];
      const parsed = (value: unknown) => (typeof value === 'string' ? (JSON.parse(value) as unknown) : value) as { id: string }[];
      const [surface] = await rowsOf('SELECT openings FROM surface');
      const named = parsed(surface!.openings);
      expect(named).toEqual(openings.map((opening, i) => ({ ...opening, id: named[i]!.id })));
      const [intake] = await rowsOf('SELECT complaints, history FROM intake');
      const [told, events] = [parsed(intake!.complaints), parsed(intake!.history)];
      expect(told).toEqual(complaints.map((one, i) => ({ ...one, id: told[i]!.id })));
      expect(events).toEqual(history.map((one, i) => ({ ...one, id: events[i]!.id })));
      const ids = [...named, ...told, ...events].map((one) => one.id);
      expect(new Set(ids).size).toBe(6);
      for (const one of ids) expect(idSchema.safeParse(one).success).toBe(true);
      // The words of a note say which key its answer had.
      const answers = await rowsOf('SELECT LOWER(HEX(id)) AS id, `key`, note FROM stop');
      const keyOf = (old: string) => answers.find(({ note }) => note === old)!.key as string;
      expect({
        first: keyOf(keys.first!),
        second: keyOf(keys.second!),
        sill: keyOf(keys.sill!),
        wall: keyOf(keys.wall!),
        complaint: keyOf(keys.complaint!),
        history: keyOf(keys.history!),
      }).toEqual({
        first: stopKeyOf(named[0]!.id, 'door'),
        second: stopKeyOf(named[1]!.id, 'window'),
        sill: stopKeyOf(named[2]!.id, 'sill'),
        wall: keys.wall,
        complaint: stopKeyOf(told[0]!.id, 'complaint'),
        history: stopKeyOf(events[0]!.id, 'history'),
      });
      for (const answer of answers) {
        expect(answer.id).toBe(rowIdFrom(text(2), answer.key as string).replaceAll('-', ''));
      }
      expect((await rowsOf('SELECT stop_key FROM photo'))[0]!.stop_key).toBe(stopKeyOf(named[1]!.id, 'window'));
      expect((await rowsOf('SELECT stop_key FROM recording'))[0]!.stop_key).toBe(stopKeyOf(told[0]!.id, 'complaint'));
    });
  });
});
