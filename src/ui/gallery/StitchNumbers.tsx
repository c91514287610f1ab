'use client';

import { LOOP_ROLE } from '@/core/closures/sewnLoop';
import { MM_PER_INCH } from '@/core/length/length';
import type { Plan } from '@/core/plan/plan';
import { wordWarning } from '@/core/words/warnings';
import { sourceWords } from '../plan/choices/gauge/gaugeWords';
import { roleName } from '../plan/roleName';
import { BeadIcon } from '../piece/BeadShape';
import type { LayingOut } from '../layouts/layoutStore';
import { useLengths } from '../shell/lengths';
import styles from './gallery.module.css';

interface Props {
  readonly plan: Plan;
  readonly layingOut: LayingOut;
}

/** The numbers of a stitch, beside its picture. */
export function StitchNumbers({ plan, layingOut }: Props) {
  const { show, thread, unit, style, fine, tenth, figure } = useLengths();
  const { gauge, stations, quantities, chosen } = plan;
  const wovenMm = stations.bodyEndMm - stations.bodyStartMm;
  const measure = unit === 'in' ? MM_PER_INCH : 100;
  const per = unit === 'in' ? 'inch' : '10 cm';
  const beads = quantities.filter(({ role }) => role !== LOOP_ROLE);
  const busiest = Math.max(...beads.map((q) => q.mostTraversals));
  const worth = plan.warnings.filter(({ code }) =>
    ['soft-net', 'two-opinions', 'not-settled', 'odd-shape', 'sizes'].includes(code),
  );
  return (
    <section className={`card ${styles.numbers}`} aria-labelledby="its-numbers">
      <h2 id="its-numbers">Its numbers</h2>
      <dl className="figures">
        <div>
          <dt>One unit</dt>
          <dd>
            {fine(gauge.pitchMm)}, {figure(measure / gauge.pitchMm, 1)} to {unit === 'in' ? 'the inch' : per}
          </dd>
        </div>
        <div>
          <dt>Known from</dt>
          <dd>{sourceWords(plan, layingOut)}</dd>
        </div>
        <div>
          <dt>Wide, thick</dt>
          <dd>
            {tenth(plan.widthMm)}, {tenth(plan.thicknessMm)}
          </dd>
        </div>
        {gauge.insideMm !== null && gauge.insideMm > 0.3 && (
          <div>
            <dt>Hollow inside</dt>
            <dd>{tenth(gauge.insideMm)}</dd>
          </div>
        )}
        {gauge.drape && (
          <div>
            <dt>Feel</dt>
            <dd>{gauge.drape}</dd>
          </div>
        )}
        <div>
          <dt>Thread</dt>
          <dd>
            {thread((plan.thread.inWorkMm / wovenMm) * measure)} for {unit === 'in' ? 'an inch' : per}
          </dd>
        </div>
        <div>
          <dt>Busiest hole</dt>
          <dd>{busiest} times through</dd>
        </div>
      </dl>
      <table className={styles.perUnit}>
        <thead>
          <tr>
            <th scope="col">Bead</th>
            <th scope="col">a unit</th>
            <th scope="col">{per}</th>
          </tr>
        </thead>
        <tbody className="figures">
          {beads.map(({ role, bead, perUnit }) => (
            <tr key={role}>
              <th scope="row">
                <BeadIcon bead={bead} /> {role} {roleName(bead)}
              </th>
              <td>{+perUnit.toFixed(2)}</td>
              <td>{Math.round((perUnit * measure) / gauge.pitchMm)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {worth.map((warning, i) => {
        const { title, text } = wordWarning(warning, style);
        return (
          <p key={i} className={styles.mild}>
            <strong>{title}</strong> {text}
          </p>
        );
      })}
      <p className="soft">
        The sample has {chosen.units} units, {show(wovenMm)} woven.
      </p>
    </section>
  );
}
