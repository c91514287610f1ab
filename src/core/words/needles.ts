import { TAIL, type NeedleName } from '../weave/path';

/** A needle with nothing to tell it from others. */
export const WORKING = 'working';

/** A needle as one says it: `working needle`, `tail`, `needle of seam 1`, `tail of section 2`. */
export function needleWords({ of, name }: NeedleName): string {
  const own = name === TAIL ? TAIL : of && name === WORKING ? 'needle' : `${name} needle`;
  return of ? `${own} of ${of}` : own;
}
