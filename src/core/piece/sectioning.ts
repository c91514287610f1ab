import {
  FEW_UNITS,
  listed,
  MOST_SECTIONS,
  NO_SECTIONS,
  type Listed,
  type SectionChoice,
  type Sections,
} from '../structures/sections';
import type { RoleLetter } from '../structures/roles';

/** The sections that a list tells. */
function told(all: readonly Listed[], mirrored: boolean): Sections {
  const own = all.findIndex((one) => one.own);
  const sections = (some: readonly Listed[]) =>
    some.flatMap((one) => {
      if (one.own) return [];
      const { own: _own, ...section } = one;
      return [section];
    });
  return { before: sections(all.slice(0, own)), after: sections(all.slice(own + 1)), mirrored };
}

/** Where a section can be put beside the part's own units. */
export const SIDES = ['before', 'after'] as const;

/** Whether there can be one more on a side. */
export const hasRoomFor = (side: (typeof SIDES)[number], sections: Sections = NO_SECTIONS): boolean =>
  sections[side].length < MOST_SECTIONS;

/** One section more, next to the part's own units; it has so many units of one bead to begin with. */
export const withSection = (
  side: (typeof SIDES)[number],
  role: RoleLetter,
  sections: Sections = NO_SECTIONS,
): Sections => {
  const one: SectionChoice = { sequence: [role], times: FEW_UNITS };
  return side === 'before'
    ? { ...sections, before: [...sections.before, one] }
    : { ...sections, after: [one, ...sections.after] };
};
/** The same with one of the list changed. */
export const withSectionChanged = (
  sections: Sections,
  index: number,
  change: Partial<SectionChoice>,
): Sections =>
  told(
    listed(sections).map((one, i) => (i === index && !one.own ? { ...one, ...change } : one)),
    sections.mirrored,
  );

/** The same without one of the list. */
export const withoutSection = (sections: Sections, index: number): Sections =>
  told(
    listed(sections).filter((_, i) => i !== index),
    sections.mirrored,
  );

/** The same with one of the list a place earlier or later. */
export function withSectionMoved(sections: Sections, index: number, by: 1 | -1): Sections {
  const all = listed(sections);
  const [one, other] = [all[index], all[index + by]];
  if (!one || !other) return sections;
  const next = all.with(index, other).with(index + by, one);
  return told(next, sections.mirrored);
}

/** Whether one of the list can be moved so: neither side takes more than it can hold. */
export const canMove = (sections: Sections, index: number, by: 1 | -1): boolean => {
  const to = index + by;
  if (to < 0 || to >= listed(sections).length) return false;
  const { before, after } = withSectionMoved(sections, index, by);
  return before.length <= MOST_SECTIONS && after.length <= MOST_SECTIONS;
};
