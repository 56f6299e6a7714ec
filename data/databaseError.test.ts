import { CoreError } from '@core/ground/errors';
import { asCoreError, forLog, isCollision, isDuplicate } from './databaseError';
import { transact } from './transact';
import type { Connection } from './connection';

/** As drizzle hands a refusal of the driver on: with the statement and its values in the message. */
function refusal(code: string): Error {
  const driver = Object.assign(new Error(`Duplicate entry 'secret' for key 'a'`), { code, sqlMessage: `about 'secret'` });
  return new Error(`Failed query: insert into x values (?)\nparams: secret`, { cause: driver });
}

test.each([
  ['ER_DUP_ENTRY', 'duplicate'],
  ['ER_NO_REFERENCED_ROW_2', 'not_found'],
  ['ER_ROW_IS_REFERENCED_2', 'conflict'],
  ['ER_LOCK_DEADLOCK', 'busy'],
  ['ER_LOCK_WAIT_TIMEOUT', 'busy'],
  ['ECONNREFUSED', 'busy'],
  ['PROTOCOL_CONNECTION_LOST', 'busy'],
  ['ER_WARN_DATA_OUT_OF_RANGE', 'bad_input'],
  ['ER_DATA_TOO_LONG', 'bad_input'],
  ['ER_CONSTRAINT_FAILED', 'bad_input'],
  ['ER_RECORD_FILE_FULL', 'no_room'],
])('%s is said as %s, without what was sent', (code, ours) => {
  const error = asCoreError(refusal(code))!;
  expect(error).toBeInstanceOf(CoreError);
  expect(error.code).toBe(ours);
  expect(JSON.stringify(error)).not.toContain('secret');
  expect(forLog(refusal(code))).toBe(`database: ${code}`);
});

test('a fault of ours stays one, and its log holds no statement', () => {
  expect(asCoreError(new Error('mine'))).toBeNull();
  expect(asCoreError(refusal('ER_PARSE_ERROR'))).toBeNull();
  expect(forLog(refusal('ER_PARSE_ERROR'))).toBe('database: ER_PARSE_ERROR');
  expect(forLog(new Error('mine'))).toContain('mine');
  expect(forLog('a text')).toBe('string');
  const known = new CoreError('stale', 'x');
  expect(asCoreError(known)).toBe(known);
});

test('a full disk is told by the number of the storage’s error', () => {
  const storage = (sqlMessage: string) => Object.assign(new Error('x'), { code: 'ER_GET_ERRNO', sqlMessage });
  expect(asCoreError(storage('Got error 28 "No space left on device" from storage engine InnoDB'))!.code).toBe('no_room');
  expect(asCoreError(storage('Got error 127 "wrong record" from storage engine InnoDB'))).toBeNull();
});

test('what is asked of a connection that was lost is busy as well', () => {
  const lost = Object.assign(new Error("Can't add new command when connection is in closed state"), { fatal: true });
  expect(asCoreError(new Error('Failed query: rollback', { cause: lost }))!.code).toBe('busy');
});

describe('a transaction', () => {
  const database = (outcomes: (Error | string)[]) => {
    let tries = 0;
    const db = {
      transaction: async () => {
        const outcome = outcomes[tries++]!;
        if (typeof outcome !== 'string') throw outcome;
        return outcome;
      },
    };
    return { run: () => transact(db as unknown as Connection, async () => ''), tries: () => tries };
  };

  test('that collides is tried again', async () => {
    const { run, tries } = database([refusal('ER_LOCK_DEADLOCK'), refusal('ER_LOCK_WAIT_TIMEOUT'), 'done']);
    expect(await run()).toBe('done');
    expect(tries()).toBe(3);
  });

  test('that is refused for another reason is not', async () => {
    const { run, tries } = database([refusal('ER_DUP_ENTRY'), 'never']);
    const error = await run().catch((caught: unknown) => caught);
    expect([isDuplicate(error), isCollision(error), tries()]).toEqual([true, false, 1]);
  });

  test('that collides for ever is given up', async () => {
    const { run, tries } = database(Array<Error>(20).fill(refusal('ER_LOCK_DEADLOCK')));
    await expect(run()).rejects.toThrow('Failed query');
    expect(tries()).toBe(8);
  }, 20_000);
});
