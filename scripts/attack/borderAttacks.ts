import http from 'node:http';
import { v7 as newId } from 'uuid';
import type { Den } from '../../e2e/support/den';
import { seededRandom } from '../../core/ground/random';
import {
  type Answer,
  type Change,
  demoVisit,
  documentOf,
  grid,
  newVisit,
  put,
  regionPut,
  send,
  sendChange,
  settingsOf,
  upload,
} from './api';
import { attack, seen, type Attack } from './case';

/** Asks under another name than the machine's own, as a page whose name was made to resolve to it would. */
function askAs(den: Den, host: string, path: string): Promise<{ status: number; text: string }> {
  const { port } = new URL(den.address);
  return new Promise((resolve, reject) => {
    http
      .get({ host: '127.0.0.1', port, path, headers: { host } }, (response) => {
        let text = '';
        response.on('data', (chunk: Buffer) => (text += chunk.toString()));
        response.on('end', () => resolve({ status: response.statusCode!, text }));
      })
      .on('error', reject);
  });
}

/** A visit with one frame, in a site of its own. */
async function visitWithFrame(den: Den, seed: number) {
  const visit = await newVisit(den, `Site ${seed}`);
  const { body } = await upload(den, visit, `${seed}.csv`, grid(seed));
  const document = await documentOf(den, visit);
  return { visit, frame: body.id!, document, room: Object.keys(document.rows.room)[0]!, site: document.siteId };
}

const told = ({ status, body }: Answer) => `${status} ${body.error?.code ?? 'taken'}`;

/** One command that has to be refused with one code, and leave no 500. */
function refusedCommand(tried: string, code: string, status: number, make: (den: Den) => Promise<unknown>): Attack {
  return attack(tried, `${status} ${code}`, async (den) => {
    const answer = await sendChange(den, (await make(den)) as Change);
    return seen(told(answer), answer.status === status && answer.body.error?.code === code);
  });
}

/** Values that no field expects, or only some. */
const ODD_VALUES: unknown[] = [
  null,
  '',
  ' ',
  '\u0000',
  '\ud800',
  'x'.repeat(200_000),
  '0',
  0,
  -1,
  1.5,
  1e308,
  -1e308,
  4.1e12,
  2 ** 53,
  true,
  [],
  {},
  [[]],
  { kind: 'spot', x: 1e9, y: 0 },
  newId(),
  '2026-02-30',
  'Europe/Nowhere',
  Array.from({ length: 500 }, () => ({ at: 0 })),
];

export const BORDER: Attack[] = [
  attack('pages, data and addresses under a foreign name', 'none is answered', async (den) => {
    const { visit } = await visitWithFrame(den, 100);
    const paths = ['/', `/visits/${visit}/bench`, `/api/visits/${visit}/document`, '/shelf', '/loans', '/api/health'];
    const answers = await Promise.all(paths.map((path) => askAs(den, 'elsewhere.example', path)));
    return seen(
      answers.map(({ status }) => status).join(', '),
      answers.every(
        ({ status, text }) => (status === 421 || status === 400) && !text.includes('Old Kiln Row') && !text.includes('Site 100'),
      ),
    );
  }),
  attack('a request of another page', 'not answered', async (den) => {
    const site = await send(den, '/api/commands', {
      method: 'POST',
      headers: { origin: 'http://elsewhere.example' },
      body: '{}',
    });
    return seen(told(site), site.status === 400 && site.body.error?.code === 'bad_input');
  }),
  attack('the same command eight times at once, sixty times', 'carried out once, answered alike', async (den) => {
    const { frame, visit } = await visitWithFrame(den, 101);
    const answers: string[] = [];
    for (let i = 0; i < 60; i += 1) {
      const command = regionPut(frame);
      const eight = await Promise.all(Array.from({ length: 8 }, () => sendChange(den, command)));
      answers.push(...eight.map(told));
    }
    const regions = Object.keys((await documentOf(den, visit)).rows.region).length;
    const alike = answers.filter((one) => one === '200 taken').length;
    return seen(`${alike} of 480 answered alike, ${regions} regions`, alike === 480 && regions === 60);
  }),
  attack('two tabs give one visit its first settings, forty times', 'one is taken, the other told; never 500', async (den) => {
    const codes = new Map<string, number>();
    for (let i = 0; i < 40; i += 1) {
      const visit = await newVisit(den, `Twice ${i}`, []);
      const both = await Promise.all([0.9, 0.8].map((e) => sendChange(den, put('settings', settingsOf('visit', visit, e)))));
      for (const one of both) codes.set(told(one), (codes.get(told(one)) ?? 0) + 1);
    }
    return seen(
      [...codes].map(([code, n]) => `${n} × ${code}`).join(', '),
      codes.get('200 taken') === 40 && codes.get('409 duplicate') === 40,
    );
  }),
  attack('a hundred pairs of new rooms at once', 'all 200 are stored', async (den) => {
    const { site } = await visitWithFrame(den, 102);
    const room = (name: string) => ({
      siteId: site,
      name,
      kind: 'living',
      storey: 0,
      plan: { x: 0, y: 0, width: 4, depth: 4 },
      heightM: 2.4,
      ordinal: 1,
    });
    let taken = 0;
    for (let i = 0; i < 100; i += 1) {
      const both = await Promise.all([0, 1].map((n) => sendChange(den, put('room', room(`${i}-${n}`)))));
      taken += both.filter(({ status }) => status === 200).length;
    }
    return seen(`${taken} of 200`, taken === 200);
  }),
  refusedCommand('a region on a frame that is not there', 'not_found', 404, async () => regionPut(newId())),
  refusedCommand('a region beside its frame', 'bad_region', 400, async (den) =>
    regionPut((await visitWithFrame(den, 103)).frame, {
      value: {
        frameId: (await visitWithFrame(den, 104)).frame,
        name: 'a',
        ordinal: 0,
        role: 'reading',
        shape: { kind: 'box', x: 500, y: 3, width: 5, height: 5 },
      },
    }),
  ),
  refusedCommand('a region moved to another frame', 'bad_input', 400, async (den) => {
    const [a, b] = [await visitWithFrame(den, 105), await visitWithFrame(den, 106)];
    const made = regionPut(a.frame);
    await sendChange(den, made);
    return { ...made, id: newId(), version: 1, value: { ...made.value, frameId: b.frame } };
  }),
  refusedCommand('a frame put into a room of another site', 'bad_input', 400, async (den) => {
    const [a, b] = [await visitWithFrame(den, 107), await visitWithFrame(den, 108)];
    const row = a.document.rows.frame[a.frame]!;
    return put('frame', { ...row.value, roomId: b.room }, a.frame, row.version);
  }),
  refusedCommand('a reference on another frame', 'bad_input', 400, async (den) => {
    const [a, b] = [await visitWithFrame(den, 109), await visitWithFrame(den, 110)];
    const region = regionPut(b.frame);
    await sendChange(den, region);
    const row = a.document.rows.frame[a.frame]!;
    return put('frame', { ...row.value, referenceId: region.rowId }, a.frame, row.version);
  }),
  refusedCommand('a photo given to a frame of another visit', 'bad_input', 400, async (den) => {
    const [a, b] = [await visitWithFrame(den, 111), await visitWithFrame(den, 112)];
    const { default: sharp } = await import('sharp');
    const jpeg = await sharp({ create: { width: 20, height: 20, channels: 3, background: '#888' } })
      .jpeg()
      .toBuffer();
    const { body } = await upload(den, a.visit, 'p.jpg', jpeg);
    const row = (await documentOf(den, a.visit)).rows.photo[body.id!]!;
    return put('photo', { ...row.value, frameId: b.frame }, row.id, row.version);
  }),
  refusedCommand('a surface in a room of another site', 'bad_input', 400, async (den) => {
    const [a, b] = [await visitWithFrame(den, 113), await visitWithFrame(den, 114)];
    return put('surface', {
      siteId: a.site,
      roomId: b.room,
      name: 'x',
      kind: 'wall',
      azimuth: null,
      mass: 'brick',
      behind: 'outside',
      widthM: 3,
      heightM: 2,
      openings: [],
      otherSideId: null,
      ordinal: 0,
    });
  }),
  refusedCommand('a room moved to another site', 'bad_input', 400, async (den) => {
    const [a, b] = [await visitWithFrame(den, 115), await visitWithFrame(den, 116)];
    const row = a.document.rows.room[a.room]!;
    return put('room', { ...row.value, siteId: b.site }, a.room, row.version);
  }),
  refusedCommand('a finding of one visit on a frame of another', 'bad_input', 400, async (den) => {
    const [a, b] = [await visitWithFrame(den, 117), await visitWithFrame(den, 118)];
    const region = regionPut(b.frame);
    await sendChange(den, region);
    return put('finding', {
      visitId: a.visit,
      frameId: b.frame,
      thisRegionId: region.rowId,
      thatRegionId: region.rowId,
      photoId: null,
      title: 'x',
      note: '',
    });
  }),
  refusedCommand('settings of a frame that is not there', 'not_found', 404, async () =>
    put('settings', settingsOf('frame', newId())),
  ),
  refusedCommand('a second kit list of one visit', 'duplicate', 409, async (den) => {
    const visit = await newVisit(den);
    await sendChange(den, put('kit', { visitId: visit, items: [] }));
    return put('kit', { visitId: visit, items: [] });
  }),
  refusedCommand('a visit that takes a camera that is not there', 'not_found', 404, async (den) => {
    const { visit, document } = await visitWithFrame(den, 119);
    const row = document.rows.visit[visit]!;
    return put('visit', { ...row.value, cameraId: newId() }, visit, row.version);
  }),
  refusedCommand('an edit of a row that is not there', 'not_found', 404, async (den) => {
    const { document, frame } = await visitWithFrame(den, 120);
    return put('frame', document.rows.frame[frame]!.value);
  }),
  refusedCommand('a stale edit', 'stale', 409, async (den) => {
    const { document, frame } = await visitWithFrame(den, 121);
    return put('frame', document.rows.frame[frame]!.value, frame, 7);
  }),
  refusedCommand('numbers beyond all bounds', 'bad_input', 400, async (den) => {
    const { frame } = await visitWithFrame(den, 122);
    return regionPut(frame, {
      value: {
        frameId: frame,
        name: 'a',
        ordinal: 0,
        role: 'reading',
        shape: {
          kind: 'poly',
          points: [
            [1e308, 0],
            [0, 1e308],
            [5, 5],
          ],
        },
      },
    });
  }),
  attack('files for a room of another site', '400 bad_input', async (den) => {
    const [a, b] = [await visitWithFrame(den, 123), await visitWithFrame(den, 124)];
    const answer = await upload(den, a.visit, 'x.csv', grid(125), `&room=${b.room}`);
    return seen(told(answer), answer.status === 400 && answer.body.error?.code === 'bad_input');
  }),
  attack('files for a camera that is not there', '404 not_found', async (den) => {
    const { visit } = await visitWithFrame(den, 126);
    const answer = await upload(den, visit, 'x.csv', grid(127), `&camera=${newId()}`);
    return seen(told(answer), answer.status === 404 && answer.body.error?.code === 'not_found');
  }),
  attack(
    'two thousand changes of stored rows with values that nobody types',
    'taken or refused by a name, never 500',
    async (den) => {
      const { rows } = await documentOf(den, await demoVisit(den));
      const kinds = (
        Object.entries(rows) as [string, Record<string, { id: string; version: number; value: Record<string, unknown> }>][]
      ).flatMap(([entity, of]) => {
        const row = Object.values(of)[0];
        return row ? [{ entity, row }] : [];
      });
      const random = seededRandom(7);
      const odd = ODD_VALUES;
      const codes = new Map<string, number>();
      for (let i = 0; i < 2000; i += 20) {
        const answers = await Promise.all(
          Array.from({ length: 20 }, () => {
            const { entity, row } = kinds[Math.floor(random() * kinds.length)]!;
            const fields = Object.keys(row.value);
            const value = { ...row.value };
            for (let n = 0; n < 1 + Math.floor(random() * 2); n += 1) {
              value[fields[Math.floor(random() * fields.length)]!] = odd[Math.floor(random() * odd.length)];
            }
            // Half of them as new rows, so that what the database holds is met as well as what the schema does.
            return sendChange(den, random() < 0.5 ? put(entity, value) : put(entity, value, row.id, row.version));
          }),
        );
        for (const { status, body } of answers) {
          const word = `${status} ${body.error?.code ?? 'taken'}`;
          codes.set(word, (codes.get(word) ?? 0) + 1);
        }
      }
      return seen(
        [...codes].map(([word, n]) => `${n} × ${word}`).join(', '),
        ![...codes.keys()].some((word) => word.startsWith('500')),
      );
    },
  ),
  attack('addresses with ids and queries that nobody sends', 'refused by a name, never 500', async (den) => {
    const { frame } = await visitWithFrame(den, 129);
    const ids = ['x', '..%2F..', newId(), '%00', 'a'.repeat(3000), '%F0%9F%94%A5'];
    const paths = ids.flatMap((id) => [
      `/api/frames/${id}/pixels`,
      `/api/frames/${id}/export?format=tif`,
      `/api/photos/${id}/file`,
      `/api/visits/${id}/document`,
      `/api/jobs/${id}`,
      `/api/weather/${id}?from=x`,
      `/api/recordings/${id}`,
      `/api/frames/${frame}/export?format=${id}`,
      `/api/practice/weather?latitude=${id}&longitude=1&from=0&hours=5`,
    ]);
    const statuses = await Promise.all(paths.map(async (path) => (await fetch(`${den.address}${path}`)).status));
    return seen(
      [...new Set(statuses)].join(', '),
      statuses.every((status) => status === 400 || status === 404),
    );
  }),
  attack('half a character, zero bytes and markup in names', 'stored as text, never 500', async (den) => {
    const { frame } = await visitWithFrame(den, 128);
    const names = ['\ud800', 'a\u0000b', '<img src=x onerror=alert(1)>', "'; DROP TABLE frame; --", '𝒳'.repeat(40)];
    const answers = await Promise.all(
      names.map((name) => sendChange(den, regionPut(frame, { value: { ...regionPut(frame).value, name } }))),
    );
    return seen(
      answers.map(told).join(', '),
      answers.every(({ status }) => status === 200 || status === 400),
    );
  }),
];
