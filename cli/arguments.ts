import { CoreError } from '@core/ground/errors';

export interface Arguments {
  files: string[];
  /** Values of each option, in order; a flag has an empty string. */
  options: Map<string, string[]>;
}

/**
 * Takes the command line apart. Values may begin with a minus (`--reflected -20`), so an option that takes a value takes
 * the next word whatever it looks like.
 *
 * @param known - option names and whether they take a value
 * @throws CoreError `bad_usage`
 */
export function parseArguments(words: readonly string[], known: Readonly<Record<string, 'value' | 'flag'>>): Arguments {
  const files: string[] = [];
  const options = new Map<string, string[]>();
  for (let i = 0; i < words.length; i += 1) {
    const word = words[i]!;
    if (!word.startsWith('--')) {
      files.push(word);
      continue;
    }
    const [name, ...rest] = word.slice(2).split('=');
    const kind = known[name!];
    if (!kind)
      throw usage(
        `There is no option --${name}.`,
        `Known here: ${Object.keys(known)
          .map((k) => `--${k}`)
          .join(' ')}.`,
      );
    let value = rest.join('=');
    if (kind === 'flag' && rest.length > 0) throw usage(`--${name} takes no value.`, `Write --${name} alone.`);
    if (kind === 'value' && rest.length === 0) {
      i += 1;
      if (i >= words.length) throw usage(`--${name} needs a value.`, `Write --${name}=VALUE.`);
      value = words[i]!;
    }
    options.set(name!, [...(options.get(name!) ?? []), value]);
  }
  return { files, options };
}

/** The last value of an option as a number; undefined when absent. */
export function numberOption(args: Arguments, name: string): number | undefined {
  const text = args.options.get(name)?.at(-1);
  return text === undefined ? undefined : toNumber(text, `--${name}`);
}

/** The last value of an option that has to be one of a few words; undefined when absent. @throws CoreError `bad_usage` */
export function choiceOption<T extends string>(args: Arguments, name: string, choices: readonly T[]): T | undefined {
  const text = args.options.get(name)?.at(-1);
  if (text === undefined) return undefined;
  const found = choices.find((choice) => choice === text);
  if (!found) throw usage(`--${name} is ${JSON.stringify(text)}.`, `Choose one of ${choices.join(', ')}.`);
  return found;
}

export function toNumber(text: string, what: string): number {
  const value = Number(text.trim().replace('−', '-'));
  if (text.trim() === '' || !Number.isFinite(value)) {
    throw usage(`${what} is ${JSON.stringify(text)}, which is no number.`, `Give ${what} a number, for example 20.`);
  }
  return value;
}

/** `a=1,b=2` with known names. */
export function namedNumbers(text: string, option: string, names: readonly string[]): Record<string, number> {
  const found: Record<string, number> = {};
  for (const part of text.split(',')) {
    const [name, value, ...more] = part.split('=');
    if (!names.includes(name!) || value === undefined || more.length > 0) {
      throw usage(`--${option} does not know ${JSON.stringify(part)}.`, `Write ${names.map((n) => `${n}=…`).join(',')}.`);
    }
    found[name!] = toNumber(value, `${name} in --${option}`);
  }
  return found;
}

export function usage(message: string, hint: string): CoreError {
  return new CoreError('bad_usage', message, {}, hint);
}
