import type { RowTexts } from './manifest';
import { damaged } from './open';

/** As long as the database takes a statement; ours were never longer. */
const LONGEST = 64 * 1024 * 1024;

const NEWLINE = 10;
const BACKSLASH = 92;
const QUOTE = 39;
const SEMICOLON = 59;
const DASH = 45;

/**
 * Parts a dump into statements (ended by a semicolon outside of quotes) and comments (lines that begin with two dashes).
 * Nothing is understood of them here but where they end.
 *
 * @throws CoreError `malformed` when one is longer than the database would take
 */
export async function* statementsOf(chunks: AsyncIterable<Buffer>): AsyncGenerator<{ text: string; size: number }> {
  let parts: Buffer[] = [];
  let length = 0;
  let quoted = false;
  let escaped = false;
  /** Of what is read now: not known yet, a comment to the end of the line, or a statement. */
  let kind: 'unknown' | 'comment' | 'statement' = 'unknown';
  const take = () => {
    const text = Buffer.concat(parts).toString('utf8').trim();
    const size = length;
    parts = [];
    length = 0;
    kind = 'unknown';
    return { text, size };
  };
  for await (const chunk of chunks) {
    let from = 0;
    for (let i = 0; i < chunk.length; i += 1) {
      const byte = chunk[i]!;
      if (kind === 'unknown') {
        if (byte <= 32) continue;
        kind = byte === DASH ? 'comment' : 'statement';
      }
      let ends = false;
      if (kind === 'comment') ends = byte === NEWLINE;
      else if (escaped) escaped = false;
      else if (quoted && byte === BACKSLASH) escaped = true;
      else if (byte === QUOTE) quoted = !quoted;
      else ends = byte === SEMICOLON && !quoted;
      if (!ends) continue;
      parts.push(chunk.subarray(from, i + 1));
      length += i + 1 - from;
      from = i + 1;
      yield take();
    }
    parts.push(chunk.subarray(from));
    length += chunk.length - from;
    if (length > LONGEST) throw damaged('a statement of it is longer than any that was written');
  }
  const last = take();
  if (last.text !== '') yield last;
}

const ESCAPES: Record<string, string> = { n: '\n', r: '\r', t: '\t', '0': '\0', Z: '\x1a', b: '\b' };

/**
 * The rows of an INSERT statement, from where its values begin: numbers and texts as text, bytes as hexadecimal, null.
 *
 * @throws Error at the first character that is no part of a value; functions, variables and expressions are none
 */
export function* valuesOf(text: string, start: number): Generator<RowTexts> {
  let at = start;
  const blanks = () => {
    while (at < text.length && text.charCodeAt(at) <= 32) at += 1;
  };
  const refuse = (): never => {
    throw new Error(`something that is no value at character ${at}`);
  };
  const matched = (pattern: RegExp): string | null => {
    pattern.lastIndex = at;
    const found = pattern.exec(text)?.[0] ?? null;
    if (found !== null) at += found.length;
    return found;
  };
  const value = (): string | null => {
    if (text[at] === "'") return quotedText();
    if (text.startsWith('0x', at))
      return matched(/0x[0-9a-fA-F]*/y)!
        .slice(2)
        .toLowerCase();
    if (matched(/NULL(?![A-Za-z0-9_])/y) !== null) return null;
    return matched(/-?\d+(\.\d+)?([eE][-+]?\d+)?/y) ?? refuse();
  };
  const quotedText = (): string => {
    const pieces: string[] = [];
    at += 1;
    for (;;) {
      const piece = matched(/[^'\\]+/y);
      if (piece !== null) pieces.push(piece);
      else if (text[at] === '\\' && at + 1 < text.length) {
        const escaped = text[at + 1]!;
        pieces.push(ESCAPES[escaped] ?? escaped);
        at += 2;
      } else if (text.startsWith("''", at)) {
        pieces.push("'");
        at += 2;
      } else if (text[at] === "'") {
        at += 1;
        return pieces.join('');
      } else refuse();
    }
  };
  for (;;) {
    blanks();
    if (text[at] !== '(') refuse();
    at += 1;
    const row: RowTexts = [];
    for (;;) {
      blanks();
      row.push(value());
      blanks();
      if (text[at] === ',') at += 1;
      else if (text[at] === ')') break;
      else refuse();
    }
    at += 1;
    yield row;
    blanks();
    if (text[at] === ',') at += 1;
    else if (text[at] === ';' && text.slice(at + 1).trim() === '') return;
    else refuse();
  }
}
