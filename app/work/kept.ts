import { KEPT_SCHEMAS, type Kept } from '@core/paper/kept';

/**
 * Has a result found out once for all pages, reports and devices: what is kept under the same inputs is taken, else it is found
 * out here and kept. What goes wrong with the keeping holds nobody up.
 *
 * @param inputs - all that the result follows from
 * @param find - finds it out; `whole` is false for what is only good for now, null for what cannot be found out
 */
export async function once<K extends keyof Kept, None extends null = never>(
  kind: K,
  inputs: string,
  find: () => Promise<{ value: Kept[K]; whole: boolean } | None>,
): Promise<Kept[K] | None> {
  const address = await addressOf(kind, inputs);
  const known = address && (await keptAt(kind, address));
  if (known) return known;
  const found = await find();
  if (found?.whole && address) void keepAt(address, kind, found.value);
  return found === null ? found : found.value;
}

/** Where a result is kept; null where the browser cannot hash, which it refuses to pages that come from afar without a cipher. */
async function addressOf(kind: string, inputs: string): Promise<string | null> {
  if (!globalThis.crypto?.subtle) return null;
  const hash = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(inputs));
  return `/api/kept/${kind}/${[...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, '0')).join('')}`;
}

async function keptAt<K extends keyof Kept>(kind: K, address: string): Promise<Kept[K] | null> {
  try {
    const { value } = (await (await fetch(address)).json()) as { value: unknown };
    return value === null ? null : KEPT_SCHEMAS[kind].parse(value);
  } catch {
    return null;
  }
}

/** Keeps a result that was found out where it had to be found out anyway. */
export async function keepFound<K extends keyof Kept>(kind: K, inputs: string, value: Kept[K]): Promise<void> {
  const address = await addressOf(kind, inputs);
  if (address) await keepAt(address, kind, value);
}

async function keepAt<K extends keyof Kept>(address: string, kind: K, value: Kept[K]): Promise<void> {
  const body = JSON.stringify({ kind, value });
  await fetch(address, { method: 'PUT', headers: { 'content-type': 'application/json' }, body }).catch(() => undefined);
}
