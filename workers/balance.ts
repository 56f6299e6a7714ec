import { expose } from 'comlink';
import { adviseBalance } from '@core/heating/balance/advise';
import type { BalanceAdvice, BalanceState } from '@core/heating/balance/state';

/** Plans a walk of balancing, away from the page's own thread. */
const api = {
  advise(state: BalanceState): BalanceAdvice {
    return adviseBalance(state);
  },
};

export type BalanceWorker = typeof api;

expose(api);
