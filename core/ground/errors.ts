/** What can go wrong in the core, as a closed list. Every surface (page, route, worker, command line) shows the same object. */
export const ERROR_CODES = [
  'empty_file',
  'unknown_format',
  'no_temperatures',
  'malformed',
  'unsupported',
  'truncated',
  'too_large',
  'ragged',
  'not_a_number',
  'not_finite',
  'absurd',
  'unit_unknown',
  'out_of_range',
  'impossible',
  'missing_setting',
  'bad_region',
  'bad_usage',
  'bad_input',
  'not_found',
  'stale',
  'conflict',
  'duplicate',
  'busy',
  'no_room',
  'cancelled',
  'broken',
  'silent',
  'cannot-register',
] as const;

export type ErrorCode = (typeof ERROR_CODES)[number];

/** Where it went wrong: lines and columns count from 1, bytes and pixels from 0. */
export interface ErrorPlace {
  file?: string;
  line?: number;
  column?: number;
  byte?: number;
  x?: number;
  y?: number;
  argument?: string;
  value?: string | number;
  range?: string;
}

export interface CoreErrorData {
  code: ErrorCode;
  message: string;
  where: ErrorPlace;
  hint: string;
}

/** Known across bundles: each bundle of the server has a class of its own, and threads that one made serve the others. */
const BRAND = Symbol.for('glow-den CoreError');

/** The one error that the core throws on purpose: what was wrong, where, and what to do. */
export class CoreError extends Error {
  readonly [BRAND] = true;
  readonly code: ErrorCode;
  readonly where: ErrorPlace;
  readonly hint: string;

  constructor(code: ErrorCode, message: string, where: ErrorPlace = {}, hint = '') {
    super(message);
    this.name = 'CoreError';
    this.code = code;
    this.where = where;
    this.hint = hint;
  }

  toJSON(): CoreErrorData {
    return { code: this.code, message: this.message, where: this.where, hint: this.hint };
  }

  static override [Symbol.hasInstance](error: unknown): boolean {
    return typeof error === 'object' && error !== null && BRAND in error;
  }

  /** Class and code do not survive the way out of a worker, so errors cross as data and are rebuilt here. */
  static fromJSON(data: CoreErrorData): CoreError {
    return new CoreError(data.code, data.message, data.where, data.hint);
  }

  /** The same error, with the name of the file that it is about. */
  inFile(file: string): CoreError {
    return new CoreError(this.code, this.message, { file, ...this.where }, this.hint);
  }
}

/**
 * Refuses a number outside a range. Written so that NaN fails.
 *
 * @throws CoreError `out_of_range` with argument, value and range
 */
export function requireRange(argument: string, value: number, min: number, max: number): void {
  if (!(value >= min && value <= max)) {
    throw new CoreError(
      'out_of_range',
      `${argument} is ${value}, but must lie between ${min} and ${max}.`,
      { argument, value: String(value), range: `${min} … ${max}` },
      `Give ${argument} a value from ${min} to ${max}.`,
    );
  }
}
