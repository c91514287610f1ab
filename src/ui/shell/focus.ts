'use client';

import { useEffect, useLayoutEffect, useRef, type KeyboardEvent } from 'react';

/** What may take the focus in the place of something within it that is gone. */
const PLACES = 'section, article, form, fieldset, li, header, details, [role="group"], main';

/** Puts the focus on a place that is no control of its own: the next Tab goes on from there. */
export function focusOn(place: HTMLElement): void {
  if (!place.hasAttribute('tabindex')) place.tabIndex = -1;
  place.focus({ preventScroll: true });
}

const mainPlace = () => document.querySelector<HTMLElement>('main');

function placesAround(element: Element): HTMLElement[] {
  const places: HTMLElement[] = [];
  for (let place = element.parentElement; place; place = place.parentElement)
    if (place.matches(PLACES)) places.push(place);
  return places;
}

/** Whatever has the focus and goes, or can be pressed no more: the nearest place around it takes the focus. */
export function useFocusKept(): void {
  useEffect(() => {
    let last: Element | null = null;
    let around: HTMLElement[] = [];
    const note = ({ target }: FocusEvent) => {
      if (!(target instanceof Element)) return;
      last = target;
      around = placesAround(target);
    };
    const look = () => {
      const lost = document.activeElement === document.body || document.activeElement === null;
      if (!lost || !last || (last.isConnected && !last.matches(':disabled'))) return;
      last = null;
      const place = around.find((one) => one.isConnected && one.checkVisibility()) ?? mainPlace();
      if (place) focusOn(place);
    };
    addEventListener('focusin', note);
    const observer = new MutationObserver(look);
    observer.observe(document.body, { childList: true, subtree: true, attributeFilter: ['disabled'] });
    return () => {
      removeEventListener('focusin', note);
      observer.disconnect();
    };
  }, []);
}

/**
 * Of something that opens in its place: it takes the focus, Escape closes it, and what opened it has the focus again.
 * Opened by a key, where nothing had the focus, the screen has it.
 * @param into its first field, itself, or nothing, where the focus stays what it was
 */
export function useOpened<E extends HTMLElement>(
  onClose: (() => void) | null,
  into: 'field' | 'itself' | 'nothing' = 'itself',
) {
  const first = useRef(into);
  const ref = useRef<E>(null);
  useLayoutEffect(() => {
    const opened = ref.current;
    const opener = document.activeElement;
    const field = first.current === 'field' ? opened?.querySelector<HTMLElement>('input, select') : null;
    if (field) field.focus();
    else if (opened && first.current === 'itself' && !opened.contains(opener)) focusOn(opened);
    return () => {
      if (!opened?.contains(document.activeElement) && document.activeElement !== document.body) return;
      const back = opener instanceof HTMLElement && opener !== document.body && opener.isConnected;
      const place = back ? opener : mainPlace();
      place?.focus({ preventScroll: true });
    };
  }, []);
  const onKeyDown = (event: KeyboardEvent) => {
    // A list that is open closes first.
    const list = event.target instanceof Element && event.target.getAttribute('aria-expanded') === 'true';
    if (event.key !== 'Escape' || list || !onClose) return;
    event.stopPropagation();
    onClose();
  };
  return { ref, onKeyDown };
}
