import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { LayoutRequest } from '@/core/layout/cellLayout';
import type { FromLayout } from '@/workers/layoutProtocol';
import { layingOut, layoutStore } from './layoutStore';

vi.mock('idb-keyval', () => ({
  createStore: () => null,
  set: () => Promise.resolve(),
  entries: () => Promise.resolve([]),
}));

/** The worker of the window: asked, it answers what a test has it say. */
class Worker {
  static asked: string[] = [];
  static last: Worker | null = null;
  onmessage: ((event: { data: FromLayout }) => void) | null = null;
  onerror: (() => void) | null = null;
  constructor() {
    Worker.last = this;
  }
  postMessage({ key }: LayoutRequest) {
    Worker.asked.push(key);
  }
  terminate() {
    Worker.last = null;
  }
  say(data: FromLayout) {
    this.onmessage?.({ data });
  }
}

const request = (key: string) => ({ key }) as LayoutRequest;

beforeEach(() => {
  Worker.asked = [];
  vi.stubGlobal('Worker', Worker);
});

describe('what could not be laid out', () => {
  it('is told with its reason, and is not asked for again', async () => {
    const wanted = request('a stitch that does not come to rest');
    layoutStore.want(wanted);
    await expect.poll(() => Worker.asked).toEqual([wanted.key]);
    Worker.last?.say({ kind: 'progress', key: wanted.key, done: 1, of: 4 });
    expect(layingOut(layoutStore.read(), wanted)).toBe(0.25);
    Worker.last?.say({ kind: 'failed', key: wanted.key, message: 'no state was found' });
    expect(layingOut(layoutStore.read(), wanted)).toEqual({ why: 'no state was found' });
    expect(layingOut(layoutStore.read(), request('another'))).toBeNull();
    layoutStore.want(null);
    layoutStore.want(wanted);
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(Worker.asked).toEqual([wanted.key]);
  });

  it('a worker that cannot start is told too, and another is started for the next', async () => {
    const [wanted, next] = [request('while the program is renewed'), request('the next')];
    layoutStore.want(wanted);
    await expect.poll(() => Worker.asked).toEqual([wanted.key]);
    const broken = Worker.last;
    broken?.onerror?.();
    expect(layingOut(layoutStore.read(), wanted)).toEqual({
      why: expect.stringContaining('reload') as string,
    });
    layoutStore.want(next);
    await expect.poll(() => Worker.asked).toEqual([wanted.key, next.key]);
    expect(Worker.last).not.toBe(broken);
  });
});
