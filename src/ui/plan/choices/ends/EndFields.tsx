'use client';

import { holderWords, holdsOneEnd } from '@/core/closures/suits';
import { App, Button } from 'antd';
import { useState } from 'react';
import type { Closure } from '@/core/closures/closure';
import type { SewnTo } from '@/core/closures/sewnLoop';
import { triedGirthMm } from '@/core/closures/buttonLoop';
import { withGirth } from '@/core/materials/learn';
import { sizeOf, type BeadMaterial, type Clasp, type FindingMaterial } from '@/core/materials/material';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { keepGirthAction } from '@/server/actions/materials';
import { ask } from '../../../fields/ask';
import { Choice } from '../../../fields/Choice';
import { Pick } from '../../../fields/Pick';
import { Toggle } from '../../../fields/Toggle';
import styles from '../choices.module.css';

type Ends = PartOfPiece['ends'];
type End = Ends['start'];

const LOOP_SEEDS: readonly number[] = [0, 2, 3, 4, 5, 6, 8];
const LEG_SEEDS: readonly number[] = [3, 4, 5, 6, 8, 10];
const EDGE_SEEDS: readonly number[] = [0, 1, 2, 3];
const THREADS = [1, 2, 3, 4] as const;
const RINGS = [0, 1, 2, 3] as const;

const sameEnd = (a: End, b: End) => JSON.stringify(a) === JSON.stringify(b);

interface Props {
  readonly ends: Ends;
  readonly findings: readonly FindingMaterial[];
  readonly button: Closure['button'];
  /** The bead of its loops. */
  readonly seed: BeadMaterial;
  /** The woven part that it is sewn to; a clasp where nothing is said. */
  readonly to?: SewnTo;
  /** Whether its ends have places for the legs of a V. */
  readonly tube?: boolean;
  readonly onChange: (change: Partial<Ends>) => void;
}

/** The end that a button is at, changed; its loop hangs from legs where the button does. */
const withLegs = ({ end }: Ends, start: End): Partial<Ends> => ({
  start,
  end: { ...end, legs: start.legs, seedsEachSide: start.legs ? start.seedsEachSide : end.seedsEachSide },
});

/** How each end is sewn on: both alike, or each its own way. */
export function EndFields({ ends, findings, button, seed, to, tube = false, onChange }: Props) {
  const [apart, setApart] = useState(!sameEnd(ends.start, ends.end));
  // Between two edges there is no jump ring.
  const rings = to === undefined ? findings.filter(({ kind }) => kind === 'jump ring') : [];
  const { fastening } = ends.clasp;
  const field = (title: string, end: End, set: (end: End) => void, loop: boolean) => (
    <OneEnd
      title={title}
      end={end}
      rings={rings}
      loop={loop && (to !== undefined || fastening === 'sewn loop')}
      to={to}
      holder={to?.name ?? holderWords(ends.clasp)}
      once={to === undefined && fastening === 'crimped'}
      tube={tube && to === undefined && fastening === 'sewn loop'}
      onChange={set}
    />
  );
  if (holdsOneEnd(ends.clasp)) return field('', ends.start, (start) => onChange({ start }), true);
  if (button)
    return (
      <>
        {field('Ball, button or bar', ends.start, (start) => onChange(withLegs(ends, start)), true)}
        <ButtonLoop
          clasp={to === undefined ? ends.clasp : null}
          button={button}
          seed={seed}
          onChange={onChange}
        />
      </>
    );
  return (
    <>
      <Toggle
        label="The two ends are made differently"
        checked={apart}
        onChange={(on) => {
          setApart(on);
          if (!on) onChange({ end: ends.start });
        }}
      />
      {apart ? (
        <>
          {field('At the start', ends.start, (start) => onChange({ start }), true)}
          {field('At the end', ends.end, (end) => onChange({ end }), true)}
        </>
      ) : (
        field('', ends.start, (end) => onChange({ start: end, end }), true)
      )}
    </>
  );
}

function OneEnd({
  title,
  end,
  rings,
  loop,
  to,
  holder,
  once,
  tube,
  onChange,
}: {
  readonly title: string;
  readonly end: End;
  readonly rings: readonly FindingMaterial[];
  /** Whether it hangs on a loop of seeds. */
  readonly loop: boolean;
  readonly to: SewnTo | undefined;
  /** What it holds, or is sewn to, in a word. */
  readonly holder: string;
  /** Whether thread goes through it once and no more. */
  readonly once: boolean;
  /** Whether it can hang from a V of legs. */
  readonly tube: boolean;
  readonly onChange: (end: End) => void;
}) {
  const label = (words: string) =>
    title === '' ? words.charAt(0).toUpperCase() + words.slice(1) : `${title}: ${words}`;
  const [usual] = rings;
  // A clasp needs room to turn; to an edge one sews close.
  const inV = tube && end.legs === true;
  const [what, seeds] =
    to === undefined ? ['ring', LOOP_SEEDS] : [to.by, to.by === 'edge' ? EDGE_SEEDS : LOOP_SEEDS];
  return (
    <div className={styles.group}>
      {tube && (
        <Choice
          label={label('hangs from')}
          value={end.legs ? 'legs' : 'loop'}
          options={[
            { value: 'loop', label: 'one loop across the opening' },
            { value: 'legs', label: 'a V of legs' },
          ]}
          onChange={(from) => onChange({ ...end, legs: from === 'legs' })}
          help="Legs of seeds lead from round the end of the tube and meet in one seed, which holds the rest."
        />
      )}
      {loop && (
        <Choice
          label={label(inV ? 'seeds of each leg' : `sewn on with a loop of seeds, ${what}, seeds`)}
          value={end.seedsEachSide}
          options={(inV ? LEG_SEEDS : seeds).map((n) => ({
            value: n,
            label: inV ? `${n}` : n === 0 ? 'no seeds' : `${n}, ${what}, ${n}`,
          }))}
          onChange={(seedsEachSide) => onChange({ ...end, seedsEachSide })}
        />
      )}
      {loop && !inV && to === undefined && end.seedsEachSide > 0 && (
        <Choice
          label={label('the loop lies')}
          value={end.turned ? 'turned' : 'flat'}
          options={[
            { value: 'flat', label: 'flat, as the work' },
            { value: 'turned', label: 'turned on edge' },
          ]}
          onChange={(lies) => onChange({ ...end, turned: lies === 'turned' })}
          help="By the clasp that comes: both threads of a turned loop go through one seed more at the work, and beyond it the loop can stand on edge."
        />
      )}
      {!once && (
        <Choice
          label={label(`threads through the ${holder}`)}
          value={end.passes}
          options={THREADS.map((n) => ({ value: n, label: `${n}` }))}
          onChange={(passes) => onChange({ ...end, passes })}
          help="Two or more; three for a heavy piece."
        />
      )}
      {usual && (
        <Choice
          label={label(`jump rings between loop and ${holder}`)}
          value={end.rings?.count ?? 0}
          options={RINGS.map((n) => ({ value: n, label: n === 0 ? 'none' : `${n}` }))}
          onChange={(count) =>
            onChange({
              ...end,
              rings: count === 0 ? null : { finding: end.rings?.finding ?? usual, count },
            })
          }
        />
      )}
      {end.rings && (
        <Pick
          label={label('which ring')}
          value={end.rings.finding.id}
          options={rings.map((ring) => ({
            value: ring.id,
            label: `${ring.name}, ${ring.insideMm ?? '?'} mm inside, wire ${ring.wireMm ?? '?'} mm`,
          }))}
          onChange={(id) => {
            const finding = rings.find((ring) => ring.id === id);
            if (finding && end.rings) onChange({ ...end, rings: { ...end.rings, finding } });
          }}
        />
      )}
    </div>
  );
}

/** The count of a loop over a ball, a button or a bar: what passes over it, and what still holds; tried, it is kept. */
function ButtonLoop({
  clasp,
  button,
  seed,
  onChange,
}: {
  /** The clasp that learns from what is tried; null of what is made for this piece alone. */
  readonly clasp: Clasp | null;
  readonly button: NonNullable<Closure['button']>;
  readonly seed: BeadMaterial;
  readonly onChange: (change: Partial<Ends>) => void;
}) {
  const { message } = App.useApp();
  const { least, most, seeds } = button;
  const counts = [least - 1, least, most, most + 1];
  const tried = async (clasp: Clasp) => {
    const girthMm = triedGirthMm(button.girthMm, seeds, sizeOf(seed));
    onChange({ clasp: withGirth(clasp, girthMm), loopSeeds: null });
    const answer = await ask(keepGirthAction, { id: clasp.id, girthMm });
    if (!answer.ok) return void message.error(answer.message);
    void message.success(`Kept: ${seeds} of these just pass over it. Loops of other seeds go by that too.`);
  };
  return (
    <>
      <Choice
        label="Seeds in the loop"
        value={seeds}
        options={[...new Set([...counts, seeds])]
          .sort((a, b) => a - b)
          .map((n) => ({ value: n, label: n < least ? `${n} tight` : n > most ? `${n} loose` : `${n}` }))}
        onChange={(count) => onChange({ loopSeeds: count === least ? null : count })}
        help={`${least} or ${most} pass over it${clasp?.source === 'measured' ? ', by what you measured or tried' : ''}. Try it over before you reinforce: reinforcing too hard shrinks a loop.`}
      />
      {clasp && (
        <div className={styles.buttons}>
          <Button onClick={() => void tried(clasp)}>Tried: {seeds} just pass over</Button>
        </div>
      )}
    </>
  );
}
