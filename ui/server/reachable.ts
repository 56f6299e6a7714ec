/** How often a server that does not answer is asked whether it is back. */
const ASK_EVERY_MS = 1500;

let lost = false;
let coming: Promise<void> | null = null;
const listeners = new Set<() => void>();

function set(value: boolean): void {
  if (lost === value) return;
  lost = value;
  for (const listener of listeners) listener();
}

export const subscribeLost = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether server or database did not answer when they were asked last. */
export const isLost = (): boolean => lost;

async function answers(): Promise<boolean> {
  return fetch('/api/health', { cache: 'no-store' }).then(
    ({ ok }) => ok,
    () => false,
  );
}

/** Says that something was not answered, and resolves when server and database answer again. */
export function untilBack(): Promise<void> {
  coming ??= (async () => {
    while (!(await answers())) {
      set(true);
      await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS));
    }
    set(false);
    coming = null;
  })();
  return coming;
}

/** Before something that was refused because others wrote is sent again, ms. */
const BREATH_MS = 150;

/**
 * A request that may be sent again without harm: while server or database do not answer it waits, and goes on when they do.
 *
 * @throws as `fetch` when it is given up by its signal
 */
export async function patientFetch(address: string, init: RequestInit = {}): Promise<Response> {
  for (;;) {
    const response = await fetch(address, init).catch((error: unknown) => {
      if (init.signal?.aborted) throw error;
      return null;
    });
    if (response && response.status !== 503) return response;
    await untilBack();
    init.signal?.throwIfAborted();
    await new Promise((resolve) => setTimeout(resolve, BREATH_MS));
  }
}
