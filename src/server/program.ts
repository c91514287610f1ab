import { existsSync, readFileSync } from 'node:fs';

let known: string | null = null;

/** Which build of the program this is: what was worked out by another may come out otherwise now. */
export function programId(): string {
  const file = '.next/BUILD_ID';
  known ??= existsSync(file) ? readFileSync(file, 'utf8').trim() : `started ${Date.now()}`;
  return known;
}
