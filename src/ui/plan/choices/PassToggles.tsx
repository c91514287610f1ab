'use client';

import type { OptionalPass } from '@/core/plan/plan';
import type { Piece } from '@/core/piece/piece';
import { Toggle } from '../../fields/Toggle';

interface Props {
  readonly passes: readonly OptionalPass[];
  readonly piece: Piece;
  readonly onChange: (change: Partial<Piece>) => void;
}

/** Later passes that can be left out; everything follows. */
export const PassToggles = ({ passes, piece: { without }, onChange }: Props) =>
  passes.map(({ name, info }) => (
    <Toggle
      key={name}
      label={`With ${name}`}
      help={`A later pass, ${info.tension} tension. ${info.why ?? ''}`}
      checked={!without.includes(name)}
      onChange={(on) =>
        onChange({ without: on ? without.filter((other) => other !== name) : [...without, name] })
      }
    />
  ));
