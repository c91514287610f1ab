'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { BenchCard, BenchCards } from '@/server/screens';
import type { LaidOut } from '../layouts/useLayouts';

/** A card, and what its picture is drawn from; told apart from one that could not be fetched. */
export type ShownCard = { readonly card: BenchCard; readonly laidOut: LaidOut } | 'not fetched';

/** How long cards that come into view are gathered before they are asked for, ms. */
const GATHER_MS = 60;
/** Cards of one request. */
const AT_ONCE = 12;

const shown = ({ cards, laidOut }: BenchCards): [string, ShownCard][] =>
  Object.entries(cards).map(([id, card]) => [id, { card, laidOut }]);

async function fetchCards(ids: readonly string[]): Promise<[string, ShownCard][]> {
  try {
    const response = await fetch('/api/cards', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ids }),
    });
    if (response.ok) return shown((await response.json()) as BenchCards);
  } catch {
    // Told below.
  }
  return ids.map((id) => [id, 'not fetched']);
}

/**
 * The cards of a bench: the first come with the page, the others when they are wanted. After the bench has changed
 * those that are in view are asked for anew, and stay as they were meanwhile.
 */
export function useCards(first: BenchCards): {
  readonly cards: ReadonlyMap<string, ShownCard>;
  readonly want: (id: string) => void;
} {
  const [later, setLater] = useState<ReadonlyMap<string, ShownCard>>(new Map());
  const wanted = useRef(new Set<string>());
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);

  const fetchWanted = useCallback(async () => {
    const ids = [...wanted.current];
    wanted.current.clear();
    for (let from = 0; from < ids.length; from += AT_ONCE) {
      const come = await fetchCards(ids.slice(from, from + AT_ONCE));
      setLater((before) => new Map([...before, ...come]));
    }
  }, []);
  const want = useCallback(
    (id: string) => {
      wanted.current.add(id);
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void fetchWanted(), GATHER_MS);
    },
    [fetchWanted],
  );
  return { cards: new Map([...later, ...shown(first)]), want };
}
