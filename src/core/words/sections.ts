import { FINISH, WOVEN, type Section } from '../weave/path';

/** What a section is called: the loop of an end, a component by its own name. */
export function sectionWords(section: Section): string {
  if (section === FINISH) return 'finish';
  if (section === WOVEN) return 'work';
  const { joint, part, zone } = section;
  if (joint !== null && zone === 'woven') return `${joint} turn`;
  if (joint === 'start' || joint === 'end') return `${joint} loop`;
  return joint ?? part;
}
