import { createInterface } from 'node:readline/promises';
import { refusal } from './say';

/** Asks before something is thrown away. Without somebody to answer the answer is no. @throws CoreError unless it is yes */
export async function requireYes(words: string[], what: string): Promise<void> {
  if (words.includes('--yes')) return;
  const lines = createInterface({ input: process.stdin, output: process.stdout });
  const ended = new Promise<string>((resolve) => lines.once('close', () => resolve('')));
  const answer = await Promise.race([lines.question(`${what} Type yes to go on: `), ended]);
  lines.close();
  if (answer.trim() !== 'yes') throw refusal('Nothing was changed.');
}
