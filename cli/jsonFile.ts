import { CoreError } from '@core/ground/errors';
import { parseArguments, usage } from './arguments';
import { fileBytes } from './read';

/**
 * Answers the one JSON document of a verb that takes nothing else.
 *
 * @param documented - where its form is written down
 * @throws CoreError with the file's name: `malformed`, or what `answer` throws
 */
export async function jsonFile(
  verb: string,
  words: readonly string[],
  documented: string,
  answer: (document: unknown) => unknown,
): Promise<{ document: unknown; refused: boolean }> {
  const args = parseArguments(words, {});
  const [file, ...more] = args.files;
  if (!file || more.length > 0) throw usage(`${verb} takes one file.`, `Write ./den ${verb} FILE.json`);
  const text = new TextDecoder().decode(await fileBytes(file));
  try {
    return { document: answer(parsed(text, documented)), refused: false };
  } catch (error) {
    throw error instanceof CoreError ? error.inFile(file) : error;
  }
}

function parsed(text: string, documented: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new CoreError('malformed', 'The file is no JSON document.', {}, `Write one JSON document, as ${documented} says.`);
  }
}
