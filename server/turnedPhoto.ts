import { LRUCache } from 'lru-cache';
import { oneAtATime } from './photoFacts';
import { practiceMarked, uprightPhoto } from './picture';
import sharp from 'sharp';

/** Longer sides no screen shows. */
const LONGEST_SIDE = 4096;
const CACHE_BYTES = 32 * 1024 * 1024;

const shared = globalThis as { denTurned?: LRUCache<string, Buffer> };

/**
 * A photo as people turned it, and as what it is marked where it is of a practice visit, as JPEG. Turning takes seconds and some hundred megabytes for a large one: it is done once,
 * one photo at a time, and kept for as long as there is room.
 *
 * @param key - names the photo's bytes and how they are turned
 */
export async function turnedPhoto(
  key: string,
  load: () => Promise<Uint8Array>,
  turn: { quarters: number; mirrored: boolean; practice: boolean },
): Promise<Buffer> {
  shared.denTurned ??= new LRUCache({ maxSize: CACHE_BYTES, sizeCalculation: ({ length }) => Math.max(1, length) });
  const cache = shared.denTurned;
  return (
    cache.get(key) ??
    oneAtATime().run(async () => {
      // Whoever waited here for the same one finds it made.
      const made = cache.get(key) ?? (await turned(await load(), turn));
      cache.set(key, made);
      return made;
    })
  );
}

async function turned(bytes: Uint8Array, turn: { quarters: number; mirrored: boolean; practice: boolean }): Promise<Buffer> {
  const upright = uprightPhoto(await shrunk(bytes), turn).flatten({ background: 'white' });
  if (!turn.practice) return upright.jpeg({ quality: 88 }).toBuffer();
  return sharp(await practiceMarked(await upright.png({ compressionLevel: 1 }).toBuffer()))
    .jpeg({ quality: 88 })
    .toBuffer();
}

/** Made smaller first, as it is read: a whole large picture is turned in memory otherwise. Which way is up stays known. */
function shrunk(bytes: Uint8Array): Promise<Buffer> {
  return sharp(bytes).resize(LONGEST_SIDE, LONGEST_SIDE, { fit: 'inside', withoutEnlargement: true }).keepExif().toBuffer();
}
