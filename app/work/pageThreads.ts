import { releaseProxy, wrap, type Remote } from 'comlink';
import type { AlignWorker } from '../../workers/align';
import type { BalanceWorker } from '../../workers/balance';
import type { CompareWorker } from '../../workers/compare';
import type { DetectWorker } from '../../workers/detect';
import type { LoanWorker } from '../../workers/loan';
import type { TimelapseWorker } from '../../workers/timelapse';
import { Threads, type Thread } from './threads';

/** What can be computed beside a page. */
export interface PageApis {
  align: Remote<AlignWorker>;
  balance: Remote<BalanceWorker>;
  compare: Remote<CompareWorker>;
  detect: Remote<DetectWorker>;
  loan: Remote<LoanWorker>;
  timelapse: Remote<TimelapseWorker>;
}

function threadOf<T>(worker: Worker): Thread<Remote<T>> {
  const api = wrap<T>(worker);
  return {
    api,
    onBroken(tell) {
      worker.onerror = tell;
      worker.onmessageerror = tell;
    },
    end() {
      api[releaseProxy]();
      worker.terminate();
    },
  };
}

/** The threads of this page; the addresses stand here in full, because the build looks for them. */
export const pageThreads = new Threads<PageApis>({
  align: () => threadOf<AlignWorker>(new Worker(new URL('../../workers/align.ts', import.meta.url), { type: 'module' })),
  balance: () => threadOf<BalanceWorker>(new Worker(new URL('../../workers/balance.ts', import.meta.url), { type: 'module' })),
  compare: () => threadOf<CompareWorker>(new Worker(new URL('../../workers/compare.ts', import.meta.url), { type: 'module' })),
  detect: () => threadOf<DetectWorker>(new Worker(new URL('../../workers/detect.ts', import.meta.url), { type: 'module' })),
  loan: () => threadOf<LoanWorker>(new Worker(new URL('../../workers/loan.ts', import.meta.url), { type: 'module' })),
  timelapse: () =>
    threadOf<TimelapseWorker>(new Worker(new URL('../../workers/timelapse.ts', import.meta.url), { type: 'module' })),
});
