import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import { attack, megabytes, PATIENCE, seen, type Attack } from './case';
import { documentOf, grid, newVisit, put, sendChange, upload, uploadZip } from './api';
import { crumbs, pagePixels, stackOf, zipOf } from './files';
import { memoryOf, peakOf } from './memory';
import type { Den } from '../../e2e/support/den';

const frames = async (den: Den, visit: string) => Object.keys((await documentOf(den, visit)).rows.frame).length;

/** Sends one file that has to be refused, and says how long that took. */
function refusedFile(
  tried: string,
  name: string,
  bytes: () => Buffer | string | Promise<Buffer>,
  code: RegExp,
  withinMs: number,
): Attack {
  return attack(tried, `refused (${code.source}) within ${withinMs / 1000} s`, async (den) => {
    const visit = await newVisit(den);
    const content = await bytes();
    const began = Date.now();
    const { status, body } = await upload(den, visit, name, content);
    const took = Date.now() - began;
    return seen(
      `${status} ${body.error?.code} after ${(took / 1000).toFixed(1)} s, peak ${megabytes(peakOf(den))}`,
      status >= 400 &&
        status < 500 &&
        code.test(body.error?.code ?? '') &&
        took < PATIENCE * withinMs &&
        (await frames(den, visit)) === 0,
    );
  });
}

const weather = (text: string, tried: string, withinMs: number): Attack =>
  attack(tried, `refused within ${withinMs / 1000} s`, async (den) => {
    const began = Date.now();
    const response = await fetch(`${den.address}/api/weather?name=a.csv`, { method: 'POST', body: text });
    const took = Date.now() - began;
    const { error } = (await response.json()) as { error?: { code: string } };
    return seen(
      `${response.status} ${error?.code} after ${(took / 1000).toFixed(1)} s`,
      [400, 413].includes(response.status) && took < PATIENCE * withinMs,
    );
  });

const HEADER = 'time,temperature_c,cloud_percent,wind_m_s,rain_mm,humidity_percent\n';

export const IMPORT: Attack[] = [
  refusedFile(
    'a file of 200 kB with 900 pages of 2 million pixels',
    'bomb.tif',
    () => stackOf(900, 2000, 1000, (page) => (page === 0 ? Buffer.alloc(8_000_000) : null), true),
    /too_large/,
    3000,
  ),
  refusedFile(
    'a file with 5,000 pages',
    'pages.tif',
    () => stackOf(5000, 8, 8, (page) => (page === 0 ? pagePixels(0, 8, 8) : null), false),
    /too_large/,
    3000,
  ),
  refusedFile('a TIFF of 2 million tiles of one pixel', 'crumbs.tif', () => crumbs(1400), /unsupported|malformed/, 3000),
  refusedFile('24 MB of delimiters', 'sea.csv', () => ';'.repeat(24_000_000), /malformed|too_large/, 10_000),
  refusedFile(
    '24 MB of delimiters in lines',
    'seas.csv',
    () => `${';'.repeat(23_999)}\n`.repeat(1000),
    /malformed|too_large/,
    10_000,
  ),
  refusedFile('24 MB of quotes', 'quotes.csv', () => '"'.repeat(24_000_000), /malformed|too_large/, 10_000),
  weather(`${HEADER}${'"'.repeat(4_000_000)}`, 'weather of 4 million quotes', 5000),
  weather(`${HEADER}${'"\n'.repeat(4_000_000)}`, 'weather of 4 million lines of a quote', 5000),
  weather(`${HEADER}${'"a,""\n'.repeat(90_000)}`, 'weather of 90,000 lines with quotes that do not end', 5000),
  attack('a page of a file that is bad', 'nothing of the file stays', async (den) => {
    const visit = await newVisit(den);
    const bytes = stackOf(5, 40, 30, (page) => (page === 3 ? Buffer.alloc(40 * 30 * 4, 0xff) : pagePixels(page, 40, 30)), false);
    const { status, body } = await upload(den, visit, 'bad-page.tif', bytes);
    const rows = (await documentOf(den, visit)).rows;
    return seen(
      `${status} ${body.error?.code}`,
      status === 400 && Object.keys(rows.frame).length + Object.keys(rows.sequence).length === 0,
    );
  }),
  attack('a ZIP with files that lie over one another', 'refused', async (den) => {
    const content = Buffer.from(grid(1));
    const zip = zipOf([
      { name: 'a.csv', content },
      ...Array.from({ length: 50 }, (_, i) => ({ name: `${i}.csv`, content, over: 0 })),
    ]);
    const { status, lines } = await uploadZip(den, await newVisit(den), zip);
    return seen(`${status} ${JSON.stringify(lines[0]).slice(0, 60)}`, status === 400);
  }),
  attack('a ZIP whose checksum does not agree', 'that file refused, the other taken', async (den) => {
    const zip = zipOf([
      { name: 'wrong.csv', content: Buffer.from(grid(2)), crc: 1 },
      { name: 'right.csv', content: Buffer.from(grid(3)) },
    ]);
    const { lines } = await uploadZip(den, await newVisit(den), zip);
    return seen(
      lines
        .slice(1)
        .map(({ kind, error }) => kind ?? error?.code)
        .join(', '),
      lines[1]?.error?.code === 'malformed' && lines[2]?.kind === 'frame',
    );
  }),
  attack('a ZIP with a date in the year 30828', 'taken in, the rest too', async (den) => {
    const zip = zipOf([
      { name: 'late.csv', content: Buffer.from(grid(4)), ntfsTime: 9_223_372_036_854_775_807n },
      { name: 'usual.csv', content: Buffer.from(grid(5)) },
    ]);
    const { lines } = await uploadZip(den, await newVisit(den), zip);
    return seen(
      lines
        .slice(1)
        .map(({ kind }) => kind)
        .join(', '),
      lines.length === 3 && lines[1]?.kind === 'frame' && lines[2]?.kind === 'frame',
    );
  }),
  attack('a ZIP with names of old tools (backslashes)', 'taken by their last part; those that climb refused', async (den) => {
    const zip = zipOf([
      { name: 'card\\DCIM\\one.csv', content: Buffer.from(grid(6)) },
      { name: '..\\..\\climbs.csv', content: Buffer.from(grid(7)) },
    ]);
    const visit = await newVisit(den);
    const { lines } = await uploadZip(den, visit, zip);
    const names = Object.values((await documentOf(den, visit)).frameFacts).map(({ fileName }) => fileName);
    return seen(
      `${names.join(', ')}; ${lines[2]?.error?.code}`,
      names.join() === 'one.csv' && lines[2]?.error?.code === 'bad_input',
    );
  }),
  attack('a body that is no ZIP', 'refused, and no file of it stays', async (den) => {
    const { status } = await uploadZip(den, await newVisit(den), Buffer.from('PK\x03\x04 and nothing more'));
    const folder = path.join(den.data, 'uploads');
    const left = existsSync(folder) ? readdirSync(folder).length : 0;
    return seen(`${status}, ${left} files left`, status === 400 && left === 0);
  }),
  attack('twenty ZIPs at once, all to one visit', 'every file of every ZIP is taken', async (den) => {
    const visit = await newVisit(den);
    const zips = Array.from({ length: 20 }, (_, z) =>
      zipOf(Array.from({ length: 6 }, (_, i) => ({ name: `${z}-${i}.csv`, content: Buffer.from(grid(1000 + 6 * z + i)) }))),
    );
    const answers = await Promise.all(zips.map((zip) => uploadZip(den, visit, zip)));
    const taken = answers.flatMap(({ lines }) => lines).filter(({ kind }) => kind === 'frame').length;
    return seen(`${taken} of 120 told, ${await frames(den, visit)} stored`, taken === 120 && (await frames(den, visit)) === 120);
  }),
  attack('the same file twenty times at once', 'one frame, nineteen times “already here”', async (den) => {
    const visit = await newVisit(den);
    const answers = await Promise.all(Array.from({ length: 20 }, () => upload(den, visit, 'same.csv', grid(9))));
    const kinds = answers.map(({ body }) => body.kind);
    const count = (kind: string) => kinds.filter((one) => one === kind).length;
    return seen(
      `${count('frame')} frame, ${count('duplicate')} duplicates`,
      count('frame') === 1 && count('duplicate') === 19 && (await frames(den, visit)) === 1,
    );
  }),
  attack('a JSON body of 600 MB', 'refused before it is read, memory stays', async (den) => {
    const before = memoryOf(den);
    const chunk = new Uint8Array(1024 * 1024).fill(32);
    let sent = 0;
    const body = new ReadableStream<Uint8Array>({
      pull(controller) {
        if (sent === 600) return controller.close();
        sent += 1;
        controller.enqueue(chunk);
      },
    });
    const status = await fetch(`${den.address}/api/commands`, { method: 'POST', body, duplex: 'half' } as RequestInit).then(
      (response) => response.status,
      () => 413,
    );
    const grown = peakOf(den) - before;
    return seen(`${status} after ${sent} MB, memory + ${megabytes(Math.max(0, grown))}`, status === 413 && sent < 100);
  }),
  attack('JSON nested half a million deep', 'refused', async (den) => {
    const response = await fetch(`${den.address}/api/commands`, {
      method: 'POST',
      body: '['.repeat(500_000) + ']'.repeat(500_000),
    });
    return seen(String(response.status), response.status === 400);
  }),
  attack('a photo of 59 million pixels, turned, asked for eight times', 'made once, then from the cache', async (den) => {
    const visit = await newVisit(den);
    const large = await sharp({ create: { width: 8400, height: 7000, channels: 3, background: '#7a5' } })
      .jpeg()
      .toBuffer();
    const { body } = await upload(den, visit, 'large.jpg', large);
    const photo = (await documentOf(den, visit)).rows.photo[body.id!]!;
    await sendChange(den, put('photo', { ...photo.value, quarters: 1 }, photo.id, photo.version));
    const began = Date.now();
    const ask = () =>
      fetch(`${den.address}/api/photos/${body.id}/file`).then(async (r) => ({
        status: r.status,
        etag: r.headers.get('etag')!,
        size: (await r.arrayBuffer()).byteLength,
      }));
    const all = await Promise.all(Array.from({ length: 8 }, ask));
    const took = Date.now() - began;
    const again = Date.now();
    const known = await fetch(`${den.address}/api/photos/${body.id}/file`, { headers: { 'if-none-match': all[0]!.etag } });
    return seen(
      `${took} ms for eight, ${Date.now() - again} ms for what is known (${known.status}), peak ${megabytes(peakOf(den))}`,
      all.every(({ status }) => status === 200) && known.status === 304 && took < 15_000 && peakOf(den) < 700 * 1024 * 1024,
    );
  }),
  attack('sixteen files of 24 MB at once', 'all answered, memory bounded', async (den) => {
    const files = Array.from({ length: 16 }, (_, i) => stackOf(1, 2440, 2440, () => pagePixels(i, 2440, 2440), false));
    // Connections that the server closed while they were made have to be noticed first.
    await new Promise((resolve) => setTimeout(resolve, 200));
    const visit = await newVisit(den);
    const answers = await Promise.all(files.map((file, i) => upload(den, visit, `${i}.tif`, file)));
    const kinds = answers.map(({ body }) => body.kind ?? body.error?.code);
    return seen(
      `${kinds.filter((kind) => kind === 'frame').length} frames, peak ${megabytes(peakOf(den))}`,
      kinds.every((kind) => kind === 'frame') && peakOf(den) < 700 * 1024 * 1024,
    );
  }),
  attack('all hostile files, one after the other', 'peak ≤ 700 MB, back under 450 MB', async (den) => {
    const until = Date.now() + 20_000;
    while (memoryOf(den) > 450 * 1024 * 1024 && Date.now() < until) await new Promise((resolve) => setTimeout(resolve, 500));
    return seen(
      `peak ${megabytes(peakOf(den))}, now ${megabytes(memoryOf(den))}`,
      peakOf(den) <= 700 * 1024 * 1024 && memoryOf(den) <= 450 * 1024 * 1024,
    );
  }),
];
