import { createStore, entries, set } from 'idb-keyval';
import { SOLVER_VERSION } from '@/core/layout/cellLayout';
import { keptLayoutSchema, type KeptLayout, type Layouts, type ToLayOut } from '@/core/layout/kept';
import type { FromLayout, ToLayout } from '@/workers/layoutProtocol';

/** What is known, and what is being worked out. A new object whenever either changes. */
export interface LayoutState {
  readonly layouts: Layouts;
  readonly working: { readonly key: string; readonly done: number; readonly of: number } | null;
  /** What could not be laid out, and why. */
  readonly failed: ReadonlyMap<string, string>;
}

/** How far a layout is, from 0 to 1; why it could not be found; null where none is wanted. */
export type LayingOut = number | { readonly why: string } | null;

export const layingOut = ({ working, failed }: LayoutState, wanted: ToLayOut | null): LayingOut => {
  if (working) return working.done / working.of;
  const why = wanted && failed.get(wanted.key);
  return why === null || why === undefined ? null : { why };
};

const NONE: Layouts = () => undefined;

/**
 * The layouts of this browser: those that ship, those solved here, and one worker that solves what is
 * missing. The newest wish counts: what nobody waits for any more is stopped. A page comes with the layouts that it
 * shows; the others that ship are fetched when the first of them is asked for.
 */
class LayoutStore {
  private readonly solved = new Map<string, KeptLayout>();
  private readonly failed = new Map<string, string>();
  private readonly listeners = new Set<() => void>();
  private worker: Worker | null = null;
  private working: LayoutState['working'] = null;
  private state: LayoutState = { layouts: NONE, working: null, failed: new Map() };
  private opened = false;
  private shipped: Layouts = NONE;
  /** What somebody waits for. */
  private wanted: string | null = null;
  private fetching: Promise<void> | null = null;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    if (!this.opened) void this.open();
    return () => this.listeners.delete(listener);
  };

  read = (): LayoutState => this.state;

  /** Fetches what ships; comes back when it is there, or cannot be had. */
  fetchShipped(): Promise<void> {
    return (this.fetching ??= import('@/core/layout/shipped').then(
      ({ shippedLayouts }) => {
        this.shipped = shippedLayouts;
        this.changed();
      },
      () => undefined, // Without them everything is solved here: that takes seconds instead of none.
    ));
  }

  /** Solves the request unless it is known, under way, or has failed before. Null stops what is under way. */
  want(request: ToLayOut | null): void {
    if (this.working?.key === request?.key) return;
    if (this.working) this.stop();
    this.wanted = request?.key ?? null;
    if (!request) return;
    void this.fetchShipped().then(() => {
      if (this.wanted === request.key) this.solve(request);
    });
  }

  private solve(request: ToLayOut): void {
    if (this.known(request.key) || this.failed.has(request.key) || this.working?.key === request.key) return;
    this.working = { key: request.key, done: 0, of: 1 };
    this.worker ??= this.start();
    this.worker.postMessage(request satisfies ToLayout);
    this.changed();
  }

  private known = (key: string) => this.solved.get(key) ?? this.shipped(key);

  private start(): Worker {
    const worker = new Worker(new URL('../../workers/layout.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<FromLayout>) => this.take(data);
    worker.onerror = () => this.broke();
    return worker;
  }

  private stop(): void {
    this.worker?.terminate();
    this.worker = null;
    this.working = null;
  }

  /** It could not be started: its script is gone, as after an update of the program, or the browser is out of memory. */
  private broke(): void {
    if (this.working) this.failed.set(this.working.key, 'reload the page to try again');
    this.stop();
    this.changed();
  }

  private take(message: FromLayout): void {
    if (message.key !== this.working?.key) return;
    if (message.kind === 'progress') this.working = message;
    else {
      this.working = null;
      if (message.kind === 'failed') this.failed.set(message.key, message.message);
      else {
        this.solved.set(message.key, message.layout);
        void set(message.key, message.layout, database()).catch(() => undefined); // A cache: losing it costs a second.
      }
    }
    this.changed();
  }

  /** Layouts solved in this browser before. */
  private async open(): Promise<void> {
    this.opened = true;
    try {
      for (const [key, value] of await entries<string, unknown>(database())) {
        const layout = keptLayoutSchema.safeParse(value);
        if (key.startsWith(`${SOLVER_VERSION}:`) && layout.success) this.solved.set(key, layout.data);
      }
      if (this.solved.size > 0) this.changed();
    } catch {
      // A browser that keeps nothing solves again.
    }
  }

  private changed(): void {
    this.state = { layouts: (key) => this.known(key), working: this.working, failed: new Map(this.failed) };
    for (const listener of this.listeners) listener();
  }
}

const database = () => createStore('ivyloom-layouts', 'layouts');

export const layoutStore = new LayoutStore();

/** Before the window has read anything. */
export const atFirst: LayoutState = layoutStore.read();
