'use client';

import { useMemo } from 'react';
import { sectionAt } from '@/core/plan/along';
import type { Plan } from '@/core/plan/plan';
import { beadOf } from '@/core/piece/part';
import { heldOf, planPictures, planSteps } from '@/core/plan/steps';
import type { StepPicture } from '@/core/told/picture';
import { distinct } from '@/core/structures/structure';
import { tells, type Step, type StepGroup } from '@/core/read/steps';
import { needleWords, WORKING } from '@/core/words/needles';
import { heldWords } from '@/core/words/held';
import { stepTitle } from '@/core/words/stepTitles';
import { isTraversal, WOVEN, type Face } from '@/core/weave/path';
import { useAtHand } from '../shell/atHand';
import { StepDrawing } from '../piece/StepDrawing';
import { usePointed, usePointer, type Pointed } from './pointed';
import styles from './Steps.module.css';

/** Where the beads of a pass lie. */
const FACE_WORDS: Readonly<Record<Face, string>> = {
  front: 'on the front',
  back: 'on the back',
  below: 'hanging',
  above: 'above the line',
};

/** How it is worked, read off the thread path. */
export function Steps({ plan }: { plan: Plan }) {
  const { settings } = useAtHand();
  const groups = useMemo(() => planSteps(plan), [plan]);
  const drawn = settings.stepsDrawn && groups.length > 0;
  const pictureOf = useMemo(() => (drawn ? planPictures(plan) : null), [plan, drawn]);
  const pointer = usePointer();
  const pointed = usePointed();
  const lit = (group: StepGroup) =>
    !!pointed?.place && tells(group, { ...pointed.place, unit: pointed.units?.[0] ?? 0 });
  // Nobody has told its path.
  if (groups.length === 0) return null;
  return (
    <>
      <p className="soft">{heldWords(heldOf(plan), plan.turning)}</p>
      <ol className={styles.steps}>
        {groups.map((group, i) => (
          <li key={i} className={lit(group) ? styles.lit : undefined}>
            <h3>
              <button
                type="button"
                className={styles.title}
                onPointerEnter={() => pointer.over(pointedStep(group))}
                onPointerLeave={() => pointer.over(null)}
                onFocus={() => pointer.over(pointedStep(group))}
                onBlur={() => pointer.over(null)}
                onClick={() => pointer.hold(pointedStep(group))}
              >
                {stepTitle(group, plan.structure.madeWhole?.by)}
              </button>
              {group.section === WOVEN && group.info.tension !== 'tight' && (
                <span className={styles.tension}>{group.info.tension} tension</span>
              )}
              {group.info.face && <span className={styles.tension}>{FACE_WORDS[group.info.face]}</span>}
              {group.section === WOVEN && sectionAt(plan.along, group.fromUnit - 1) && (
                <span className={styles.tension}>{sectionsOf(plan, group)}</span>
              )}
              {group.info.optional && <span className={styles.tension}>can be left out</span>}
            </h3>
            {group.steps.map((step, k) => (
              <div key={k} className={styles.step}>
                <p>
                  {/* A piece with one needle need not say with which. */}
                  {step.needle !== WORKING && (
                    <span className={styles.needle}>
                      with the {needleWords(step.by, step.lies, plan.gear.needleMm !== null)}
                    </span>
                  )}
                  {settings.steps === 'full' ? step.text : step.brief}
                </p>
                <Picture plan={plan} step={step} of={pictureOf} />
              </div>
            ))}
            {group.info.why && <p className="soft">{group.info.why}</p>}
          </li>
        ))}
      </ol>
    </>
  );
}

/** The sections that a group of units lies in: `section 2`, `sections 2, 3`. */
function sectionsOf({ along }: Plan, { fromUnit, toUnit }: StepGroup): string {
  const numbers = distinct(
    along.sections
      .filter((span) => span.fromUnit < toUnit && span.toUnit >= fromUnit)
      .map(({ of }) => of + 1),
  );
  return `${numbers.length === 1 ? 'section' : 'sections'} ${numbers.join(', ')}`;
}

/** The beads that a step strings, or goes through where it strings none, and the units it is told for. */
function pointedStep({ steps, section, pass, fromUnit, toUnit }: StepGroup): Pointed {
  const moves = steps.flatMap((step) => step.moves);
  const strung = moves.filter((move) => move.kind === 'pick');
  const met = (strung.length > 0 ? strung : moves.filter(isTraversal)).map(({ bead }) => bead.role);
  return {
    roles: [...new Set(met)],
    units: section === WOVEN ? [fromUnit - 1, toUnit - 1] : null,
    place: { section, pass },
    bead: null,
  };
}

/** A step as it is drawn, for the first of the units that it is told for. */
function Picture({
  plan,
  step,
  of,
}: {
  readonly plan: Plan;
  readonly step: Step;
  readonly of: ((moves: Step['moves']) => StepPicture | null) | null;
}) {
  const picture = useMemo(() => of?.(step.moves) ?? null, [of, step]);
  if (!picture) return null;
  return (
    <StepDrawing picture={picture} beadOf={(role) => beadOf(plan.seen, role)} label="This step, drawn." />
  );
}
