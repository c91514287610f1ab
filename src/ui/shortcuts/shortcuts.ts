/** Every key that does something, once: what listens for it and the sheet that shows it read this list. */
export const SHORTCUTS = [
  { id: 'undo', keys: 'mod+z', does: 'undo the last change', where: 'plan' },
  { id: 'redo', keys: 'mod+shift+z', does: 'redo it', where: 'plan' },
  { id: 'fewer', keys: '[', does: 'a unit fewer', where: 'plan' },
  { id: 'more', keys: ']', does: 'a unit more', where: 'plan' },
  { id: 'best', keys: '0', does: 'back to the count that fits best', where: 'plan' },
  {
    id: 'choice',
    keys: '1, 2, 3, 4, 5, 6',
    does: 'open a choice: who and length, stitch, beads …',
    where: 'plan',
  },
  { id: 'view', keys: 'v', does: 'seen from above, from the side, cut across', where: 'plan' },
  { id: 'closer', keys: '+', does: 'closer', where: 'plan' },
  { id: 'further', keys: '-', does: 'further off', where: 'plan' },
  { id: 'true', keys: 't', does: 'true size', where: 'plan' },
  { id: 'marks', keys: 'm', does: 'marks on the beads', where: 'plan' },
  { id: 'teaching', keys: 'k', does: 'teaching colours', where: 'plan' },
  { id: 'compare', keys: 'c', does: 'compare versions', where: 'plan' },
  { id: 'steps', keys: 's', does: 'step by step', where: 'plan' },
  { id: 'stepOn', keys: 'pagedown, right', does: 'done: on to the next step', where: 'make' },
  { id: 'stepBack', keys: 'pageup, left', does: 'one step back', where: 'make' },
  { id: 'unitOn', keys: 'u', does: 'the whole unit is done', where: 'make' },
  { id: 'speak', keys: 'p', does: 'speak the steps, or be quiet', where: 'make' },
  { id: 'bench', keys: 'b', does: 'to the bench', where: 'everywhere' },
  { id: 'start', keys: 'n', does: 'start a piece', where: 'everywhere' },
  { id: 'glossary', keys: 'g', does: 'the glossary', where: 'everywhere' },
  {
    id: 'goTo',
    keys: '/',
    does: 'go to a field or button: then the first letters of its name',
    where: 'everywhere',
  },
  { id: 'sheet', keys: '?', does: 'this sheet', where: 'everywhere' },
] as const;
export type Shortcut = (typeof SHORTCUTS)[number];
export type ShortcutId = Shortcut['id'];

export const shortcut = (id: ShortcutId): Shortcut => {
  const found = SHORTCUTS.find((one) => one.id === id);
  if (!found) throw new Error(`There is no shortcut "${id}".`);
  return found;
};

/** Keys that work alone can be switched off; those with Ctrl or ⌘ stay. */
export const isSingle = ({ keys }: Pick<Shortcut, 'keys'>): boolean => !keys.includes('mod');
