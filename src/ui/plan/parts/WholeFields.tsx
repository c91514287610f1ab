'use client';

import { Button } from 'antd';
import type { LengthRange } from '@/core/length/length';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { StrungComponent } from '@/core/plan/planned';
import { heldBy } from '@/core/structures/registry';
import type { StrungBy } from '@/core/structures/structure';
import { LengthInput } from '../../fields/LengthInput';
import { useLengths } from '../../shell/lengths';
import { StrungInPlace } from './StrungInPlace';
import type { Rooms } from './useOpenPart';
import styles from '../choices/choices.module.css';

const MEASURED: LengthRange = { minMm: 1, maxMm: 200 };

interface Words {
  /** How it is made and taken up. */
  readonly about: string;
  /** What is measured, and between what. */
  readonly measured: string;
  readonly help: string;
  /** What its size hangs on. */
  readonly hangsOn: string;
}

const WORDS: Readonly<Record<StrungBy, Words>> = {
  'two points': {
    about: 'Made first, one at a time, and joined at two of its points. How many are made, the piece says.',
    measured: 'From point to point, as you measured it',
    help: 'From outside to outside.',
    hangsOn: 'how tight it is drawn',
  },
  'its middle': {
    about:
      'Made first, one at a time, and strung like a bead: in by one of its two holes and out by the other. How many are made, the piece says.',
    measured: 'Strung, it takes of the length, as you measured it',
    help: 'From neighbour to neighbour.',
    hangsOn: 'how its beads give way',
  },
  'its loop': {
    about:
      'Made first, one at a time, and strung by its loop: thread goes through that, and the rest hangs down. How many are made, the piece says.',
    measured: 'Strung, it takes of the length, as you measured it',
    help: 'From neighbour to neighbour.',
    hangsOn: 'how its loop lies',
  },
};

interface Props {
  readonly part: PartOfPiece;
  readonly rooms: Rooms;
  /** It as it is strung or joined; null where there is no plan of it. */
  readonly component: StrungComponent | null;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** What is made whole: where it is strung, and how much it takes, as the maker measured it. */
export function WholeFields({ part, rooms, component, onChange }: Props) {
  const { fine } = useLengths();
  const { count, structure } = part;
  const by = heldBy(structure.id);
  if (count.by !== 'fixed' || !by) return null;
  const words = WORDS[by];
  const set = (measuredMm: number | null) => onChange({ count: { ...count, measuredMm } });
  return (
    <>
      <p className="soft">{words.about}</p>
      {by !== 'two points' && <StrungInPlace part={part} rooms={rooms} />}
      <LengthInput
        label={words.measured}
        mm={count.measuredMm}
        range={MEASURED}
        fine
        onChange={set}
        help={
          component && count.measuredMm === null
            ? `Worked out from its beads it is ${fine(component.alongMm)}: between ${fine(component.betweenMm[0])} and ${fine(component.betweenMm[1])}, by ${words.hangsOn}.`
            : words.help
        }
      />
      {count.measuredMm !== null && (
        <div className={styles.buttons}>
          <Button onClick={() => set(null)}>Back to what is worked out</Button>
        </div>
      )}
    </>
  );
}
