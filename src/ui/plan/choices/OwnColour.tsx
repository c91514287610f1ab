'use client';

import { Button, Input } from 'antd';
import { useId, useState } from 'react';
import { colourProblem } from '@/core/colour/ownColours';
import type { Shade } from '@/core/colour/shades';
import { useColours } from '../palette/colours';
import styles from './choices.module.css';

interface Props {
  /** What it is a colour of. */
  readonly label: string;
  readonly onTake: (colour: Shade) => void;
}

/** A colour that is not in the palette: its name, and how it is drawn. */
export function OwnColour({ label, onTake }: Props) {
  const id = useId();
  const colours = useColours();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [hex, setHex] = useState('#7f8c8d');
  const [problem, setProblem] = useState<string | null>(null);
  const take = () => {
    const wrong = colourProblem(name, colours);
    setProblem(wrong);
    if (wrong !== null) return;
    onTake({ name: name.trim(), hex });
    setName('');
    setOpen(false);
  };
  if (!open)
    return (
      <button type="button" className="linkButton" onClick={() => setOpen(true)}>
        another colour<span className="srOnly"> for {label}</span>
      </button>
    );
  return (
    <div className={styles.group}>
      <label htmlFor={`${id}-name`}>What the colour is called</label>
      <Input
        id={`${id}-name`}
        value={name}
        autoFocus
        autoComplete="off"
        status={problem === null ? '' : 'error'}
        aria-describedby={problem === null ? undefined : `${id}-problem`}
        onChange={(event) => setName(event.target.value)}
        onPressEnter={take}
      />
      {problem !== null && (
        <p id={`${id}-problem`} role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <label htmlFor={`${id}-hex`}>How it looks</label>
      <input
        id={`${id}-hex`}
        type="color"
        className={styles.ownColour}
        value={hex}
        onChange={(event) => setHex(event.target.value)}
      />
      <div className={styles.buttons}>
        <Button onClick={take}>Take this colour</Button>
        <Button onClick={() => setOpen(false)}>Cancel</Button>
      </div>
    </div>
  );
}
