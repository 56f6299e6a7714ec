import { patientFetch } from '@ui/server/reachable';

/** Pixels of frames by id, fetched once for each hash: a frame that was turned has others. */
export class PixelStore {
  private readonly loaded = new Map<string, Float32Array>();
  private readonly failed = new Map<string, string>();
  private readonly wanted = new Set<string>();
  private readonly listeners = new Set<() => void>();
  private readonly hashes = new Map<string, string>();
  private generation = 0;

  constructor(private readonly kind: 'pixels' | 'thumb') {}

  /** Says which pixels frames have now; what was fetched under another hash is fetched again. */
  know(facts: Record<string, { pixelsSha: string }>): void {
    for (const [id, { pixelsSha }] of Object.entries(facts)) {
      const before = this.hashes.get(id);
      if (before === pixelsSha) continue;
      this.hashes.set(id, pixelsSha);
      if (before === undefined) continue;
      this.loaded.delete(id);
      this.failed.delete(id);
      if (this.wanted.delete(id)) this.want(id);
    }
  }

  get(frameId: string): Float32Array | undefined {
    return this.loaded.get(frameId);
  }

  problem(frameId: string): string | undefined {
    return this.failed.get(frameId);
  }

  want(frameId: string): void {
    if (this.wanted.has(frameId)) return;
    this.wanted.add(frameId);
    const hash = this.hashes.get(frameId);
    patientFetch(`/api/frames/${frameId}/${this.kind}${hash ? `?v=${hash.slice(0, 16)}` : ''}`)
      .then(async (response) => {
        if (!response.ok) throw new Error(`The frame could not be loaded (${response.status}).`);
        const values = new Float32Array(await response.arrayBuffer());
        if (hash === this.hashes.get(frameId)) this.loaded.set(frameId, values);
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
