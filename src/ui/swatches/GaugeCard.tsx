'use client';

import { Button } from 'antd';
import type { MeasuredGauge } from '@/core/fit/swatch';
import { boundStitch } from '@/core/structures/registry';
import { rolesOf } from '@/core/structures/structure';
import { readingsOf, type Swatch } from '@/core/records/swatches';
import type { StoredSwatch } from '@/server/screens';
import { Fact } from '../fields/Fact';
import { Rows } from '../fields/Rows';
import { useUndo } from '../fields/useUndo';
import { BeadIcon } from '../piece/BeadShape';
import { roleName } from '../plan/roleName';
import { useLengths } from '../shell/lengths';
import { PitchDots } from './PitchDots';
import styles from './swatches.module.css';
import { beadOf } from '@/core/piece/part';

interface Props {
  readonly title: string;
  readonly swatches: readonly StoredSwatch[];
  readonly gauge: MeasuredGauge;
}

/** One gauge: what it comes to, how sure it is, and the swatches it stands on. */
export function GaugeCard({ title, swatches, gauge }: Props) {
  const { show, unit, fine, fineNumber, figure } = useLengths();
  const putAway = useUndo('swatch');
  const [first] = swatches;
  const readings = readingsOf(swatches.map(({ doc }) => doc));
  const perLength = (unit === 'in' ? 25.4 : 10) / gauge.pitchMm;
  return (
    <section className={`card ${styles.gauge}`} aria-label={title}>
      <div className={styles.about}>
        <h2>{title}</h2>
        {first && <Beads swatch={first.doc} />}
      </div>
      <PitchDots pitches={readings.map(({ units, lengthMm }) => lengthMm / units)} gauge={gauge} />
      <dl className={styles.facts}>
        <Fact name="one unit">{fine(gauge.pitchMm)}</Fact>
        {gauge.meanBetweenMm && (
          <Fact name="the mean nearly always lies between">
            {fineNumber(gauge.meanBetweenMm[0])} and {fine(gauge.meanBetweenMm[1])}
          </Fact>
        )}
        <Fact name="the next piece, nearly always">
          {fineNumber(gauge.pitchMm * (1 - 1.96 * gauge.spread))} to{' '}
          {fine(gauge.pitchMm * (1 + 1.96 * gauge.spread))}
        </Fact>
        <Fact name={`units to the ${unit === 'in' ? 'inch' : 'centimetre'}`}>{figure(perLength, 1)}</Fact>
      </dl>
      <Rows heads={['day', 'units', 'length, beads only', 'one unit', 'thread, tension']} does="archive">
        {swatches.map(({ id, doc }) => (
          <tr key={id}>
            <td className="figures">{doc.takenOn}</td>
            <td className="figures">{doc.units}</td>
            <td className="figures">{show(doc.lengthMm)}</td>
            <td className="figures">{fine(doc.lengthMm / doc.units)}</td>
            <td>
              {doc.thread.name.replace('braided ', '')}, {doc.tension}
              {doc.without.length > 0 && `; before ${doc.without.join(' and ')}`}
              {doc.note !== '' && `; ${doc.note}`}
            </td>
            <td>
              <Button onClick={() => void putAway(id, `The swatch of ${doc.takenOn}`)}>
                Archive{' '}
                <span className="srOnly">
                  {doc.units} units of {doc.takenOn}
                </span>
              </Button>
            </td>
          </tr>
        ))}
      </Rows>
    </section>
  );
}

/** The beads of the roles that the stitch uses. */
function Beads({ swatch }: { readonly swatch: Swatch }) {
  const bound = boundStitch(swatch.structure);
  const roles = bound.ok ? rolesOf(bound.weaveable) : [];
  return (
    <p className={styles.beads}>
      {roles.map((role) => (
        <span key={role}>
          <BeadIcon bead={beadOf(swatch, role)} size={18} /> {role} {roleName(beadOf(swatch, role))}
        </span>
      ))}
    </p>
  );
}
