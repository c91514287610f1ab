/** The roles that every piece has a bead for. */
export const FIRST_ROLES = ['A', 'B', 'C', 'D', 'E', 'F'] as const;
/** Roles that get a bead when they come into use. */
export const LATER_ROLES = [
  ...['G', 'H', 'I', 'J', 'K', 'L', 'M', 'N', 'O', 'P'],
  ...['Q', 'R', 'S', 'T', 'U', 'V', 'W', 'X', 'Y', 'Z'],
] as const;
/** All roles that a maker can use, by the letters that they are shown by. */
export const ROLE_LETTERS = [...FIRST_ROLES, ...LATER_ROLES] as const;
export type RoleLetter = (typeof ROLE_LETTERS)[number];
