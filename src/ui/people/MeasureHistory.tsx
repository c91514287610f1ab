'use client';

import { Button } from 'antd';
import { counted } from '@/core/words/figures';
import type { Measure } from '@/server/screens';
import { Rows } from '../fields/Rows';
import { useUndo } from '../fields/useUndo';
import { useLengths } from '../shell/lengths';
import styles from './people.module.css';

/** Everything that was measured, the newest first; a slip of the tape can be taken back. */
export function MeasureHistory({
  measures,
  who,
}: {
  readonly measures: readonly Measure[];
  readonly who: string;
}) {
  const { show } = useLengths();
  const takeBack = useUndo('measure');
  return (
    <details className={styles.more}>
      <summary>
        The record, {counted(measures.length, 'measure')}
        <span className="srOnly"> of {who}</span>
      </summary>
      <Rows heads={['day', 'what', 'length']} does="remove" wide={false}>
        {measures.map(({ id, place, mm, takenOn }) => (
          <tr key={id}>
            <td className="figures">{takenOn}</td>
            <td>{place}</td>
            <td className="figures">{show(mm)}</td>
            <td>
              <Button onClick={() => void takeBack(id, `The ${place} of ${takenOn}`)}>
                Remove{' '}
                <span className="srOnly">
                  {place} of {takenOn}
                </span>
              </Button>
            </td>
          </tr>
        ))}
      </Rows>
    </details>
  );
}
