/** A name as a file may have it. */
export const fileName = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\w -]/g, '')
    .trim()
    .replaceAll(' ', '-')
    .toLowerCase()
    .slice(0, 60) || 'piece';
