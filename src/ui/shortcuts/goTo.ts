/** What can have the focus, in the order of the screen. */
const STOPS =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), summary, [role="slider"]';

const written = (text: string | null | undefined): string => (text ?? '').replace(/\s+/g, ' ').trim();

/** What a stop is called, as a weaver reads it. */
export function nameOf(stop: HTMLElement): string {
  const labelledBy = (stop.getAttribute('aria-labelledby') ?? '')
    .split(' ')
    .map((id) => (id ? document.getElementById(id)?.textContent : ''))
    .join(' ');
  const labels = 'labels' in stop ? [...((stop as HTMLInputElement).labels ?? [])] : [];
  return written(
    stop.getAttribute('aria-label') ??
      (written(labelledBy) || labels.map((label) => label.textContent).join(' ') || stop.textContent),
  );
}

/** 0 where a name begins with the letters, 1 where a later word of it does; null where none does. */
export function match(name: string, letters: string): 0 | 1 | null {
  const [whole, sought] = [name.toLocaleLowerCase(), letters.toLocaleLowerCase()];
  if (whole.startsWith(sought)) return 0;
  return whole.includes(` ${sought}`) ? 1 : null;
}

/** What surrounds the focus most closely: its own fields come before others of the same name. */
const AROUND = '[role="dialog"], form, [role="group"], fieldset, [role="region"], section, main';

/** A stop, and how many surroundings of the focus one has to leave to come to it. */
export interface Stop {
  readonly element: HTMLElement;
  readonly away: number;
}

/** Every stop of the screen that can be seen. */
export const stops = (): Stop[] =>
  [...document.querySelectorAll<HTMLElement>(STOPS)]
    .filter((element) => element.checkVisibility())
    .map((element) => ({ element, away: away(element) }));

/** Those that the letters lead to: nearest around the focus first, whole names before parts of them. */
export const narrowed = (among: readonly Stop[], letters: string): Stop[] =>
  among
    .flatMap((stop) => {
      const how = match(nameOf(stop.element), letters);
      return how === null ? [] : [{ stop, how }];
    })
    .sort((a, b) => a.stop.away - b.stop.away || a.how - b.how)
    .map(({ stop }) => stop);

function away(stop: HTMLElement): number {
  let steps = 0;
  for (let around = document.activeElement?.closest(AROUND); around; steps++) {
    if (around.contains(stop)) return steps;
    around = around.parentElement?.closest(AROUND);
  }
  return steps;
}
