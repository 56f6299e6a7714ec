/** Some browsers read a file only after the press has been dealt with, ms. */
const READ_BY_MS = 60_000;

/** Hands a file to the browser, which keeps it where it keeps downloads. */
export function saveFile(file: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), READ_BY_MS);
}
