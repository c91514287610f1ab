'use client';

import { Button } from 'antd';
import { MOST_SHADES, MOST_UNITS_OF_A_SHADE, type Colouring, type Shade } from '@/core/colour/shades';
import { PALETTE } from '@/core/materials/catalogue';
import { Choice } from '../../fields/Choice';
import { CountInput } from '../../fields/CountInput';
import { Toggle } from '../../fields/Toggle';
import { ColourChoice } from './ColourChoice';
import styles from './choices.module.css';

type Pattern = Colouring['pattern'] | 'one';

interface Props {
  readonly role: string;
  /** The bead's own colour. */
  readonly own: Shade;
  /** Null where it comes in one colour. */
  readonly colouring: Colouring | null;
  readonly onChange: (colouring: Colouring | null) => void;
}

/** How the beads of a role share their colours out. */
export function ColourPattern({ role, own, colouring, onChange }: Props) {
  const more = colouring?.more ?? [];
  const withMore = (next: Shade[]) => {
    if (next.length === 0) onChange(null);
    else if (colouring) onChange({ ...colouring, more: next });
  };
  return (
    <>
      <Choice
        label="In"
        value={colouring?.pattern ?? ('one' as Pattern)}
        options={[
          { value: 'one', label: 'one colour' },
          { value: 'turns', label: 'turns' },
          { value: 'alternating', label: 'bead by bead' },
          { value: 'graded', label: 'graded' },
        ]}
        onChange={(pattern: Pattern) => onChange(patterned(pattern, more.length > 0 ? more : [unlike(own)]))}
        help={HELP[colouring?.pattern ?? 'one']}
      />
      {colouring?.pattern === 'turns' && (
        <CountInput
          label="Units in each colour"
          value={colouring.every}
          least={1}
          most={MOST_UNITS_OF_A_SHADE}
          onChange={(every) => onChange({ ...colouring, every })}
        />
      )}
      {colouring?.pattern === 'graded' && (
        <Toggle
          label="There and back"
          checked={colouring.back}
          onChange={(back) => onChange({ ...colouring, back })}
          help="The first colour at both ends, the last in the middle."
        />
      )}
      {more.map((shade, i) => (
        <div key={i} className={styles.shade}>
          <ColourChoice
            label={`${role}${i + 2}, colour`}
            name={`colour-${role}-${i}`}
            chosen={shade.name}
            onChange={(next) => withMore(more.map((old, k) => (k === i ? next : old)))}
          />
          <Button onClick={() => withMore(more.filter((_, k) => k !== i))}>
            Without {role}
            {i + 2}
          </Button>
        </div>
      ))}
      {colouring && (
        <div>
          <Button
            disabled={more.length + 1 >= MOST_SHADES}
            onClick={() => withMore([...more, unlike(more.at(-1) ?? own)])}
          >
            A colour more
          </Button>
        </div>
      )}
    </>
  );
}

const HELP: Readonly<Record<Pattern, string | undefined>> = {
  one: undefined,
  turns: 'So many units in one colour, then in the next, again and again.',
  alternating: 'Each bead in the next colour, as they are strung.',
  graded: 'From the first colour at the start to the last at the end.',
};

function patterned(pattern: Pattern, more: Shade[]): Colouring | null {
  switch (pattern) {
    case 'one':
      return null;
    case 'turns':
      return { pattern, more, every: 1 };
    case 'alternating':
      return { pattern, more };
    case 'graded':
      return { pattern, more, back: false };
  }
}

/** Another colour of the palette to begin with. */
function unlike({ name }: Shade): Shade {
  const here = PALETTE.findIndex((one) => one.name === name);
  return PALETTE[(here + 1) % PALETTE.length] ?? { name: 'cream', hex: '#e9e3d0' };
}
