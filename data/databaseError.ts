import { CoreError } from '@core/ground/errors';

/** What the driver says of a refusal; drizzle wraps it with the statement and its values, which nobody needs to see. */
interface DriverError {
  code?: unknown;
  sqlMessage?: unknown;
  /** The connection cannot be used any more. */
  fatal?: unknown;
}

function driverError(error: unknown): { code: string; message: string } | null {
  for (let at: unknown = error, depth = 0; at && typeof at === 'object' && depth < 5; depth += 1) {
    const { code, sqlMessage, fatal } = at as DriverError;
    // A connection that was lost before answers what comes after without a code.
    if (typeof code !== 'string' && fatal === true) return { code: 'PROTOCOL_CONNECTION_LOST', message: '' };
    if (typeof code === 'string') return { code, message: typeof sqlMessage === 'string' ? sqlMessage : '' };
    at = (at as { cause?: unknown }).cause;
  }
  return null;
}

/** Two writers waited for each other, or one waited too long: nothing was written, and the same again may well work. */
const COLLISIONS = ['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT', 'ER_CHECKREAD'];
const GONE = [
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_SEQUENCE_TIMEOUT',
  'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
  'ER_CONNECTION_KILLED',
];
/** The storage's own error; by its number it is a full disk, or something else. */
const STORAGE = 'ER_GET_ERRNO';
const NO_SPACE = /\b28\b|no space/i;
const FULL = ['ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ER_ERROR_ON_WRITE', 'ENOSPC'];
const UNFIT = [
  'ER_WARN_DATA_OUT_OF_RANGE',
  'ER_DATA_TOO_LONG',
  'ER_TRUNCATED_WRONG_VALUE',
  'ER_TRUNCATED_WRONG_VALUE_FOR_FIELD',
  'WARN_DATA_TRUNCATED',
  'ER_BAD_NULL_ERROR',
  'ER_CONSTRAINT_FAILED',
  'ER_NET_PACKET_TOO_LARGE',
];

export function isCollision(error: unknown): boolean {
  return COLLISIONS.includes(driverError(error)?.code ?? '');
}

/** A row of this key is there already. */
export function isDuplicate(error: unknown): boolean {
  return driverError(error)?.code === 'ER_DUP_ENTRY';
}

/** A refusal of the database as one of the core's, without statement or values; null for what is a fault of ours. */
export function asCoreError(error: unknown): CoreError | null {
  if (error instanceof CoreError) return error;
  const known = driverError(error);
  if (!known) return null;
  const { code } = known;
  if (code === 'ER_DUP_ENTRY') {
    return new CoreError('duplicate', 'This is there already; it was not stored twice.', {}, 'Reload the page to see it.');
  }
  if (code === 'ER_NO_REFERENCED_ROW' || code === 'ER_NO_REFERENCED_ROW_2') {
    return new CoreError('not_found', 'This belongs to something that is not there (any more).', {}, 'Reload the page.');
  }
  if (code === 'ER_ROW_IS_REFERENCED' || code === 'ER_ROW_IS_REFERENCED_2') {
    return new CoreError(
      'conflict',
      'Something else still needs this; it was not removed.',
      {},
      'Remove what hangs on it first.',
    );
  }
  if (COLLISIONS.includes(code))
    return new CoreError('busy', 'Others are writing the same just now; nothing was changed.', {}, 'Try again.');
  if (GONE.includes(code)) {
    return new CoreError(
      'busy',
      'The database does not answer just now; nothing was changed.',
      {},
      'It is being brought back. Try again in a moment.',
    );
  }
  if (FULL.includes(code) || (code === STORAGE && NO_SPACE.test(known.message)))
    return new CoreError('no_room', 'The disk is full; nothing was changed.', {}, 'Make room, then try again.');
  if (UNFIT.includes(code))
    return new CoreError('bad_input', 'A value cannot be stored as it is; nothing was changed.', {}, 'Correct it and try again.');
  return null;
}

/** What may stand in a log about an error: what it was and where, never what somebody typed or a file held. */
export function forLog(error: unknown): string {
  const known = driverError(error);
  if (known) return `database: ${known.code}`;
  return error instanceof Error ? (error.stack ?? error.message).slice(0, 2000) : typeof error;
}
