'use client';

import { partOf } from '@/core/piece/partOfPiece';
import { partName } from '@/core/piece/part';
import { LOOP_ROLE } from '@/core/closures/sewnLoop';
import { CORE_ROLE } from '@/core/joints/setIn';
import type { Here } from '@/core/making/making';
import type { Mat, MatPart, MatStep, Picked } from '@/core/making/mat';
import { BASE } from '@/core/weave/path';
import { beadOf } from '@/core/piece/part';
import { shadeName } from '@/core/colour/shades';
import { BeadIcon } from '../piece/BeadShape';
import { useLooks } from '../piece/looks';
import { StepDrawing } from '../piece/StepDrawing';
import { sizeName } from '../plan/roleName';
import type { Pictures } from './pictures';
import styles from './make.module.css';

interface Props {
  readonly mat: Mat;
  readonly here: Here;
  readonly pictures: Pictures | null;
  /** The step in words, in full or brief. */
  readonly said: string | null;
}

/** More beads of a kind than this are not drawn one by one. */
const MOST_DRAWN = 12;

/** The step to do now, large enough to be read at arm's length. */
export function StepCard({ mat, here: { part, step, at }, pictures, said }: Props) {
  const picture = step && pictures ? pictures.of(part.id, at) : null;
  if (!step)
    return (
      <section className={`card ${styles.step}`} aria-label="The step to do">
        <h2>All steps are done.</h2>
        <p className={styles.text}>Tell how long it came out, below: the next piece is planned by it.</p>
      </section>
    );
  return (
    <section className={`card ${styles.step}`} aria-label="The step to do" aria-live="polite">
      <h2>
        {headOf(step, part)}
        {step.tension !== 'tight' && <span className={styles.mark}>{step.tension} tension</span>}
        {step.optional && <span className={styles.mark}>can be left out</span>}
        {step.needleWords && <span className={styles.mark}>with the {step.needleWords}</span>}
      </h2>
      {step.beads.length > 0 && (
        <ul className={styles.picks} aria-label="To pick up">
          {step.beads.map((picked, i) => (
            <Pick key={i} mat={mat} part={part.id} picked={picked} />
          ))}
        </ul>
      )}
      <p className={styles.text}>{said}</p>
      {step.why && <p className="soft">{step.why}</p>}
      {step.ask && <p className={styles.ask}>{step.ask}</p>}
      {picture && pictures && (
        <div className={styles.picture}>
          <StepDrawing
            picture={picture}
            beadOf={(role) => beadOf(pictures.planOf(part.id).seen, role)}
            label="This step, drawn on the work so far."
          />
        </div>
      )}
    </section>
  );
}

/** What is made of the piece is told row by row, as it is counted; all else goes by its own name. */
const headOf = ({ woven, pass, row, title }: MatStep, { rowWord }: MatPart): string => {
  if (!woven || pass !== BASE) return title;
  return `${rowWord.charAt(0).toUpperCase()}${rowWord.slice(1)} ${Math.max(0, row) + 1}`;
};

/** So many alike: drawn in a row, with their letter, size and colour. */
function Pick({
  mat,
  part,
  picked: { role, shade, count },
}: {
  readonly mat: Mat;
  readonly part: string;
  readonly picked: Picked;
}) {
  const own = partOf(mat.piece, part);
  const looks = useLooks(own);
  const apart = own.others.find(({ id }) => id === own.strung[role as keyof typeof own.strung]);
  const { bead, mark } = looks(role, shade ?? 0);
  const letter =
    role === LOOP_ROLE ? 'loop seed' : role === CORE_ROLE ? bead.shape : shadeName(role, shade ?? undefined);
  return (
    <li>
      <span className={styles.beads}>
        {Array.from({ length: Math.min(count, MOST_DRAWN) }, (_, i) => (
          <BeadIcon key={i} bead={bead} mark={mark} size={34} />
        ))}
        {count > MOST_DRAWN && <span>… {count}</span>}
      </span>
      <span>
        <strong>
          {count} {apart ? partName(apart) : letter}
        </strong>
        {!apart && ` ${bead.colourName}, ${sizeName(bead)}`}
      </span>
    </li>
  );
}
