import type { BeadShape } from '@/core/materials/material';
import type { Structure } from '@/core/structures/structure';

/** What a weaver may have in her boxes. */
export const BEADS_AT_HAND: readonly {
  readonly name: string;
  readonly shapes: readonly BeadShape[];
  readonly holes: 1 | 2;
}[] = [
  { name: 'seeds', shapes: ['seed', 'cylinder'], holes: 1 },
  { name: 'bugles and cubes', shapes: ['bugle', 'twisted bugle', 'cube'], holes: 1 },
  { name: 'balls and bicones', shapes: ['ball', 'bicone', 'rondelle', 'oval', 'drop'], holes: 1 },
  {
    name: 'beads of two holes',
    shapes: ['lens', 'tile', 'half tile', 'bar', 'brick', 'wedge', 'triangle', 'set stone'],
    holes: 2,
  },
];

export interface Wanted {
  readonly use: Structure['uses'][number] | null;
  readonly handle: Structure['handles'] | null;
  readonly needles: 'one' | 'two' | null;
  readonly thread: Structure['threads'][number] | null;
  /** Names of what is at hand; nothing means anything. */
  readonly beads: readonly string[];
}

/** Whether a stitch is what is wanted, and can be made of what is at hand. */
export function matches(structure: Structure, { use, handle, needles, thread, beads }: Wanted): boolean {
  if (use && !structure.uses.includes(use)) return false;
  if (handle && structure.handles !== handle) return false;
  if (needles && (needles === 'two') !== (structure.needles === 2)) return false;
  if (thread && !structure.threads.includes(thread)) return false;
  if (beads.length === 0) return true;
  const hand = BEADS_AT_HAND.filter(({ name }) => beads.includes(name));
  return structure
    .bind(structure.defaults)
    .parts.every((part) =>
      hand.some(
        ({ shapes, holes }) =>
          holes === part.holes && (!part.shapes || shapes.some((shape) => part.shapes?.includes(shape))),
      ),
    );
}
