/** Hands a file to the browser to be kept. */
export function saveFile(content: string | Blob, name: string, type: string): void {
  const url = URL.createObjectURL(content instanceof Blob ? content : new Blob([content], { type }));
  takeFile(url, name);
  URL.revokeObjectURL(url);
}

/** Hands what is at an address to the browser to be kept; under the name that it comes with where none is given. */
export function takeFile(url: string, name = ''): void {
  Object.assign(document.createElement('a'), { href: url, download: name }).click();
}
