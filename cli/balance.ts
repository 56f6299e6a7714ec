import { adviseBalance } from '@core/method/heating/balance/advise';
import { balanceAnswer, balanceStateFrom } from '@core/method/heating/balance/document';
import { jsonFile } from './jsonFile';

/** `./den balance FILE`: what to turn, how long to wait and what to read next, from everything that was read of a circuit. */
export const balance = (words: readonly string[]) =>
  jsonFile('balance', words, 'docs/balancing.md', (document) => balanceAnswer(adviseBalance(balanceStateFrom(document))));
