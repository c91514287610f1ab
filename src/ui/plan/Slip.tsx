'use client';

import { holderWords } from '@/core/closures/suits';
import { useDroppable } from '@dnd-kit/core';
import type { ReactNode } from 'react';
import { shadeName } from '@/core/colour/shades';
import { metalWords } from '@/core/words/metal';
import { wordCaution } from '@/core/words/cautions';
import { wordWarning } from '@/core/words/warnings';
import { LOOP_ROLE } from '@/core/closures/sewnLoop';
import type { BeadMaterial } from '@/core/materials/material';
import type { PartId } from '@/core/weave/path';
import { CORE_ROLE } from '@/core/joints/setIn';
import { timeMs } from '@/core/plan/time';
import { lengthsInAll, madeApart, threadInAllMm, type MadeApart } from '@/core/plan/madeApart';
import type { Plan, Warning } from '@/core/plan/plan';
import type { RoleQuantity } from '@/core/plan/quantities';
import { beadsToBuy, packsToBuy, threadToBuyMm } from '@/core/supplies/toBuy';
import { distinct } from '@/core/structures/structure';
import { counted, timeWords, withCapital } from '@/core/words/figures';
import { Term } from '../glossary/Term';
import { BeadIcon } from '../piece/BeadShape';
import { useLooks, type Looks } from '../piece/looks';
import { useLengths } from '../shell/lengths';
import { Moved } from './Moved';
import { Notes } from './Notes';
import { Palette } from './palette/Palette';
import { dyeableRow, type Dyeable } from './palette/PaletteDrag';
import { pointedRole, useLit, usePointer } from './pointed';
import { roleName, sizeName } from './roleName';
import { SlipHead } from './SlipHead';
import styles from './Slip.module.css';

/** Units per length column: one decimal, or none where nothing belongs to a unit. */
const count = (n: number, figure: (value: number, digits: number) => string) =>
  n === 0 ? '–' : Number.isInteger(n) ? `${n}` : figure(n, 1);

interface Props {
  readonly plan: Plan;
  /** Opens the choice of beads of the part that has this one; of the one that carries the others where none is named. */
  readonly onChooseBead: (part?: PartId) => void;
}

/** The answers, like a slip from the till: how many units, beads in three columns, thread, what to watch. */
export function Slip({ plan, onChooseBead }: Props) {
  const looks = useLooks(plan.seen);
  const { show, thread, style, unit, figure } = useLengths();
  const { chosen, wear, closure, quantities, gauge } = plan;
  const made = madeApart(plan);
  const ofMade = made.flatMap(({ component: { name, plan: one } }) =>
    one.warnings.filter(loud).map((warning) => {
      const { title, text } = wordWarning(warning, style);
      return { title: `${withCapital(name)}: ${title}`, text };
    }),
  );
  const cautions = distinct(
    [plan, ...made.map(({ component }) => component.plan)].flatMap((one) => one.cautions),
  );
  const cutMm = threadInAllMm(plan);
  const lengths = lengthsInAll(plan);
  const wovenMm = chosen.finishedMm - closure.allowanceMm - 2 * closure.chainMm;
  const perLength = (perInch: number) => (unit === 'in' ? perInch : perInch / 2.54);
  return (
    <section className={`card ${styles.slip}`} aria-label="The answers">
      <SlipHead answers={plan} />
      <Notes
        notes={[...plan.warnings.filter(loud).map((warning) => wordWarning(warning, style)), ...ofMade]}
      />
      <table className={styles.beads}>
        <thead>
          <tr>
            <th scope="col">beads</th>
            <th scope="col">a unit</th>
            <th scope="col">{unit === 'in' ? 'an inch' : 'a cm'}</th>
            <th scope="col">in all</th>
            <th scope="col">to buy</th>
          </tr>
        </thead>
        <tbody>
          {quantities.map((quantity) => {
            const { role, bead, perUnit, perInch, total } = quantity;
            return (
              <BeadRows
                key={role}
                quantity={quantity}
                looks={looks}
                onChoose={() => onChooseBead(plan.components.get(role)?.id)}
              >
                <td>{plan.arrangement ? '–' : count(perUnit, figure)}</td>
                <td>{perInch === 0 || plan.arrangement ? '–' : figure(perLength(perInch), 1)}</td>
                <td>
                  <strong>
                    <Moved narrow>{`${total}`}</Moved>
                  </strong>
                </td>
                <td>{plan.components.has(role) ? 'to make' : <ToBuy total={total} bead={bead} />}</td>
              </BeadRows>
            );
          })}
          {made.map((one) => (
            <RowsOfMade key={one.component.id} made={one} onChooseBead={onChooseBead} />
          ))}
        </tbody>
      </table>
      <dl className={styles.rest}>
        <Line name="thread to cut">
          <strong>
            <Moved>{thread(cutMm)}</Moved>
          </strong>
          {lengths > 1 && ` in ${lengths} lengths`}
        </Line>
        {made.map(({ component, times }) => (
          <Line key={component.id} name={`of it, for ${counted(times, component.name)}`}>
            {times > 1 && `${times} × `}
            {thread(component.plan.thread.totalMm)}
          </Line>
        ))}
        {made.length > 0 && <Line name="of it, for the rest">{thread(plan.thread.totalMm)}</Line>}
        <Line name="thread to buy, at least">{thread(threadToBuyMm(cutMm, unit))}</Line>
        <Line
          name={
            <>
              of it, <Term word="tail" /> to leave
            </>
          }
        >
          {thread(plan.thread.tailMm)}
        </Line>
        <Line
          name={
            <>
              <Term word="woven part" />, first bead to last
            </>
          }
        >
          <Moved>{show(wovenMm)}</Moved>
        </Line>
        {gauge.shortening && (
          <Line name={`the same before ${gauge.shortening.passes.join(' and ')}`}>
            {show(wovenMm * (gauge.basePitchMm / gauge.pitchMm))}
          </Line>
        )}
        {closure.allowanceMm > 0 && (
          <Line name={`${plan.closedBy?.name ?? holderWords(plan.clasp)} and loops take`}>
            {show(closure.allowanceMm)}
          </Line>
        )}
        {closure.metal.map(({ name, count: so, use }) => (
          <Line
            key={`${name} ${JSON.stringify(use)}`}
            name={<Metal name={name} use={metalWords(use, show(closure.chainMm))} />}
          >
            {so}
          </Line>
        ))}
        {closure.longestMm > chosen.finishedMm && (
          <Line name="let out, at most">{show(closure.longestMm)}</Line>
        )}
        <Line name="nearly always comes to">
          {show(chosen.lowMm)} to {show(chosen.highMm)}
        </Line>
        <Line name="time at the mat">{paceWords(plan)}</Line>
        <Line name="weighs">
          {plan.weight.grams < 10 ? figure(plan.weight.grams, 1) : Math.round(plan.weight.grams)} g
          {plan.weight.unknown.length > 0 && ` without ${plan.weight.unknown.join(', ')}`}
        </Line>
        <Line name="target length">
          <Moved>{show(wear.wishMm)}</Moved>
        </Line>
      </dl>
      <Palette />
      <Notes
        notes={[
          ...plan.warnings
            .filter((warning) => !loud(warning))
            .map((warning) => ({ ...wordWarning(warning, style), mild: true })),
          ...cautions.map(wordCaution),
        ]}
      />
    </section>
  );
}

/** How long it takes, and how that is known. */
function paceWords(plan: Plan): string {
  const { pace } = plan.experience;
  const by = pace
    ? `at your pace, by ${counted(pace.pieces, 'piece')}${pace.ofStitch ? ' in this stitch' : ''}`
    : 'a guess: your pace is not known yet';
  return `about ${timeWords(timeMs(plan))}, ${by}`;
}

/** Beads with some to spare; pointed at, how many packs that is, and how many pieces can share them. */
function ToBuy({ total, bead }: { readonly total: number; readonly bead: BeadMaterial }) {
  const beads = beadsToBuy(total, bead);
  const bought = packsToBuy(beads, bead);
  const pack = bead.sold?.by === 'tube' ? `tube of ${bead.sold.grams} g` : 'strand';
  const shared = bought && bought.pieces > 1 ? `, enough for ${bought.pieces} such pieces` : '';
  return (
    <span
      title={
        bought === null
          ? 'some to spare'
          : `some to spare: ${counted(bought.packs, pack, pluralOf(pack))}${shared}`
      }
    >
      {beads}
    </span>
  );
}

const pluralOf = (pack: string) => pack.replace(/^(tube|strand)/, '$1s');

/** The beads of a part made apart: how many there are of it, what one takes, and what all of them take. */
function RowsOfMade({
  made: { component, times },
  onChooseBead,
}: {
  readonly made: MadeApart;
  readonly onChooseBead: Props['onChooseBead'];
}) {
  const looks = useLooks(component.plan.seen);
  return (
    <>
      <tr className={styles.made}>
        <th scope="rowgroup" colSpan={5}>
          {counted(times, component.name)}, made first{times > 1 && '; of each'}
        </th>
      </tr>
      {component.plan.quantities.map(({ role, bead, total }) => (
        <tr key={role}>
          <th scope="row">
            <button
              type="button"
              className={styles.bead}
              title="Choose this bead"
              onClick={() => onChooseBead(component.id)}
            >
              <BeadIcon {...looks(role)} size={22} />
              {role === CORE_ROLE ? roleName(bead) : `${role} · ${roleName(bead)}`}
            </button>
          </th>
          <td>{total}</td>
          <td>–</td>
          <td>
            <strong>{total * times}</strong>
          </td>
          <td>
            {component.plan.components.has(role) ? 'to make' : <ToBuy total={total * times} bead={bead} />}
          </td>
        </tr>
      ))}
    </>
  );
}

interface BeadRowsProps {
  readonly quantity: RoleQuantity;
  readonly looks: Looks;
  readonly onChoose: () => void;
  /** The three figures. */
  readonly children: ReactNode;
}

/** A role's beads, and beneath it each of its colours where there are several. A colour can be dropped on either. */
function BeadRows({ quantity: { role, bead, shades }, looks, onChoose, children }: BeadRowsProps) {
  const name = role === LOOP_ROLE ? 'loops' : role;
  const several = shades.length > 0;
  return (
    <>
      <BeadRow
        role={role}
        shade={0}
        onChoose={onChoose}
        name={`${name} · ${several ? sizeName(bead) : roleName(bead)}`}
        looks={looks}
      >
        {children}
      </BeadRow>
      {shades.map((shade, i) => (
        <BeadRow
          key={i}
          role={role}
          shade={i}
          name={`${shadeName(role, i)} · ${shade.name}`}
          looks={looks}
          within
        >
          <td />
          <td />
          <td>{shade.total}</td>
          <td>{beadsToBuy(shade.total, bead)}</td>
        </BeadRow>
      ))}
    </>
  );
}

interface BeadRowProps extends Dyeable {
  readonly name: string;
  readonly looks: Looks;
  readonly onChoose?: () => void;
  /** It is one of the colours of the row above. */
  readonly within?: boolean;
  readonly children: ReactNode;
}

function BeadRow({ role, shade, name, looks, onChoose, within = false, children }: BeadRowProps) {
  const pointer = usePointer();
  const lit = useLit(role);
  const { setNodeRef, isOver } = useDroppable({
    id: `${role}~${within ? shade : 'all'}`,
    data: { role, shade } satisfies Dyeable,
  });
  const seen = looks(role, shade);
  const words = (
    <>
      <BeadIcon {...seen} size={within ? 18 : 22} />
      {name}
    </>
  );
  return (
    <tr
      ref={setNodeRef}
      {...dyeableRow({ role, shade })}
      className={isOver ? styles.over : lit ? styles.lit : undefined}
      onPointerEnter={() => pointer.over(pointedRole(role))}
      onPointerLeave={() => pointer.over(null)}
    >
      <th scope="row">
        {onChoose ? (
          <button
            type="button"
            className={styles.bead}
            title="Choose this bead"
            onFocus={() => pointer.over(pointedRole(role))}
            onBlur={() => pointer.over(null)}
            onClick={onChoose}
          >
            {words}
          </button>
        ) : (
          <span className={within ? styles.within : styles.bead}>{words}</span>
        )}
      </th>
      {children}
    </tr>
  );
}

/** Warnings that stand above the figures; the others are good to know and stand below. */
const MILD: readonly Warning['code'][] = [
  'make-a-swatch',
  'several-lengths',
  'typical-size',
  'end-fixed-first',
  'other-thread',
  'no-path',
];
const loud = (warning: Warning) =>
  !MILD.includes(warning.code) &&
  !(warning.code === 'closure' && warning.doubt.code === 'turned-loop') &&
  !(warning.code === 'breaks-rule' && !warning.rule.must);

/** Something of metal to have ready, and what it closes. */
const Metal = ({ name, use }: { readonly name: string; readonly use: string | null }) => (
  <>
    {name}
    {use !== null && <small className={styles.use}>{use}</small>}
  </>
);

const Line = ({ name, children }: { name: ReactNode; children: ReactNode }) => (
  <div>
    <dt>{name}</dt>
    <dd className="figures">{children}</dd>
  </div>
);
