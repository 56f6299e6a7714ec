import { CoreError } from '@core/ground/errors';

/** What ./den says to people. */
export function say(text: string): void {
  process.stdout.write(`${text}\n`);
}

/** What went wrong, on standard error: what and what to do. */
export function complain(error: unknown): void {
  const text =
    error instanceof CoreError ? `${error.message} ${error.hint}`.trim() : String(error instanceof Error ? error.stack : error);
  process.stderr.write(`${text}\n`);
}

/** A refusal of ./den. */
export function refusal(message: string, hint = ''): CoreError {
  return new CoreError('bad_usage', message, {}, hint);
}

const OFTEN_MS = 2000;

/** Says how far a task is, not more often than somebody reads it. */
export function progress(what: string): (done: number, total: number) => void {
  let last = Date.now();
  return (done, total) => {
    if (Date.now() - last < OFTEN_MS || total === 0) return;
    last = Date.now();
    say(`${what} ${Math.floor((100 * done) / total)} %`);
  };
}
