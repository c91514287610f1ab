import { FIRST_ROLES, ROLE_LETTERS, type RoleLetter } from './roles';

/**
 * The roles to choose from where some have a bead: the first, and one more than the last of those.
 * `offeredRoles(['A', 'G'])` goes from A to H.
 */
export function offeredRoles(had: readonly string[]): RoleLetter[] {
  const last = Math.max(...had.map((role) => ROLE_LETTERS.indexOf(role as RoleLetter)));
  return ROLE_LETTERS.slice(0, Math.max(FIRST_ROLES.length, last + 2));
}
