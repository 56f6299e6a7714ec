import { CoreError } from '@core/ground/errors';
import { usage } from './arguments';

type Verb = (
  words: readonly string[],
) => { document: unknown; refused: boolean } | Promise<{ document: unknown; refused: boolean }>;

/** Each verb is loaded when it is asked for: what the others need would be half of the time that a short one takes. */
const VERBS: Record<string, () => Promise<Verb>> = {
  read: async () => (await import('./read')).read,
  compare: async () => (await import('./compare')).compare,
  convert: async () => (await import('./convert')).convert,
  detect: async () => (await import('./detect')).detect,
  balance: async () => (await import('./balance')).balance,
  radiator: async () => (await import('./radiator')).radiator,
  bench: async () => (await import('./bench')).bench,
  hours: async () => (await import('./hours')).hours,
  timelapse: async () => (await import('./timelapse')).timelapse,
  valve: async () => (await import('./valve')).valve,
  wet: async () => (await import('./wet')).wet,
};

/** One JSON document on standard output; 0 all done, 2 refused or wrong use, 1 a crash of ours. */
async function main([verb, ...words]: string[]): Promise<number> {
  try {
    const load = VERBS[verb ?? ''];
    if (!load) throw usage(`There is no verb ${JSON.stringify(verb ?? '')}.`, `Choose one of ${Object.keys(VERBS).join(', ')}.`);
    const { document, refused } = await (await load())(words);
    process.stdout.write(`${JSON.stringify(document)}\n`);
    return refused ? 2 : 0;
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    process.stdout.write(`${JSON.stringify({ error: error.toJSON() })}\n`);
    return 2;
  }
}

process.exitCode = await main(process.argv.slice(2));
