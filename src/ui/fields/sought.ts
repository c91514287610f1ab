/** Whether every word that is sought stands somewhere in what is told of a thing; nothing sought finds all. */
export const hasWords = (sought: string, ...told: readonly (string | undefined)[]): boolean => {
  const known = told.join(' ').toLowerCase();
  return sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => known.includes(word));
};
