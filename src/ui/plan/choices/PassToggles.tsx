'use client';

import type { OptionalPass } from '@/core/plan/plan';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { Toggle } from '../../fields/Toggle';

interface Props {
  readonly passes: readonly OptionalPass[];
  readonly piece: PartOfPiece;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
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
