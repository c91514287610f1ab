'use client';

import { useMemo } from 'react';
import { LOOP_ROLE } from '@/core/closures/sewnLoop';
import { beadOf, shadesOf } from '@/core/piece/part';
import { seamOf } from '@/core/structures/seam';
import { sectionAt } from '@/core/plan/along';
import type { Plan } from '@/core/plan/plan';
import { asDrawn, planSteps } from '@/core/plan/steps';
import { tells } from '@/core/read/steps';
import type { StandingBead } from '@/core/layout/sketch';
import { usePointer } from '../pointed';
import { roleName } from '../roleName';
import styles from './Tape.module.css';

interface Props {
  readonly plan: Plan;
  readonly bead: StandingBead;
  /** Opens the choice where this bead is chosen. */
  readonly onChoose: ((role: string) => void) | null;
}

/** Marks what is said of a bead, for whoever has pointed at it by keys. */
export const READ_OUT = 'data-read-out';

/** The bead pointed at, in words: which it is, where it stands, and how it comes there. */
export function ReadOut({ plan, bead, onChoose }: Props) {
  const pointer = usePointer();
  const steps = useMemo(() => planSteps(plan, asDrawn(plan)), [plan]);
  const { place, role } = bead.drawn.bead;
  const group = steps.find((one) => tells(one, { ...place, unit: bead.unit }));
  const text = group?.steps.map((step) => step.text).join(' ');
  return (
    <p className={styles.readOut} {...{ [READ_OUT]: '' }}>
      <span>
        <strong>{beadWords(plan, bead)}</strong>
        {text && <span className={styles.stepText}> {text}</span>}
      </span>
      {onChoose && (
        <button
          type="button"
          className={styles.tool}
          onClick={() => onChoose(role)}
          onBlur={() => pointer.hold(null)}
        >
          change it
        </button>
      )}
    </p>
  );
}

/** `A · cube 4 mm, foam · unit 7 of 19`. */
export function beadWords(plan: Plan, { drawn, unit }: StandingBead): string {
  const { role, place } = drawn.bead;
  if (role === LOOP_ROLE) {
    const { joint } = place.section;
    return seamOf(place.section) === null ? `loop at the ${joint}` : `seed of ${joint}`;
  }
  const { seen } = plan;
  const shade = seen.colourings[role as keyof typeof seen.colourings] ? plan.shades().get(drawn.bead.id) : 0;
  const colour = shadesOf(seen, role)[shade ?? 0];
  const bead = beadOf(seen, role);
  const name = roleName(colour ? { ...bead, colourName: colour.name } : bead);
  const at = Math.max(unit, 0);
  const section = sectionAt(plan.along, at);
  const of = section ? ` · section ${section.of + 1}` : '';
  const where = plan.arrangement ? '' : `${of} · unit ${at + 1} of ${plan.along.units}`;
  return `${role} · ${name}${where}`;
}
