/** Most rows of materials that are brought in at once, and letters: more than any bead box, read within a second or two. */
export const MOST_TABLE_ROWS = 5000;
export const MOST_TABLE_LETTERS = 1_000_000;

export const TABLE_TOO_LONG = `That table is longer than ${MOST_TABLE_ROWS} rows. Bring it in in parts; nothing was changed.`;
