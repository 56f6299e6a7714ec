import { patchesFrom, wetAnswer } from '@core/work/water/wetDocument';
import { wetOrNot } from '@core/work/water/wet';
import { jsonFile } from './jsonFile';

/** `./den wet FILE`: whether surfaces can be wet, from their temperature, the air and what lies behind them. */
export const wet = (words: readonly string[]) =>
  jsonFile('wet', words, 'docs/command-line.md', (document) => patchesFrom(document).map((one) => wetAnswer(wetOrNot(one))));
