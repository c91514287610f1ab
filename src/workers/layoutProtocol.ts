import type { KeptLayout, ToLayOut } from '@/core/layout/kept';

/** What the window asks of the layout worker. */
export type ToLayout = ToLayOut;

/** What it answers: how far it is, then the layout, or why there is none. */
export type FromLayout =
  | { readonly kind: 'progress'; readonly key: string; readonly done: number; readonly of: number }
  | { readonly kind: 'solved'; readonly key: string; readonly layout: KeptLayout }
  | { readonly kind: 'failed'; readonly key: string; readonly message: string };
