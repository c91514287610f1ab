import type { BeadKind } from '@/core/materials/material';

/** Where a figure is known from, as one says it. */
export const SOURCE_WORDS: Readonly<Record<BeadKind['source'], string>> = {
  published: 'published',
  practice: 'common practice',
  memory: 'typical, not measured',
  measured: 'your measure',
};
