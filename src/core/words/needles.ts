import { TAIL } from '../weave/path';

const OF_THREAD = `, ${TAIL}`;

/** What a stretch of thread belongs to beside the piece itself, and what it is there: `section 2`, `seam 1`. */
function asNamed(needle: string): { readonly of: string | null; readonly name: string } {
  const [stretch, name] = needle.split('/').slice(-2);
  if (stretch && name) return { of: stretch, name };
  if (!needle.startsWith('seam')) return { of: null, name: needle };
  return needle.endsWith(OF_THREAD)
    ? { of: needle.slice(0, -OF_THREAD.length), name: TAIL }
    : { of: needle, name: 'working' };
}

/** A needle as one says it: `working needle`, `tail`, `needle of seam 1`, `tail of section 2`. */
export function needleWords(needle: string): string {
  const { of, name } = asNamed(needle);
  const own = name === TAIL ? TAIL : of && name === 'working' ? 'needle' : `${name} needle`;
  return of ? `${own} of ${of}` : own;
}

/** What a thread works, where there are several: its stretch, or the needle that it is on. */
export const threadOf = (needle: string): string => asNamed(needle).of ?? needle;
