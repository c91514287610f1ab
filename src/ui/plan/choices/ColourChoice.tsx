'use client';

import type { Shade } from '@/core/colour/shades';
import { useColours } from '../palette/colours';
import { OwnColour } from './OwnColour';
import styles from './choices.module.css';

interface Props {
  readonly label: string;
  /** Unlike that of any other choice on the page. */
  readonly name: string;
  /** The name of the colour that is chosen. */
  readonly chosen: string;
  readonly onChange: (colour: Shade) => void;
}

/** One colour of the palette or another; which it is stands above in words. */
export function ColourChoice({ label, name, chosen, onChange }: Props) {
  const colours = useColours();
  return (
    <div className={styles.group}>
      <p>
        {label}: {chosen}
      </p>
      <div className={styles.swatches} role="radiogroup" aria-label={label}>
        {colours.map((colour) => (
          <label
            key={colour.name}
            className={styles.swatch}
            style={{ background: colour.hex }}
            title={colour.name}
          >
            <input
              type="radio"
              name={name}
              aria-label={colour.name}
              checked={chosen === colour.name}
              onChange={() => onChange(colour)}
            />
          </label>
        ))}
      </div>
      <OwnColour label={label} onTake={onChange} />
    </div>
  );
}
