'use client';

import { Button } from 'antd';
import { MM_PER_INCH } from '@/core/length/length';
import { PALETTE } from '@/core/materials/catalogue';
import type { BeadKind } from '@/core/materials/material';
import { inColour } from '@/core/piece/newPiece';
import { BeadIcon } from '../piece/BeadShape';
import { useLengths } from '../shell/lengths';
import { MeasureBead } from './MeasureBead';
import { SOURCE_WORDS } from './sourceWords';
import styles from './materials.module.css';

const [COLOUR = { name: 'plain', hex: '#2b6c76' }] = PALETTE;

interface Props {
  readonly kind: BeadKind;
  readonly measuring: boolean;
  readonly onMeasure: (on: boolean) => void;
}

/** One kind of bead with its sizes, and the place to correct them. */
export function BeadRow({ kind, measuring, onMeasure }: Props) {
  const { fine, figure, unit } = useLengths();
  const { name, lengthMm, diameterMm, holeMm, perGram, source } = kind;
  return (
    <>
      <tr>
        <th scope="row">
          <span className={styles.bead}>
            <BeadIcon bead={inColour(kind, COLOUR)} size={24} />
            {name}
          </span>
        </th>
        <td className="figures">{fine(lengthMm)}</td>
        <td className="figures">{fine(diameterMm)}</td>
        <td className="figures">{fine(holeMm)}</td>
        <td className="figures">{figure((unit === 'in' ? MM_PER_INCH : 100) / lengthMm, 1)}</td>
        <td className="figures">{perGram === null ? 'not known' : figure(perGram, 0)}</td>
        <td>{SOURCE_WORDS[source]}</td>
        <td>
          <Button aria-expanded={measuring} onClick={() => onMeasure(!measuring)}>
            Measure<span className="srOnly"> {name}</span>
          </Button>
        </td>
      </tr>
      {measuring && (
        <tr>
          <td colSpan={8}>
            <MeasureBead kind={kind} onDone={() => onMeasure(false)} />
          </td>
        </tr>
      )}
    </>
  );
}
