/** Plain letters, digits and dashes: a name every system takes. */
export const fileName = (words: string, ending: string): string =>
  `${
    words
      .normalize('NFD')
      .replace(/[\u0300-\u036f]/g, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '') || 'list'
  }.${ending}`;

/** Hands a text to the browser as a file to keep. */
export const saveFile = (name: string, type: string, text: string): void =>
  saveAddress(name, URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` })));

/** Hands what waits under an address of the browser's own over as a file to keep. */
export function saveAddress(name: string, url: string): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}
