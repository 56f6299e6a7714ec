import { CoreError } from '@core/ground/errors';

/** Lets so many through at once; the others wait in their order. What is heavy stays bounded, however many ask. */
export class Gate {
  private inside = 0;
  private readonly waiting: (() => void)[] = [];

  constructor(private readonly size: number) {}

  /** @throws CoreError `cancelled` when it was given up before its turn */
  async run<T>(work: () => Promise<T>, signal?: AbortSignal): Promise<T> {
    await this.enter(signal);
    try {
      return await work();
    } finally {
      this.inside -= 1;
      this.waiting.shift()?.();
    }
  }

  private async enter(signal?: AbortSignal): Promise<void> {
    while (this.inside >= this.size) {
      await new Promise<void>((resolve) => {
        const go = () => {
          signal?.removeEventListener('abort', leave);
          resolve();
        };
        const leave = () => {
          const place = this.waiting.indexOf(go);
          if (place >= 0) this.waiting.splice(place, 1);
          resolve();
        };
        signal?.addEventListener('abort', leave, { once: true });
        this.waiting.push(go);
      });
      if (signal?.aborted) {
        // Its turn may have come at the same moment: the next one has it then.
        this.waiting.shift()?.();
        throw new CoreError('cancelled', 'Cancelled.', {}, 'Start it again when you are ready.');
      }
    }
    this.inside += 1;
  }
}
