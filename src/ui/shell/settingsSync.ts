'use client';

import { useMemo, useSyncExternalStore } from 'react';
import * as z from 'zod';
import type { LengthUnit } from '@/core/length/length';
import {
  changedSettings,
  settingsChangeSchema,
  settingsSchema,
  type Settings,
} from '@/core/records/settings';
import type { SettingsEdit } from '@/server/settingsRoute';

/** Unit and habits as the server has them; of two states the one with the higher revision is the newer. */
interface Kept {
  readonly lengthUnit: LengthUnit;
  readonly settings: Settings;
  readonly settingsRevision: number;
}

/** What is told of it on the settings screen. */
interface State {
  readonly words: string;
  /** The newest that the server has told, null before it has. */
  readonly newest: Kept | null;
  /** Edits that it has not acknowledged, all in one. */
  readonly owed: SettingsEdit;
}

const keptSchema = z.object({
  lengthUnit: z.enum(['in', 'cm']),
  settings: settingsSchema,
  settingsRevision: z.number(),
});
const editSchema = z.object({
  lengthUnit: z.enum(['in', 'cm']).optional(),
  settings: settingsChangeSchema.optional(),
});

const NOTHING: SettingsEdit = {};
const isNothing = ({ lengthUnit, settings }: SettingsEdit) =>
  lengthUnit === undefined && settings === undefined;

/** Two edits as one, the later one winning. */
const merged = (first: SettingsEdit, then: SettingsEdit): SettingsEdit => ({
  ...first,
  ...then,
  ...(first.settings && { settings: changedSettings(first.settings, then.settings ?? {}) }),
});

const PREFIX = 'ivyloom-settings/';
const RETRY_MS = [500, 2000, 5000, 10_000];

/** Where a browser keeps what a window owes, at once and for good; one that keeps nothing sends all the same. */
function keepIn(key: string, edit: SettingsEdit): void {
  try {
    if (isNothing(edit)) localStorage.removeItem(key);
    else localStorage.setItem(key, JSON.stringify(edit));
  } catch {
    // Full or forbidden: it lives in this window until it is sent.
  }
}

type SendAnswer =
  | { readonly kind: 'saved'; readonly kept: Kept }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'unheard' };

async function send(edit: SettingsEdit): Promise<SendAnswer> {
  try {
    const response = await fetch('/api/settings', {
      method: 'PATCH',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(edit),
      keepalive: true,
    });
    if (response.status >= 500) return { kind: 'unheard' };
    const answer: unknown = await response.json();
    const kept = keptSchema.safeParse(answer);
    if (response.ok && kept.success) return { kind: 'saved', kept: kept.data };
    const told = z.object({ message: z.string() }).safeParse(answer);
    return { kind: 'refused', message: told.data?.message ?? 'These settings were not taken. Choose again.' };
  } catch {
    return { kind: 'unheard' };
  }
}

/**
 * Carries changes of unit and habits to the server as edits of a piece are carried: shown at once, kept in the browser
 * until they are acknowledged, sent one after another. An edit names only what it changes, so it does no harm twice.
 */
export class SettingsSync {
  private state: State = { words: 'saved', newest: null, owed: NOTHING };
  private sending: SettingsEdit = NOTHING;
  private next: SettingsEdit = NOTHING;
  private failures = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();
  private readonly key = `${PREFIX}${Math.random().toString(36).slice(2)}`;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  read = (): State => this.state;

  edit(edit: SettingsEdit): void {
    this.next = merged(this.next, edit);
    this.changed('saving …');
    keepIn(this.key, this.state.owed);
    if (isNothing(this.sending)) void this.deliver();
  }

  private async deliver(): Promise<void> {
    clearTimeout(this.timer);
    [this.sending, this.next] = [this.next, NOTHING];
    const answer = await send(this.sending);
    if (answer.kind === 'unheard') {
      this.next = merged(this.sending, this.next);
      this.sending = NOTHING;
      const wait = RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)];
      this.timer = setTimeout(() => void this.deliver(), wait);
      return this.changed('kept in this browser; Ivy Loom does not answer, trying again …');
    }
    this.failures = 0;
    this.sending = NOTHING;
    const more = !isNothing(this.next);
    if (answer.kind === 'saved') this.changed(more ? 'saving …' : 'saved', answer.kept);
    else this.changed(answer.message);
    keepIn(this.key, this.state.owed);
    if (more) await this.deliver();
  }

  private changed(words: string, newest = this.state.newest): void {
    this.state = { words, newest, owed: merged(this.sending, this.next) };
    for (const listener of this.listeners) listener();
  }

  /** Takes up what windows that are gone could not send. */
  async takeUp(): Promise<void> {
    for (const key of Object.keys(localStorage).filter((one) => one.startsWith(PREFIX) && one !== this.key)) {
      const left = editSchema.safeParse(readJson(localStorage.getItem(key)));
      if (!left.success) continue;
      const answer = await send(left.data);
      if (answer.kind === 'unheard') continue;
      localStorage.removeItem(key);
      if (answer.kind === 'saved') this.changed(this.state.words, answer.kept);
    }
  }
}

function readJson(text: string | null): unknown {
  try {
    return JSON.parse(text ?? '');
  } catch {
    return null;
  }
}

const sync = new SettingsSync();
const atFirst = sync.read();

/** Changes unit or habits: shown at once, saved as it goes. */
export const changeSettings = (edit: SettingsEdit): void => sync.edit(edit);

/** Sends what a window that is gone still owed. */
export const deliverSettings = (): Promise<void> => sync.takeUp().catch(() => undefined);

/** How saving them goes, in words. */
export const useSettingsState = (): Pick<State, 'words'> =>
  useSyncExternalStore(sync.subscribe, sync.read, () => atFirst);

/** Unit and habits as they are now: what the page came with or the server has told since, and what is changed here. */
export function useSettingsNow(page: Kept): Pick<Kept, 'lengthUnit' | 'settings'> {
  const { newest, owed } = useSyncExternalStore(sync.subscribe, sync.read, () => atFirst);
  return useMemo(() => {
    const kept = newest && newest.settingsRevision > page.settingsRevision ? newest : page;
    return {
      lengthUnit: owed.lengthUnit ?? kept.lengthUnit,
      settings: changedSettings(kept.settings, owed.settings ?? {}),
    };
  }, [newest, owed, page]);
}
