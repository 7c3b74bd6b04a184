/** The browser has read it by then, ms. */
const READ_MS = 10_000;

/** Offers something as a file of its own. */
export function saveFile(name: string, content: Blob): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), READ_MS);
}
