import { patientFetch } from '@ui/server/reachable';

/** As many bytes as a page keeps, by kind: some two hundred frames of 640 × 480, and the thumbnails of thousands. */
const ROOM: Record<'pixels' | 'thumb', number> = { pixels: 256 * 1024 * 1024, thumb: 64 * 1024 * 1024 };

/**
 * Pixels of frames by id, fetched once for each hash: a frame that was turned has others. What was not looked at for the
 * longest time is let go of when there is no more room, and fetched again when it is looked at.
 */
export class PixelStore {
  /** The one that was looked at last comes last. */
  private readonly loaded = new Map<string, Float32Array>();
  private readonly letGo = new Set<string>();
  private bytes = 0;
  private readonly failed = new Map<string, string>();
  private readonly wanted = new Set<string>();
  private readonly listeners = new Set<() => void>();
  private readonly hashes = new Map<string, string>();
  private generation = 0;

  constructor(
    private readonly kind: 'pixels' | 'thumb',
    private readonly room = ROOM[kind],
  ) {}

  /** Says which pixels frames have now; what was fetched under another hash is fetched again. */
  know(facts: Record<string, { pixelsSha: string }>): void {
    for (const [id, { pixelsSha }] of Object.entries(facts)) {
      const before = this.hashes.get(id);
      if (before === pixelsSha) continue;
      this.hashes.set(id, pixelsSha);
      if (before === undefined) continue;
      this.drop(id);
      this.failed.delete(id);
      if (this.wanted.delete(id)) this.want(id);
    }
  }

  get(frameId: string): Float32Array | undefined {
    const values = this.loaded.get(frameId);
    if (values) {
      this.loaded.delete(frameId);
      this.loaded.set(frameId, values);
    } else if (this.letGo.delete(frameId)) {
      queueMicrotask(() => this.want(frameId));
    }
    return values;
  }

  /** The same without looking at it. */
  peek(frameId: string): Float32Array | undefined {
    return this.loaded.get(frameId);
  }

  private keep(frameId: string, values: Float32Array): void {
    this.drop(frameId);
    this.loaded.set(frameId, values);
    this.bytes += values.byteLength;
    for (const oldest of this.loaded.keys()) {
      if (this.bytes <= this.room || oldest === frameId) break;
      this.drop(oldest);
      this.wanted.delete(oldest);
      this.letGo.add(oldest);
    }
  }

  private drop(frameId: string): void {
    this.bytes -= this.loaded.get(frameId)?.byteLength ?? 0;
    this.loaded.delete(frameId);
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
        if (hash === this.hashes.get(frameId)) this.keep(frameId, values);
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

  /** A frame's values once they are there, asked for again where they could not be had before; null when they still cannot. */
  load(frameId: string): Promise<Float32Array | null> {
    this.failed.delete(frameId);
    return new Promise((resolve) => {
      const look = () => {
        const values = this.peek(frameId);
        if (!values && this.problem(frameId) === undefined) return false;
        resolve(values ?? null);
        return true;
      };
      if (look()) return;
      const leave = this.subscribe(() => {
        if (look()) leave();
      });
      this.want(frameId);
    });
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): number => this.generation;
}
