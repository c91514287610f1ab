'use client';

import type { ReactNode } from 'react';
import { Elsewhere } from './Elsewhere';
import { Finishing } from './Finishing';
import type { MatProps } from './matProps';
import { Measuring } from './Measuring';
import { Mistakes } from './Mistakes';
import { Notes } from './Notes';
import { Photos } from './Photos';
import { Recount } from './Recount';
import styles from './make.module.css';

/** What else happens at the mat: each opens in its place. */
export function Happenings(props: MatProps) {
  const { notes, photos } = props.state;
  return (
    <section className={`card ${styles.happenings}`} aria-label="What happens at the mat">
      <Opening title="Count: am I where I think?">
        <Recount {...props} />
      </Opening>
      <Opening title="Measure, and fit anew">
        <Measuring {...props} />
      </Opening>
      <Opening title="Ripped back, beads lost or broken, passes left out">
        <Mistakes {...props} />
      </Opening>
      <Opening title="To another step or part">
        <Elsewhere {...props} />
      </Opening>
      <Opening title={`Notes${notes.length > 0 ? ` (${notes.length})` : ''}`}>
        <Notes {...props} />
      </Opening>
      <Opening title={`Photographs${photos.length > 0 ? ` (${photos.length})` : ''}`}>
        <Photos {...props} />
      </Opening>
      <Opening title="Off the mat">
        <Finishing {...props} />
      </Opening>
    </section>
  );
}

/** One of them at a time. */
const Opening = ({ title, children }: { readonly title: string; readonly children: ReactNode }) => (
  <details name="at-the-mat">
    <summary>{title}</summary>
    {children}
  </details>
);
