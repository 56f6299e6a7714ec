import { setTimeout as pause } from 'node:timers/promises';
import { v7 as newId } from 'uuid';
import type { VisitDocument } from '@core/model/document';
import { ENTITIES, type Entity, type Row } from '@core/model/entities';
import { settingsIdOf } from '@core/ground/rowId';
import type { Den } from '../../e2e/support/den';
import { passwordsIn, withConnection } from '../../server/keep/access';
import { folderAt } from '../../server/keep/folder';
import { demoVisit, documentOf, put, sendChange, settingsOf, type Answer, type Change } from './api';
import { attack, seen, type Attack } from './case';

/** Two clients at once, as two tabs are: every change is saved or shown as a conflict with both values. */

/** A page keeps what failed and sends it again by the same name until it is answered. */
async function sendUntilAnswered(den: Den, change: Change, statuses: Map<number, number>): Promise<Answer> {
  for (;;) {
    const answer = await sendChange(den, change).catch(() => null);
    if (answer) statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
    if (answer && answer.status < 500) return answer;
    await pause(20);
  }
}

/** Field that may be changed to any short text, by kind; kinds without one have another change. */
const TEXT_FIELDS = ['name', 'title', 'note', 'what', 'access', 'reason', 'question', 'letter'];

function changed(value: Record<string, unknown>, mark: string): Record<string, unknown> | null {
  const field = TEXT_FIELDS.find((name) => name in value);
  if (field) return { ...value, [field]: mark };
  if ('insideC' in value) return { ...value, insideC: mark.endsWith('a') ? 11 : 12 };
  if ('items' in value) return { ...value, items: mark.endsWith('a') ? [] : value.items };
  if ('emissivity' in value) return { ...value, emissivity: 0.5 + (mark.charCodeAt(mark.length - 1) % 40) / 100 };
  return null;
}

/** Kinds of which a visit may have any number. */
const MANY: readonly string[] = [
  'region',
  'room',
  'surface',
  'stop',
  'putBack',
  'log',
  'sequence',
  'probe',
  'finding',
  'exhibit',
  'ruling',
  'ownStop',
  'service',
  'pipe',
  'boilerCard',
  'pair',
  'material',
  'camera',
  'instrument',
  'site',
];

interface Tally {
  saved: number;
  conflicts: number;
  wrong: string[];
  statuses: Map<number, number>;
}

async function pairOf(den: Den, tally: Tally, one: Change, other: Change, sameRow: boolean): Promise<void> {
  const both = await Promise.all([one, other].map((change) => sendUntilAnswered(den, change, tally.statuses)));
  const kinds = both.map(({ status }) => (status === 200 ? 'saved' : status === 409 ? 'conflict' : String(status)));
  tally.saved += kinds.filter((kind) => kind === 'saved').length;
  tally.conflicts += kinds.filter((kind) => kind === 'conflict').length;
  const expected = sameRow ? 'conflict,saved' : 'saved,saved';
  const word = `${String(one.entity)}: ${[...kinds].sort().join()}`;
  if ([...kinds].sort().join() !== expected) {
    tally.wrong.push(`${word} ${both.map(({ body }) => body.error?.code ?? '').join()}`);
    return;
  }
  // Who is refused is shown what the other one stored.
  const refused = both.find(({ status }) => status === 409);
  const winner = both[0]!.status === 200 ? one : other;
  const stored = refused?.body.stale?.[0]?.stored?.value as Record<string, unknown> | undefined;
  if (refused && JSON.stringify(stored) !== JSON.stringify({ ...stored, ...(winner.value as object) }))
    tally.wrong.push(`${word}: another value shown`);
}

/** Changes that were taken or refused so far; who was told to come back was not answered. */
const answersIn = ({ statuses }: Tally): number => [...statuses].reduce((sum, [status, n]) => sum + (status < 500 ? n : 0), 0);

/**
 * Kills connections of the application at random until it is told to stop: at most one for each answer, so that on a machine
 * that is too slow to answer between two of them the work still gets on.
 */
function killing(den: Den, tally: Tally): () => Promise<number> {
  let going = true;
  let answered = -1;
  const done = (async () => {
    let killed = 0;
    const access = { port: den.running()!.databasePort, passwords: passwordsIn(folderAt(den.data)) };
    await withConnection(access, 'root', undefined, async (root) => {
      while (going) {
        await pause(60);
        if (answersIn(tally) === answered) continue;
        answered = answersIn(tally);
        const [all] = await root.query('SHOW PROCESSLIST');
        const own = (all as { Id: string; User: string }[]).filter(({ User }) => User === 'den');
        const victim = own[Math.floor(Math.random() * own.length)];
        if (
          victim &&
          (await root.query(`KILL ${victim.Id}`).then(
            () => true,
            () => false,
          ))
        )
          killed += 1;
      }
    });
    return killed;
  })();
  return () => {
    going = false;
    return done;
  };
}

/** A page waits as well until it is answered. */
async function read(den: Den, visit: string): Promise<VisitDocument> {
  for (;;) {
    const document = await documentOf(den, visit).catch(() => null);
    if (document?.rows) return document;
    await pause(20);
  }
}

const newTally = (): Tally => ({ saved: 0, conflicts: 0, wrong: [], statuses: new Map() });

/** Goes over all kinds of rows, again and again. A row is changed once between two readings of the visit. */
async function pairs(den: Den, visit: string, count: number, tally: Tally): Promise<void> {
  const kinds = ENTITIES.map(({ name }) => name as Entity);
  let { rows } = await read(den, visit);
  for (let i = 0; tally.saved + tally.conflicts + 2 * tally.wrong.length < 2 * count; i += 1) {
    if (i > 0 && i % kinds.length === 0) ({ rows } = await read(den, visit));
    const all = rows as unknown as Record<string, Record<string, Row<Entity>>>;
    const entity = kinds[i % kinds.length]!;
    const some = Object.values(all[entity] ?? {});
    const row = some[i % Math.max(1, some.length)];
    if (entity === 'settings') {
      const region = Object.keys(rows.region).find((id) => !all.settings![settingsIdOf(id)]);
      const made = (e: number) => put('settings', settingsOf('region', region!, e), settingsIdOf(region!));
      if (region) await pairOf(den, tally, made(0.7), made(0.6), true);
      continue;
    }
    if (!row) continue;
    const value = row.value as unknown as Record<string, unknown>;
    const both = ['a', 'b'].map((mark) => changed(value, `pair ${i} ${mark}`));
    if (MANY.includes(entity) && i % 2 === 0) {
      const own = (n: number) => ({ ...value, ...both[n], ...(entity === 'stop' && { key: newId() }) });
      await pairOf(den, tally, put(entity, own(0)), put(entity, own(1)), false);
    } else if (both[0]) {
      const [one, other] = both.map((next) => put(entity, next, row.id, row.version));
      await pairOf(den, tally, one!, other!, true);
    }
  }
}

const told = ({ saved, conflicts, wrong, statuses }: Tally, more = '') =>
  `${saved} saved, ${conflicts} conflicts, ${wrong.length} wrong${wrong.length > 0 ? ` (${wrong.slice(0, 3).join('; ')})` : ''}${more}; answers ${[...statuses].map(([status, n]) => `${n} × ${status}`).join(', ')}`;

function pairAttack(count: number): Attack {
  return attack(`${count} pairs of changes at once, of every kind`, 'each saved or a conflict with both values', async (den) => {
    const tally = newTally();
    await pairs(den, await demoVisit(den), count, tally);
    return seen(told(tally), tally.wrong.length === 0 && !tally.statuses.has(500) && tally.saved + tally.conflicts >= 2 * count);
  });
}

function pairKills(count: number): Attack {
  return attack(`${count} pairs while connections are killed at random`, 'none 500, none lost, none twice', async (den) => {
    const visit = await demoVisit(den);
    const tally = newTally();
    const stop = killing(den, tally);
    let killed = 0;
    await pairs(den, visit, count, tally).finally(async () => {
      killed = await stop();
    });
    return seen(
      told(tally, `, ${killed} connections killed`),
      tally.wrong.length === 0 && !tally.statuses.has(500) && tally.saved + tally.conflicts >= 2 * count,
    );
  });
}

export const PAIRS: Attack[] = [pairAttack(1000), pairKills(1000)];
/** The same, short enough for every run of the tests. */
export const SOME_PAIRS: Attack[] = [pairAttack(130), pairKills(130)];
