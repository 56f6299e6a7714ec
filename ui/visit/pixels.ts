/** Pixels of frames by id, fetched once. A frame's pixels never change, so nothing here ever goes stale. */
export class PixelStore {
  private readonly loaded = new Map<string, Float32Array>();
  private readonly failed = new Map<string, string>();
  private readonly wanted = new Set<string>();
  private readonly listeners = new Set<() => void>();
  private generation = 0;

  constructor(private readonly kind: 'pixels' | 'thumb') {}

  get(frameId: string): Float32Array | undefined {
    return this.loaded.get(frameId);
  }

  problem(frameId: string): string | undefined {
    return this.failed.get(frameId);
  }

  want(frameId: string): void {
    if (this.wanted.has(frameId)) return;
    this.wanted.add(frameId);
    fetch(`/api/frames/${frameId}/${this.kind}`)
      .then(async (response) => {
        if (!response.ok) throw new Error(`The frame could not be loaded (${response.status}).`);
        this.loaded.set(frameId, new Float32Array(await response.arrayBuffer()));
      })
      .catch((error: unknown) => {
        this.wanted.delete(frameId);
        this.failed.set(frameId, error instanceof Error ? error.message : 'The frame could not be loaded.');
      })
      .finally(() => {
        this.generation += 1;
        for (const listener of this.listeners) listener();
      });
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): number => this.generation;
}
