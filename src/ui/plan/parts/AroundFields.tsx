'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { CORE_ROLE } from '@/core/joints/setIn';
import type { LengthRange } from '@/core/length/length';
import type { BeadKind } from '@/core/materials/material';
import { beadOf, type Way } from '@/core/piece/part';
import { withPart, type PartOfPiece } from '@/core/piece/partOfPiece';
import type { StrungComponent } from '@/core/plan/planned';
import { planOrFault } from '@/core/plan/plan';
import { counted } from '@/core/words/figures';
import { Choice } from '../../fields/Choice';
import { LengthInput } from '../../fields/LengthInput';
import { Pick } from '../../fields/Pick';
import { useLookups } from '../../shell/useLookups';
import { useLengths } from '../../shell/lengths';
import { StrungInPlace } from './StrungInPlace';
import type { Rooms } from './useOpenPart';
import styles from '../choices/choices.module.css';

const MEASURED: LengthRange = { minMm: 1, maxMm: 200 };

/** How thread goes through a part, and what that does to it. */
const WAY_WORDS: Readonly<Record<Way, string>> = {
  between:
    'In between two rows, through the ball, and out between the two rows opposite; the frame can turn.',
  under:
    'In under the thread of a row, through the ball, and out under the thread opposite: the frame is held.',
};

/** What it would do to the piece if the thread went the other way. */
function useOtherWay(part: PartOfPiece, rooms: Rooms): string {
  const { fine } = useLengths();
  const lookups = useLookups();
  const { piece } = rooms;
  return useMemo(() => {
    const { count, id } = part;
    if (count.by !== 'around' || count.measuredMm !== null) return '';
    const way: Way = count.way === 'between' ? 'under' : 'between';
    const plan = planOrFault(withPart(piece, { count: { ...count, way } }, id), lookups);
    const made = plan.ok ? [...plan.components.values()].find((one) => one.id === id) : undefined;
    if (!plan.ok || !made) return '';
    const [least, most] = made.betweenMm;
    const takes = least === most ? fine(least) : `between ${fine(least)} and ${fine(most)}`;
    return `The other way it takes ${takes} of the length, and ${counted(plan.best.units, 'unit')} fit best.`;
  }, [part, piece, lookups, fine]);
}

/** How it is known what a part takes of the length. */
function lengthHelp(
  measuredMm: number | null,
  component: StrungComponent | null,
  fine: (mm: number) => string,
): string {
  if (measuredMm !== null || !component) return 'From neighbour to neighbour.';
  const { bead, betweenMm } = component;
  return betweenMm[0] === betweenMm[1]
    ? `As it lies between its neighbours it takes ${fine(bead.lengthMm)}.`
    : `Not laid out yet, it is taken as ${fine(bead.lengthMm)}, outside to outside: it lies between ${fine(betweenMm[0])} and ${fine(betweenMm[1])}.`;
}

interface Props {
  readonly part: PartOfPiece;
  readonly rooms: Rooms;
  /** The part as it is strung; null where there is no plan of it. */
  readonly component: StrungComponent | null;
  readonly kinds: readonly BeadKind[];
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** A part closed about a body: which, where it is strung, and how thread goes through it. */
export function AroundFields({ part, rooms, component, kinds, onChange }: Props) {
  const { fine } = useLengths();
  const otherWay = useOtherWay(part, rooms);
  const { count } = part;
  if (count.by !== 'around') return null;
  const core = beadOf(part, CORE_ROLE);
  const set = (change: Partial<typeof count>) => onChange({ count: { ...count, ...change } });
  return (
    <>
      <Pick
        label="It goes round"
        value={core.id}
        options={kinds
          .filter(({ holes }) => holes === 1)
          .map((kind) => ({ value: kind.id, label: kind.name }))}
        onChange={(id) => {
          const kind = kinds.find((one) => one.id === id);
          if (kind) onChange({ beads: { ...part.beads, [CORE_ROLE]: { ...core, ...kind } } });
        }}
      />
      <StrungInPlace part={part} rooms={rooms} />
      <Choice<Way>
        label="The thread that strings it goes"
        value={count.way}
        options={[
          { value: 'between', label: 'between its beads' },
          { value: 'under', label: 'under its threads' },
        ]}
        onChange={(way) => set({ way })}
        help={`${WAY_WORDS[count.way]} ${otherWay}`}
      />
      <LengthInput
        label="Strung, it takes of the length, as you measured it"
        mm={count.measuredMm}
        range={MEASURED}
        fine
        onChange={(measuredMm) => set({ measuredMm })}
        help={lengthHelp(count.measuredMm, component, fine)}
      />
      {count.measuredMm !== null && (
        <div className={styles.buttons}>
          <Button onClick={() => set({ measuredMm: null })}>Back to what is worked out</Button>
        </div>
      )}
    </>
  );
}
