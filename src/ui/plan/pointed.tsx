'use client';

import { createContext, use, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Section } from '@/core/weave/path';

/** What the weaver points at, whichever picture, row or step it is: the others light up with it. */
export interface Pointed {
  /** Roles that light up. */
  readonly roles: readonly string[];
  /** Units from and to, counted from 0, both included; null where it is no matter of units. */
  readonly units: readonly [from: number, to: number] | null;
  /** The section and the pass that its beads are strung in; null where it is no matter of steps. */
  readonly place: { readonly section: Section; readonly pass: string } | null;
  /** The very bead, as it stands in the picture; null where it is none in particular. */
  readonly bead: { readonly id: number; readonly time: number } | null;
}

interface Pointing {
  readonly pointed: Pointed | null;
  /** It stays until something else is pressed, or Escape. */
  readonly held: boolean;
}

const NOTHING: Pointing = { pointed: null, held: false };
const Context = createContext<StoreApi<Pointing> | null>(null);

/** Everything below knows what is pointed at. */
export function PointedProvider({ children }: { readonly children: ReactNode }) {
  const [store] = useState(() => createStore<Pointing>(() => NOTHING));
  return <Context value={store}>{children}</Context>;
}

function useShared(): StoreApi<Pointing> {
  const store = use(Context);
  if (!store) throw new Error('Pointing needs a PointedProvider above it.');
  return store;
}

export const usePointed = (): Pointed | null => useStore(useShared(), ({ pointed }) => pointed);

/** Whether a role is pointed at; a change elsewhere does not show the component again. */
export const useLit = (role: string): boolean =>
  useStore(useShared(), ({ pointed }) => pointed?.roles.includes(role) ?? false);

export interface Pointer {
  /** Points while the pointer or the focus is there; null takes it away. */
  readonly over: (pointed: Pointed | null) => void;
  /** Points and stays; null lets go. */
  readonly hold: (pointed: Pointed | null) => void;
}

/** All beads of a role, wherever they stand. */
export const pointedRole = (role: string): Pointed => ({
  roles: [role],
  units: null,
  place: null,
  bead: null,
});

/** Points at something, for all pictures, rows and steps. */
export function usePointer(): Pointer {
  const store = useShared();
  const [pointer] = useState((): Pointer => ({
    over: (pointed) => {
      if (!store.getState().held) store.setState({ pointed });
    },
    hold: (pointed) => store.setState({ pointed, held: pointed !== null }),
  }));
  return pointer;
}
