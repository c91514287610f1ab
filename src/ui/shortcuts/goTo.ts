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

/** The stop that the letters lead to: nearest around the focus first, then by the order of the screen; null where none is. */
export function stopFor(letters: string): HTMLElement | null {
  const stops = [...document.querySelectorAll<HTMLElement>(STOPS)].filter((stop) => stop.checkVisibility());
  const found = stops.flatMap((stop) => {
    const how = match(nameOf(stop), letters);
    return how === null ? [] : [{ stop, how }];
  });
  for (
    let around = document.activeElement?.closest(AROUND) ?? document.body;
    ;
    around = around.parentElement?.closest(AROUND) ?? document.body
  ) {
    const within = found.filter(({ stop }) => around.contains(stop));
    const best = within.find(({ how }) => how === 0) ?? within[0];
    if (best || around === document.body) return best?.stop ?? null;
  }
}
