import { judgeValve } from '@core/method/heating/valve/closedValve';
import { closedValvesFrom, valveAnswer } from '@core/method/heating/valve/document';
import { jsonFile } from './jsonFile';

/** `./den valve FILE`: whether closed valves hold, from how the full pipes behind them cool. */
export const valve = (words: readonly string[]) =>
  jsonFile('valve', words, 'docs/command-line.md', (document) =>
    closedValvesFrom(document).map((one) => valveAnswer(judgeValve(one))),
  );
