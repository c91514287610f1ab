import type { Weave } from '../weave/builder';
import type { Needle } from '../weave/needle';
import type { JointId } from '../weave/path';

/** Role of the body that a part goes round. */
export const CORE_ROLE = 'core';
/** The joint at which it is set in. */
export const SET_IN: JointId = 'core';

/** Sets the body in that a part is to be closed about: no thread of the part goes through it. */
export function setIn(w: Weave, needle: Needle): void {
  w.joint(SET_IN, 'set it in', () => needle.enclose(CORE_ROLE, CORE_ROLE));
}

/** What is worked where a body is set in. */
export const isSetIn = (joint: JointId | null): boolean => joint === SET_IN;
