import { CoreError } from '@core/errors';
import { balance } from './balance';
import { bench } from './bench';
import { compare } from './compare';
import { convert } from './convert';
import { detect } from './detect';
import { hours } from './hours';
import { radiator } from './radiator';
import { read } from './read';
import { timelapse } from './timelapse';
import { valve } from './valve';
import { wet } from './wet';
import { usage } from './arguments';

const VERBS: Record<
  string,
  (words: readonly string[]) => { document: unknown; refused: boolean } | Promise<{ document: unknown; refused: boolean }>
> = {
  read,
  compare,
  convert,
  detect,
  balance,
  radiator,
  bench,
  hours,
  timelapse,
  valve,
  wet,
};

/** One JSON document on standard output; 0 all done, 2 refused or wrong use, 1 a crash of ours. */
async function main([verb, ...words]: string[]): Promise<number> {
  try {
    const run = VERBS[verb ?? ''];
    if (!run) throw usage(`There is no verb ${JSON.stringify(verb ?? '')}.`, `Choose one of ${Object.keys(VERBS).join(', ')}.`);
    const { document, refused } = await run(words);
    process.stdout.write(`${JSON.stringify(document)}\n`);
    return refused ? 2 : 0;
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    process.stdout.write(`${JSON.stringify({ error: error.toJSON() })}\n`);
    return 2;
  }
}

process.exitCode = await main(process.argv.slice(2));
