'use client';

import {
  DndContext,
  DragOverlay,
  KeyboardSensor,
  MouseSensor,
  pointerWithin,
  rectIntersection,
  TouchSensor,
  useSensor,
  useSensors,
  type CollisionDetection,
  type DragEndEvent,
} from '@dnd-kit/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { dyed } from '@/core/colour/dyed';
import type { Shade } from '@/core/colour/shades';
import { coloursAtHand } from '@/core/colour/ownColours';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { ColoursOf } from './colours';
import styles from './palette.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
  readonly children: ReactNode;
}

/** A bead that a colour can be dropped on: a role, and which of its colours. */
export interface Dyeable {
  readonly role: string;
  readonly shade: number;
}

/** Where a colour can be dropped: on a bead by name, or on a picture that finds the bead under a point of the screen. */
export type DropTarget = Dyeable | { readonly beadAt: (x: number, y: number) => Dyeable | null };

/** Under the pointer; by keyboard, where the colour lies. */
const under: CollisionDetection = (args) =>
  args.pointerCoordinates ? pointerWithin(args) : rectIntersection(args);

/** How far a mouse moves, or how long a finger rests, before a press is a drag. */
const MOUSE = { activationConstraint: { distance: 4 } };
const TOUCH = { activationConstraint: { delay: 180, tolerance: 8 } };

/** Colours can be carried from the palette to a bead: by mouse, by finger, by keyboard. */
export function PaletteDrag({ piece, onChange, children }: Props) {
  const [carried, setCarried] = useState<Shade | null>(null);
  const colourNamed = (name: unknown) => coloursAtHand(piece).find((one) => one.name === name);
  const sensors = useSensors(
    useSensor(MouseSensor, MOUSE),
    useSensor(TouchSensor, TOUCH),
    useSensor(KeyboardSensor),
  );
  const letGoAt = useLetGoAt();
  const drop = ({ active, over, activatorEvent, delta }: DragEndEvent) => {
    setCarried(null);
    const colour = colourNamed(active.id);
    const target = over?.data.current as DropTarget | undefined;
    const from = pointOf(activatorEvent);
    const to = from && (letGoAt.current ?? { x: from.x + delta.x, y: from.y + delta.y });
    const bead =
      (to && rowAt(to)) ??
      (target && 'beadAt' in target ? to && target.beadAt(to.x, to.y) : (target ?? null));
    if (colour && bead) onChange(dyed(piece, bead.role, bead.shade, colour));
  };
  return (
    <DndContext
      id="palette"
      sensors={sensors}
      collisionDetection={under}
      onDragStart={({ active }) => setCarried(colourNamed(active.id) ?? null)}
      onDragCancel={() => setCarried(null)}
      onDragEnd={drop}
      accessibility={{ announcements: WORDS, screenReaderInstructions: { draggable: HOW } }}
    >
      <ColoursOf piece={piece}>{children}</ColoursOf>
      <DragOverlay dropAnimation={null} style={{ pointerEvents: 'none' }}>
        {carried && <span className={styles.carried} style={{ background: carried.hex }} />}
      </DragOverlay>
    </DndContext>
  );
}

interface Point {
  readonly x: number;
  readonly y: number;
}

/**
 * Where the pointer is let go. What is under it is looked for there and then: a slow machine has not followed its last
 * steps yet, and rows may have moved since it set out.
 */
function useLetGoAt() {
  const at = useRef<Point | null>(null);
  useEffect(() => {
    const note = ({ clientX: x, clientY: y }: PointerEvent) => (at.current = { x, y });
    const forget = () => (at.current = null);
    addEventListener('pointerup', note, true);
    addEventListener('pointerdown', forget, true);
    return () => {
      removeEventListener('pointerup', note, true);
      removeEventListener('pointerdown', forget, true);
    };
  }, []);
  return at;
}

/** Marks a row that a colour can be dropped on, by its role and shade. */
export const dyeableRow = ({ role, shade }: Dyeable) => ({ 'data-role': role, 'data-shade': shade });

/** The row under a point of the screen; null where there is none. */
function rowAt({ x, y }: Point): Dyeable | null {
  const row = document
    .elementsFromPoint(x, y)
    .map((element) => element.closest<HTMLElement>('[data-shade]'))
    .find((found) => found !== null);
  const { role, shade } = row?.dataset ?? {};
  return role === undefined ? null : { role, shade: Number(shade) };
}

/** Where a drag began; null by keyboard. */
function pointOf(event: Event): Point | null {
  const at = 'touches' in event ? (event as TouchEvent).touches[0] : event;
  return at instanceof MouseEvent || (typeof Touch !== 'undefined' && at instanceof Touch)
    ? { x: at.clientX, y: at.clientY }
    : null;
}

const HOW =
  'Press space to take this colour up, carry it with the arrow keys to a bead in the list, and press space again to put it down. Escape leaves it.';

const beadWords = (over: { data: { current?: unknown } } | null): string => {
  const bead = over?.data.current as DropTarget | undefined;
  if (bead && 'beadAt' in bead) return 'the piece';
  return bead ? `bead ${bead.role}${bead.shade > 0 ? `, colour ${bead.shade + 1}` : ''}` : 'no bead';
};

const WORDS = {
  onDragStart: ({ active }: { active: { id: string | number } }) => `${active.id} is taken up.`,
  onDragOver: ({
    active,
    over,
  }: {
    active: { id: string | number };
    over: { data: { current?: unknown } } | null;
  }) => `${active.id} is over ${beadWords(over)}.`,
  onDragEnd: ({
    active,
    over,
  }: {
    active: { id: string | number };
    over: { data: { current?: unknown } } | null;
  }) => (over ? `${active.id} is put on ${beadWords(over)}.` : `${active.id} is back in the palette.`),
  onDragCancel: ({ active }: { active: { id: string | number } }) => `${active.id} is back in the palette.`,
};
