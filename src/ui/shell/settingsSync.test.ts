import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { changedSettings, USUAL_SETTINGS } from '@/core/records/settings';
import type { SettingsEdit } from '@/server/settingsRoute';
import { SettingsSync } from './settingsSync';

/** A server that keeps settings, and what it was sent. */
let kept: { lengthUnit: 'in' | 'cm'; settings: typeof USUAL_SETTINGS; settingsRevision: number };
let sent: SettingsEdit[];
/** Answers that come first, instead of the server's. */
let first: (Response | Error)[];
const storage = new Map<string, string>();

beforeEach(() => {
  vi.useFakeTimers();
  kept = { lengthUnit: 'in', settings: USUAL_SETTINGS, settingsRevision: 0 };
  sent = [];
  first = [];
  storage.clear();
  vi.stubGlobal('fetch', (_: string, { body }: { body: string }) => {
    const edit = JSON.parse(body) as SettingsEdit;
    sent.push(edit);
    const odd = first.shift();
    if (odd instanceof Error) return Promise.reject(odd);
    if (odd) return Promise.resolve(odd);
    kept = {
      lengthUnit: edit.lengthUnit ?? kept.lengthUnit,
      settings: changedSettings(kept.settings, edit.settings ?? {}),
      settingsRevision: kept.settingsRevision + 1,
    };
    return Promise.resolve(Response.json(kept));
  });
  vi.stubGlobal(
    'localStorage',
    new Proxy(
      {
        getItem: (key: string) => storage.get(key) ?? null,
        setItem: (key: string, value: string) => storage.set(key, value),
        removeItem: (key: string) => storage.delete(key),
      },
      {
        ownKeys: () => [...storage.keys()],
        getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
      },
    ),
  );
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const gone = () => new TypeError('Failed to fetch');

describe('settings on their way', () => {
  it('are shown and kept in the browser at once, and sent', async () => {
    const sync = new SettingsSync();
    sync.edit({ lengthUnit: 'cm' });
    expect(sync.read()).toMatchObject({ words: 'saving …', owed: { lengthUnit: 'cm' } });
    expect([...storage.values()]).toEqual(['{"lengthUnit":"cm"}']);
    await vi.runAllTimersAsync();
    expect(sync.read()).toMatchObject({ words: 'saved', owed: {}, newest: { lengthUnit: 'cm' } });
    expect(storage.size).toBe(0);
  });

  it('go one after another, those made meanwhile together, and the last of each stands', async () => {
    const sync = new SettingsSync();
    sync.edit({ lengthUnit: 'cm' });
    sync.edit({ lengthUnit: 'in', settings: { denominator: 8 } });
    sync.edit({ lengthUnit: 'cm', settings: { decimal: ',' } });
    const easeMm = { ring: { snug: 0, comfortable: 1, loose: 2 } };
    sync.edit({ settings: { easeMm } });
    await vi.runAllTimersAsync();
    expect(sent).toEqual([
      { lengthUnit: 'cm' },
      { lengthUnit: 'cm', settings: { denominator: 8, decimal: ',', easeMm } },
    ]);
    expect(kept).toMatchObject({ lengthUnit: 'cm', settings: { denominator: 8, decimal: ',', easeMm } });
  });

  it('without an answer are tried again with all that came since, and stay in the browser meanwhile', async () => {
    const sync = new SettingsSync();
    first = [gone(), new Response('', { status: 503 })];
    sync.edit({ settings: { denominator: 8 } });
    await vi.advanceTimersByTimeAsync(1);
    expect(sync.read().words).toMatch(/kept in this browser/);
    expect(sync.read().owed).toEqual({ settings: { denominator: 8 } });
    sync.edit({ lengthUnit: 'cm' });
    await vi.advanceTimersByTimeAsync(1);
    expect([...storage.values()]).toEqual(['{"settings":{"denominator":8},"lengthUnit":"cm"}']);
    await vi.runAllTimersAsync();
    expect(kept).toMatchObject({ lengthUnit: 'cm', settings: { denominator: 8 }, settingsRevision: 1 });
    expect(sync.read()).toMatchObject({ words: 'saved', owed: {} });
  });

  it('that are refused go back to what is kept, with the words', async () => {
    const sync = new SettingsSync();
    first = [Response.json({ message: 'Snug is the least ease, loose the most.' }, { status: 400 })];
    sync.edit({ settings: { threadMargin: 0.3 } });
    await vi.runAllTimersAsync();
    expect(sync.read()).toMatchObject({ words: 'Snug is the least ease, loose the most.', owed: {} });
    expect(sent).toHaveLength(1);
    expect(storage.size).toBe(0);
  });

  it('of a window that is gone are sent at the next start; what is none of ours is left alone', async () => {
    storage.set('ivyloom-settings/gone', '{"settings":{"denominator":8}}');
    storage.set('ivyloom-settings/odd', 'not JSON');
    storage.set('another program', '{}');
    const sync = new SettingsSync();
    await sync.takeUp();
    expect(kept.settings.denominator).toBe(8);
    expect(sync.read().newest?.settings.denominator).toBe(8);
    expect([...storage.keys()]).toEqual(['ivyloom-settings/odd', 'another program']);
    storage.set('ivyloom-settings/later', '{"lengthUnit":"cm"}');
    first = [gone()];
    await sync.takeUp();
    expect(storage.has('ivyloom-settings/later')).toBe(true);
  });

  it('a browser that keeps nothing sends all the same', async () => {
    vi.stubGlobal('localStorage', {
      setItem: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
      removeItem: () => undefined,
    });
    new SettingsSync().edit({ lengthUnit: 'cm' });
    await vi.runAllTimersAsync();
    expect(kept.lengthUnit).toBe('cm');
  });
});
