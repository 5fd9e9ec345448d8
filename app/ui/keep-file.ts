const KEPT_MS = 10_000;

/** Gives what was fetched to the browser under its name, as the link itself would. */
export function keepFile(file: Blob, name: string): void {
  const address = URL.createObjectURL(file);
  const link = Object.assign(document.createElement("a"), { href: address, download: name });
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), KEPT_MS);
}
