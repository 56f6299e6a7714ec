import type { Page } from '@playwright/test';

/** A real folder of the browser's own, “card”, in place of the dialog that only a hand can answer; from the next page on. */
export async function folderToWatch(page: Page): Promise<void> {
  await page.addInitScript(() => {
    (window as unknown as { showDirectoryPicker: unknown }).showDirectoryPicker = async () => {
      const root = await navigator.storage.getDirectory();
      return root.getDirectoryHandle('card', { create: true });
    };
  });
}

/** Puts a file into that folder. */
export async function write(page: Page, name: string, bytes: Buffer): Promise<void> {
  await page.evaluate(
    async ([fileName, base64]) => {
      const root = await navigator.storage.getDirectory();
      const card = await root.getDirectoryHandle('card', { create: true });
      const file = await (await card.getFileHandle(fileName!, { create: true })).createWritable();
      await file.write(Uint8Array.from(atob(base64!), (c) => c.charCodeAt(0)));
      await file.close();
    },
    [name, bytes.toString('base64')],
  );
}
