'use client';

import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { makeOf, needsNeedle } from '@/core/materials/material';
import { cautionsOfThread } from '@/core/plan/cautions';
import { BY_THE_TAIL, needs, type Need } from '@/core/supplies/needs';
import { leastSeen } from '@/core/supplies/threadSense';
import { wordCaution } from '@/core/words/cautions';
import { counted, percent } from '@/core/words/figures';
import type { Catalogue } from '@/server/screens';
import { Fact } from '../../../fields/Fact';
import { Pick } from '../../../fields/Pick';
import { Toggle } from '../../../fields/Toggle';
import { useLengths } from '../../../shell/lengths';
import { Notes } from '../../Notes';
import { ColourChoice } from '../ColourChoice';
import { CutList } from './CutList';
import { Holes } from './Holes';
import { OnTheNeedle } from './OnTheNeedle';
import styles from '../choices.module.css';
import { WOVEN } from '@/core/weave/path';
import { sectionWords } from '@/core/words/sections';

/** Whether bare thread shows, and what that means for its colour. */
function exposedWords(plan: Plan, tenth: (mm: number) => string): string {
  const { spans, longestMm } = plan.exposed;
  if (spans.length === 0) return 'No bare thread shows.';
  return `Bare thread shows between beads, ${tenth(longestMm)} at the longest: take a colour that matches or vanishes.`;
}

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan | null;
  readonly catalogue: Catalogue;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** Which thread and needle, what is cut and where it is changed, and how it goes through the holes. */
export function ThreadChoice({ piece, plan, catalogue, onChange }: Props) {
  const { thread } = useLengths();
  const { threads, needles } = catalogue;
  return (
    <>
      <Pick
        label="Thread"
        value={piece.thread.id}
        options={threads.map((t) => ({ value: t.id, label: `${t.name}, ${t.diameterMm} mm` }))}
        onChange={(id) => {
          const chosen = threads.find((t) => t.id === id);
          if (chosen) onChange({ thread: chosen });
        }}
      />
      {needsNeedle(piece.thread) ? (
        <Pick
          label="Needle"
          value={piece.needle.id}
          options={needles.map((n) => ({ value: n.id, label: `${n.name}, ${n.diameterMm} mm` }))}
          onChange={(id) => {
            const chosen = needles.find((n) => n.id === id);
            if (chosen) onChange({ needle: chosen });
          }}
        />
      ) : (
        <p className="soft">Its end is stiff enough to go through without a needle.</p>
      )}
      <Toggle
        label="Thread doubled"
        help="Folded at the needle: twice as strong, twice as much in every hole."
        checked={piece.doubled}
        onChange={(doubled) => onChange({ doubled, threadChanges: null })}
      />
      <Colour piece={piece} plan={plan} onChange={onChange} />
      {plan && (
        <>
          {!plan.weaveable.pathless && (
            <Holes piece={piece} plan={plan} catalogue={catalogue} onChange={onChange} />
          )}
          <CutList piece={piece} plan={plan} onChange={onChange} />
          <Notes notes={cautionsOfThread(piece.thread).map((one) => ({ ...wordCaution(one), mild: true }))} />
          <dl className={styles.facts}>
            <Fact name="in the work">{thread(plan.thread.inWorkMm)}</Fact>
            <Fact name="ends to weave in">{thread(plan.thread.endsMm)}</Fact>
            <Fact name="to spare">
              {thread(plan.thread.marginMm)}
              {learntMargin(plan)}
            </Fact>
            <Fact name="to cut">
              <strong>{thread(plan.thread.totalMm)}</strong>
            </Fact>
            <Fact name="of it, tail to leave at the start">{thread(plan.thread.tailMm)}</Fact>
          </dl>
          <details>
            <summary>What it is used for, pass by pass</summary>
            <dl className={styles.facts}>
              {needs(plan.thread).map((need) => (
                <Fact key={needWords(need)} name={needWords(need)}>
                  {thread(need.mm)}
                </Fact>
              ))}
            </dl>
          </details>
          {/* Elastic is worked in one length: there is no place to stop at. */}
          {makeOf(piece.thread) !== 'elastic' && <OnTheNeedle plan={plan} />}
        </>
      )}
    </>
  );
}

/** What is spared by what was measured, and how often that was. */
const learntMargin = ({ thread: { margin }, experience }: Plan): string =>
  experience.margin
    ? `: ${percent(margin)}, by ${counted(experience.margin.pieces, 'piece', 'pieces')} that you measured`
    : '';

/** What thread goes to, as one says it. */
function needWords({ section, pass }: Need): string {
  if (pass === BY_THE_TAIL) return 'sewn by the tail';
  const part = sectionWords(section);
  return section === WOVEN || part === pass ? pass : `${part}, ${pass}`;
}

/** The colour of the thread, and whether any of it shows. */
function Colour({ piece, plan, onChange }: Pick<Props, 'piece' | 'plan' | 'onChange'>) {
  const { tenth } = useLengths();
  const like = plan && plan.exposed.spans.length > 0 ? leastSeen(plan.quantities) : null;
  return (
    <>
      <ColourChoice
        label="Colour of the thread"
        name="thread-colour"
        chosen={piece.threadColour?.name ?? 'left open'}
        onChange={(threadColour) => onChange({ threadColour })}
      />
      {plan && <p className="soft">{exposedWords(plan, tenth)}</p>}
      {like && piece.threadColour?.name !== like.name && (
        <p>
          In {like.name}, like most of the beads, it shows least.{' '}
          <button type="button" className="linkButton" onClick={() => onChange({ threadColour: like })}>
            Take {like.name}
          </button>
        </p>
      )}
    </>
  );
}
