import type { CellLayout, LayoutRequest } from '@/core/layout/cellLayout';

/** What the window asks of the layout worker. */
export type ToLayout = LayoutRequest;

/** What it answers: how far it is, then the layout, or why there is none. */
export type FromLayout =
  | { readonly kind: 'progress'; readonly key: string; readonly done: number; readonly of: number }
  | { readonly kind: 'solved'; readonly key: string; readonly layout: CellLayout }
  | { readonly kind: 'failed'; readonly key: string; readonly message: string };
