import { CoreError } from '@core/errors';
import { adviseBalance } from '@core/heating/balance/advise';
import { balanceAnswer, balanceStateFrom } from '@core/heating/balance/document';
import { parseArguments, usage } from './arguments';
import { fileBytes } from './read';

/** `./den balance FILE`: what to turn, how long to wait and what to read next, from everything that was read of a circuit. */
export async function balance(words: readonly string[]): Promise<{ document: unknown; refused: boolean }> {
  const args = parseArguments(words, {});
  const [file, ...more] = args.files;
  if (!file || more.length > 0) throw usage('balance takes one file.', 'Write ./den balance FILE.json');
  const text = new TextDecoder().decode(await fileBytes(file));
  try {
    return { document: balanceAnswer(adviseBalance(balanceStateFrom(parsed(text)))), refused: false };
  } catch (error) {
    throw error instanceof CoreError ? error.inFile(file) : error;
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new CoreError('malformed', 'The file is no JSON document.', {}, 'Write one JSON object, as docs/balancing.md says.');
  }
}
