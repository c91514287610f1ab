'use client';

import { useDraggable } from '@dnd-kit/core';
import { useId } from 'react';
import { useColours } from './colours';
import styles from './palette.module.css';

/** The colours to carry to a bead. */
export function Palette() {
  const id = useId();
  const colours = useColours();
  return (
    <div data-screen-only className={styles.tray} role="group" aria-labelledby={id}>
      <p id={id} className="soft">
        Colours: drag one onto a bead above, or onto the piece.
      </p>
      <div className={styles.colours}>
        {colours.map(({ name, hex }) => (
          <Colour key={name} name={name} hex={hex} />
        ))}
      </div>
    </div>
  );
}

function Colour({ name, hex }: { readonly name: string; readonly hex: string }) {
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({ id: name });
  return (
    <button
      ref={setNodeRef}
      type="button"
      className={isDragging ? styles.taken : styles.colour}
      style={{ background: hex }}
      title={name}
      aria-label={name}
      {...attributes}
      {...listeners}
    />
  );
}
