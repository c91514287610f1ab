'use client';

import { useEffect, useId } from 'react';
import { create } from 'zustand';

/** A field in which something stands that does not count. */
export interface Unfinished {
  readonly label: string;
  readonly typed: string;
  /** What counts meanwhile; empty where nothing does. */
  readonly counts: string;
}

const useFields = create<{ readonly fields: ReadonlyMap<string, Unfinished> }>(() => ({ fields: new Map() }));

const put = (id: string, field: Unfinished | null) =>
  useFields.setState(({ fields }) => {
    const next = new Map(fields);
    if (field) next.set(id, field);
    else next.delete(id);
    return { fields: next };
  });

/** Says that something stands in a field that does not count; null once it does again. */
export function useUnfinishedField(label: string, typed: string | null, counts: string): void {
  const id = useId();
  useEffect(() => {
    if (typed === null) return;
    put(id, { label, typed, counts });
    return () => put(id, null);
  }, [id, label, typed, counts]);
}

/** Fields on the screen in which something stands that does not count. */
export const useUnfinished = (): readonly Unfinished[] => {
  const { fields } = useFields();
  return [...fields.values()];
};
