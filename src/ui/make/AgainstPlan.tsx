import { max, scaleLinear } from 'd3';
import { beadsUsed, planAgainstFact, type Against } from '@/core/making/against';
import { LOOP_ROLE } from '@/core/closures/sewnLoop';
import { timeWords } from '@/core/words/figures';
import { useLengths } from '../shell/lengths';
import type { MatProps } from './matProps';
import styles from './make.module.css';

const [WIDTH, BAR] = [240, 14];

/** Plan and fact side by side: each plan is as long as any other, and the fact is drawn to it. */
export function AgainstPlan({ mat, state }: Pick<MatProps, 'mat' | 'state'>) {
  const { show, thread } = useLengths();
  const figures = planAgainstFact(mat, state);
  const words = (what: Against['what'], value: number): string => {
    switch (what) {
      case 'finished length':
        return show(value);
      case 'thread in the work':
        return thread(value);
      case 'time at the mat':
        return timeWords(value);
      case 'beads':
        return `${value}`;
    }
  };
  const most = max(figures, ({ planned, fact }) => (fact ?? 0) / planned) ?? 1;
  const scale = scaleLinear([0, Math.max(1, most)], [0, WIDTH]);
  return (
    <>
      <div className={styles.scroll} tabIndex={0} role="region" aria-label="Plan and fact">
        <table className={styles.against}>
          <caption>Plan and fact</caption>
          <thead>
            <tr>
              <td />
              <th scope="col">planned</th>
              <th scope="col">came out</th>
              <td aria-hidden className={styles.key}>
                <span className={styles.plannedKey} /> planned <span className={styles.factKey} /> came out
              </td>
            </tr>
          </thead>
          <tbody>
            {figures.map(({ what, planned, fact }) => (
              <tr key={what}>
                <th scope="row">{what}</th>
                <td className="figures">{words(what, planned)}</td>
                <td className="figures">
                  {fact === null ? 'not measured' : `${words(what, fact)}, ${byHow(planned, fact)}`}
                </td>
                <td aria-hidden>
                  <svg width={WIDTH} height={2 * BAR + 2} className={styles.bars}>
                    <rect className={styles.plannedBar} width={scale(1)} height={BAR} />
                    {fact !== null && (
                      <rect
                        className={styles.factBar}
                        y={BAR + 2}
                        width={scale(fact / planned)}
                        height={BAR}
                      />
                    )}
                  </svg>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p>
        Beads really used:{' '}
        {beadsUsed(mat, state)
          .map(({ part, role, strung, gone }) => {
            const name = role === LOOP_ROLE ? 'loop seeds' : role;
            const of = mat.parts.length > 1 ? ` (${nameOf(mat, part)})` : '';
            return `${strung + gone} ${name}${of}${gone > 0 ? `, ${gone} of them lost, culled or broken` : ''}`;
          })
          .join('; ')}
        .
      </p>
    </>
  );
}

const nameOf = ({ parts }: MatProps['mat'], id: string): string =>
  parts.find((part) => part.id === id)?.name ?? id;

/** How far from the plan, in per cent. */
function byHow(planned: number, fact: number): string {
  const off = Math.round(100 * (fact / planned - 1));
  return off === 0 ? 'as planned' : `${Math.abs(off)} % ${off > 0 ? 'more' : 'less'}`;
}
