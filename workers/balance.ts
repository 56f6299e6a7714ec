import { expose } from 'comlink';
import { adviseBalance } from '@core/method/heating/balance/advise';
import type { BalanceAdvice, BalanceState } from '@core/method/heating/balance/state';

/** Plans a walk of balancing, away from the page's own thread. */
const api = {
  advise(state: BalanceState): BalanceAdvice {
    return adviseBalance(state);
  },
};

export type BalanceWorker = typeof api;

expose(api);
