import { createStore, entries, set } from 'idb-keyval';
import {
  cellLayoutSchema,
  SOLVER_VERSION,
  type CellLayout,
  type LayoutRequest,
} from '@/core/layout/cellLayout';
import { shippedLayouts, type Layouts } from '@/core/layout/shipped';
import type { FromLayout, ToLayout } from '@/workers/layoutProtocol';

/** What is known, and what is being worked out. A new object whenever either changes. */
export interface LayoutState {
  readonly layouts: Layouts;
  readonly working: { readonly key: string; readonly done: number; readonly of: number } | null;
  /** Keys of what could not be laid out. */
  readonly failed: ReadonlySet<string>;
}

/** How far a layout is, from 0 to 1; that it could not be found; null where none is wanted. */
export type LayingOut = number | 'failed' | null;

export const layingOut = ({ working, failed }: LayoutState, wanted: LayoutRequest | null): LayingOut => {
  if (working) return working.done / working.of;
  return wanted && failed.has(wanted.key) ? 'failed' : null;
};

/**
 * The layouts of this browser: those that ship, those solved here, and one worker that solves what is
 * missing. The newest wish counts: what nobody waits for any more is stopped.
 */
class LayoutStore {
  private readonly solved = new Map<string, CellLayout>();
  private readonly failed = new Set<string>();
  private readonly listeners = new Set<() => void>();
  private worker: Worker | null = null;
  private working: LayoutState['working'] = null;
  private state: LayoutState = { layouts: shippedLayouts, working: null, failed: new Set() };
  private opened = false;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    if (!this.opened) void this.open();
    return () => this.listeners.delete(listener);
  };

  read = (): LayoutState => this.state;

  /** Solves the request unless it is known, under way, or has failed before. Null stops what is under way. */
  want(request: LayoutRequest | null): void {
    if (this.working?.key === request?.key) return;
    if (this.working) this.stop();
    if (!request || this.known(request.key) || this.failed.has(request.key)) return;
    this.working = { key: request.key, done: 0, of: 1 };
    this.worker ??= this.start();
    this.worker.postMessage(request satisfies ToLayout);
    this.changed();
  }

  private known = (key: string) => shippedLayouts(key) ?? this.solved.get(key);

  private start(): Worker {
    const worker = new Worker(new URL('../../workers/layout.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<FromLayout>) => this.take(data);
    return worker;
  }

  private stop(): void {
    this.worker?.terminate();
    this.worker = null;
    this.working = null;
  }

  private take(message: FromLayout): void {
    if (message.key !== this.working?.key) return;
    if (message.kind === 'progress') this.working = message;
    else {
      this.working = null;
      if (message.kind === 'failed') this.failed.add(message.key);
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
        const layout = cellLayoutSchema.safeParse(value);
        if (key.startsWith(`${SOLVER_VERSION}:`) && layout.success) this.solved.set(key, layout.data);
      }
      if (this.solved.size > 0) this.changed();
    } catch {
      // A browser that keeps nothing solves again.
    }
  }

  private changed(): void {
    this.state = { layouts: (key) => this.known(key), working: this.working, failed: new Set(this.failed) };
    for (const listener of this.listeners) listener();
  }
}

const database = () => createStore('ivyloom-layouts', 'layouts');

export const layoutStore = new LayoutStore();

/** Before the window has read anything: what ships. */
export const atFirst: LayoutState = layoutStore.read();
