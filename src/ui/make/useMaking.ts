'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Happening, MakingEvent } from '@/core/making/events';
import { making, type Making } from '@/core/making/making';
import type { Mat } from '@/core/making/mat';
import { EventSync, type Known, type TellState } from './eventSync';

/** Other windows of this browser are told at once; those of other devices are heard when one looks, and every so often, ms. */
const CHANNEL = 'ivyloom-making';
const ASK_MS = 15_000;

interface Held {
  readonly state: Making;
  /** Tells what happened; it may ask where the work is by then, for two quick taps are two steps. */
  readonly happens: (what: Happening | ((state: Making) => Happening | null)) => void;
  readonly telling: TellState;
}

/** The work at a mat: what happened there, and what this window tells. */
export function useMaking(matId: string, mat: Mat, initial: Known): Held {
  const [window] = useState(() => crypto.randomUUID());
  const [events, setEvents] = useState<readonly MakingEvent[]>(initial.events);
  const [telling, setTelling] = useState<TellState>({ kind: 'opening' });
  const sync = useRef<EventSync | null>(null);

  useEffect(() => {
    const channel = new BroadcastChannel(CHANNEL);
    const opened = new EventSync(matId, initial, {
      onChange: (known, waiting, how) => {
        setEvents([...known.events, ...waiting]);
        setTelling(how);
      },
      onTold: () => channel.postMessage(matId),
    });
    sync.current = opened;
    channel.onmessage = ({ data }) => {
      if (data === matId) opened.hurry();
    };
    void opened.open();
    const hurry = () => {
      if (document.visibilityState === 'visible') opened.hurry();
    };
    const timer = setInterval(hurry, ASK_MS);
    addEventListener('online', hurry);
    document.addEventListener('visibilitychange', hurry);
    return () => {
      clearInterval(timer);
      removeEventListener('online', hurry);
      document.removeEventListener('visibilitychange', hurry);
      opened.close();
      channel.close();
      sync.current = null;
    };
    // What the page brought is where it begins; the rest comes through the sync itself.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [matId]);

  const state = useMemo(() => making(mat, events, window), [mat, events, window]);
  /** Where the work is by the last tap, before anything is drawn anew. */
  const latest = useRef({ events, state });
  useEffect(() => {
    latest.current = { events, state };
  }, [events, state]);

  const happens = useCallback<Held['happens']>(
    (asked) => {
      const { events: before, state: now } = latest.current;
      const what = typeof asked === 'function' ? asked(now) : asked;
      if (!what) return;
      const at = new Date().toISOString();
      const event: MakingEvent = { id: crypto.randomUUID(), window, after: now.after, at, what };
      const next = [...before, event];
      latest.current = { events: next, state: making(mat, next, window) };
      sync.current?.happened(event);
    },
    [mat, window],
  );
  return { state, happens, telling };
}
