'use client';

import { Button } from 'antd';
import type { LengthRange } from '@/core/length/length';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { StrungComponent } from '@/core/plan/planned';
import { LengthInput } from '../../fields/LengthInput';
import { useLengths } from '../../shell/lengths';
import styles from '../choices/choices.module.css';

const MEASURED: LengthRange = { minMm: 1, maxMm: 200 };

interface Props {
  readonly part: PartOfPiece;
  /** The motif as it is joined; null where there is no plan of it. */
  readonly component: StrungComponent | null;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** A motif that is joined: how wide it is, as the maker measured it. */
export function MotifFields({ part: { count }, component, onChange }: Props) {
  const { fine } = useLengths();
  if (count.by !== 'fixed') return null;
  const set = (measuredMm: number | null) => onChange({ count: { ...count, measuredMm } });
  return (
    <>
      <LengthInput
        label="From point to point, as you measured it"
        mm={count.measuredMm}
        range={MEASURED}
        fine
        onChange={set}
        help={
          component && count.measuredMm === null
            ? `Worked out from its beads it is ${fine(component.alongMm)}: between ${fine(component.betweenMm[0])} and ${fine(component.betweenMm[1])}, by how tight it is drawn.`
            : 'From outside to outside.'
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
