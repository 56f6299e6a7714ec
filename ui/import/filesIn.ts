/** Files of a drop, with those in its folders, in the order of their paths. */
export async function filesIn(transfer: DataTransfer): Promise<File[]> {
  const entries = [...transfer.items].map((item) => item.webkitGetAsEntry?.() ?? null);
  // What has no entries (a test, an older browser) has its plain files.
  if (!entries.some((entry) => entry?.isDirectory)) return [...transfer.files];
  const found: { path: string; file: File }[] = [];
  for (const entry of entries) if (entry) await collect(entry, found);
  return found.sort((a, b) => a.path.localeCompare(b.path, undefined, { numeric: true })).map(({ file }) => file);
}

async function collect(entry: FileSystemEntry, found: { path: string; file: File }[]): Promise<void> {
  // What systems leave behind is no picture of anybody.
  if (entry.name.startsWith('.') || entry.name === '__MACOSX') return;
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject));
    found.push({ path: entry.fullPath, file });
    return;
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  for (;;) {
    // A reader gives at most a hundred at a time.
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (some.length === 0) return;
    for (const one of some) await collect(one, found);
  }
}
