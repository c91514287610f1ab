'use client';

import { Button } from 'antd';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { use, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { choosing, countWords } from '@/core/piece/choosing';
import { toLayOutFirst } from '@/core/plan/madeApart';
import { planOrFault, planPartOrFault, type Plan } from '@/core/plan/plan';
import { partOf, type PartOfPiece } from '@/core/piece/partOfPiece';
import type { Piece } from '@/core/piece/piece';
import { wordProblem } from '@/core/words/problems';
import type { PlanBench, PlanScreenData } from '@/server/screens';
import { layingOut, layoutStore } from '../layouts/layoutStore';
import { GivenLayouts, useLayouts } from '../layouts/useLayouts';
import { KeptEditActs } from '../outbox/KeptEdit';
import { asOwnPiece } from '../outbox/outbox';
import { LookingAt } from '../piece/looks';
import { UnreadableThings } from '../shell/Unreadable';
import { useAfterPaint } from '../shell/useAfterPaint';
import { useLookups } from '../shell/useLookups';
import { useLengths } from '../shell/lengths';
import { usePressAgain, type KeptKeysRef } from '../shortcuts/keptKeys';
import { useShortcut } from '../shortcuts/useShortcut';
import { choiceId } from './choices/ChoiceRow';
import { CHOICE_TITLES, Choices, isAsked, type ChoiceTitle } from './choices/Choices';
import { Corrected } from './Corrected';
import { CountSection } from './CountSection';
import { PaletteDrag } from './palette/PaletteDrag';
import { useOpenPart } from './parts/useOpenPart';
import { Practise } from '../make/Practise';
import { ToTheMat } from '../make/ToTheMat';
import { TakeAlong } from '../paper/TakeAlong';
import { PlanHeader } from './PlanHeader';
import { PointedProvider, usePointer } from './pointed';
import type { Early } from './FirstLook';
import { Slip } from './Slip';
import { sitWords } from './SlipHead';
import type { Zoom } from './tape/tapeScale';
import { Tape } from './tape/Tape';
import { useView } from './tape/useView';
import { VIEWS, type TapeView } from './tape/ViewBar';
import { usePiece } from './usePiece';
import styles from './PlanScreen.module.css';

const Compare = dynamic(() => import('./compare/Compare').then((m) => m.Compare));
const TwoVersions = dynamic(() => import('./TwoVersions').then((m) => m.TwoVersions));

interface Props extends Pick<PlanScreenData, 'piece'> {
  readonly bench: PlanBench;
  readonly early: Early;
  readonly keptRef: KeptKeysRef;
}

/** The piece as it is planned, and everything that can be done with it. */
export function Planning({ bench: toCome, ...props }: PlanScreenData & Pick<Props, 'early' | 'keptRef'>) {
  const bench = use(toCome);
  return (
    <GivenLayouts laidOut={bench.laidOut}>
      <PointedProvider>
        <Planned bench={bench} {...props} />
      </PointedProvider>
    </GivenLayouts>
  );
}

function Planned({
  piece: stored,
  bench: { aside, variants, others, onMat, people, catalogue },
  early,
  keptRef,
}: Props) {
  const router = useRouter();
  const refresh = useCallback(() => router.refresh(), [router]);
  const {
    piece,
    part: carrier,
    change: changeCarrier,
    state,
    take,
    undo,
    redo,
    restart,
    letGo,
  } = usePiece(stored.id, stored.doc, stored.revision, refresh);
  const { style } = useLengths();
  const progress = useLayouts();
  const lookups = useLookups();
  const plan = useMemo(() => planOrFault(piece, lookups), [piece, lookups]);
  const { rooms, part, change } = useOpenPart(piece, changeCarrier, take);
  const isCarrier = part.id === carrier.id;
  /** Of the part that is open. */
  const partPlan = useMemo(
    () => (isCarrier ? plan : planPartOrFault(part, lookups)),
    [isCarrier, plan, part, lookups],
  );
  const toLayOut = plan.ok ? toLayOutFirst(plan) : null;
  useEffect(() => layoutStore.want(toLayOut), [toLayOut]);
  useEffect(() => () => layoutStore.want(null), []);
  /** The last plan that stood: it stays in view, greyed, while a choice is being mended. */
  const [last, setLast] = useState<Plan | null>(plan.ok ? plan : null);
  if (plan.ok && last !== plan) setLast(plan);
  const shown = plan.ok ? plan : last;
  const [late] = aside.found;

  const [view, setView] = useView();
  const [choice, setChoice] = useState<ChoiceTitle | null>(piece.wearer ? null : 'Who and length');
  const moveTo = useMoveTo(choice, setChoice);
  const [comparing, setComparing] = useState(false);
  const [stepsOpen, setStepsOpen] = useState(false);
  useShortcut('choice', (key) => {
    const title = CHOICE_TITLES[Number(key) - 1] ?? null;
    if (title && isAsked(title, part)) moveTo(choice === title ? null : title);
  });
  /** Opens the beads of the part that has this one. */
  const chooseBead = (id = carrier.id) => {
    rooms.onOpen(id);
    moveTo('Beads');
  };
  useShortcut('compare', () => setComparing(!comparing));
  useShortcut('steps', () => setStepsOpen(!stepsOpen));
  useEarly(early, stored.doc, changeCarrier);
  useCountKeys(part, partPlan.ok ? partPlan : null, change);
  usePressAgain(keptRef);

  return (
    <LookingAt looking={view}>
      <PaletteDrag piece={carrier} onChange={changeCarrier}>
        <div className={styles.plan}>
          <PlanHeader
            piece={piece}
            state={state}
            undo={undo}
            redo={redo}
            onName={(name) => changeCarrier({ name })}
          >
            <ToTheMat id={stored.id} piece={piece} onMat={onMat} />
            {onMat === null && <Practise piece={piece} kinds={catalogue.beads} />}
            {shown && <TakeAlong id={stored.id} piece={piece} plan={shown} />}
            <Button aria-pressed={comparing} onClick={() => setComparing(!comparing)}>
              Compare
            </Button>
          </PlanHeader>
          {late && (
            <TwoVersions
              current={stored}
              aside={late}
              onSettled={(now) => (restart(now.doc, now.revision), refresh())}
            />
          )}
          <UnreadableThings things={[...aside.unreadable, ...variants.unreadable]} />
          {state.kind === 'refused' && (
            <section className={`card ${styles.problem}`} role="alert" aria-label="Not saved">
              <p>
                <strong>Not saved.</strong> {state.message} It is kept in this browser: mend what it says, or
              </p>
              <KeptEditActs
                doc={state.doc}
                onOwn={asOwnPiece}
                onOwned={(id) => (letGo(), router.push(`/plan/${id}`))}
                onLetGo={letGo}
              />
            </section>
          )}
          {!plan.ok && (
            <p role="alert" className={styles.problem}>
              <strong>No plan yet.</strong> {wordProblem(plan.problem, style)}
              {shown && ' What you see below is the last plan that worked.'}
            </p>
          )}
          {shown && (
            <TapeOfPlan
              piece={carrier}
              plan={shown}
              stands={plan.ok}
              view={view}
              onView={setView}
              onChange={changeCarrier}
              onChooseBead={() => chooseBead()}
            />
          )}
          {shown && <AnswerLine plan={shown} />}
          {partPlan.ok && (
            <Corrected piece={part} plan={partPlan} kinds={catalogue.beads} onChange={change} />
          )}
          {comparing && (
            <Compare
              pieceId={stored.id}
              piece={piece}
              variants={variants.found}
              others={others}
              onTake={(other) => take({ ...other, name: piece.name })}
              onClose={() => setComparing(false)}
            />
          )}
          <div className={styles.columns}>
            <Choices
              piece={part}
              rooms={rooms}
              whole={shown}
              plan={partPlan.ok ? partPlan : null}
              layingOut={layingOut(progress, toLayOut)}
              people={people}
              catalogue={catalogue}
              open={choice}
              onOpen={setChoice}
              onChange={change}
            />
            {shown ? (
              <>
                <CountSection
                  piece={part}
                  plan={partPlan.ok ? partPlan : shown}
                  stands={partPlan.ok}
                  catalogue={catalogue}
                  stepsOpen={stepsOpen}
                  onStepsOpen={setStepsOpen}
                  onChange={change}
                />
                <div className={plan.ok ? undefined : styles.stale}>
                  <Slip plan={shown} onChooseBead={chooseBead} />
                </div>
              </>
            ) : (
              <section className={`card ${styles.count}`}>
                <h2>Nothing to count yet</h2>
                <p>
                  Choose at the left, from the top down. The piece and its numbers appear as soon as they can
                  be known.
                </p>
              </section>
            )}
          </div>
        </div>
      </PaletteDrag>
    </LookingAt>
  );
}

/** The answer in a line, which stays in view where the screen is too small for the tape to stay. */
function AnswerLine({ plan }: { readonly plan: Plan }) {
  const { show } = useLengths();
  return (
    <p className={styles.answerLine} aria-hidden>
      <strong>{countWords(plan, plan.chosen.units)}</strong>, {show(plan.chosen.finishedMm)}
      {plan.sit && `, ${sitWords(plan.sit)}`}
    </p>
  );
}

/** Opens a choice from elsewhere and moves into it; closed, its line has the focus. */
function useMoveTo(open: ChoiceTitle | null, setChoice: (title: ChoiceTitle | null) => void) {
  const moved = useRef(false);
  const before = useRef(open);
  useEffect(() => {
    const left = before.current;
    before.current = open;
    if (!moved.current) return;
    moved.current = false;
    focusChoice(open, left);
  }, [open]);
  return (title: ChoiceTitle | null) => {
    // Open already, nothing changes that the focus could follow.
    if (title === open) return focusChoice(title, open);
    moved.current = true;
    setChoice(title);
  };
}

/** Puts the focus into an open choice; where none is, on the line of the one that was left. */
function focusChoice(open: ChoiceTitle | null, left: ChoiceTitle | null): void {
  const id = choiceId(CHOICE_TITLES.findIndex((title) => title === (open ?? left)) + 1);
  document.querySelector<HTMLElement>(open ? `#${id}` : `[aria-controls="${id}"]`)?.focus();
}

/** Takes up what was done before the plan was there. */
function useEarly(
  { chosen, focused }: Early,
  doc: Piece,
  change: (change: Partial<PartOfPiece>) => void,
): void {
  useEffect(() => {
    if (chosen) change(choosing(partOf(doc), chosen));
    if (!focused) return;
    // The count is checked once it has been planned.
    const timer = setTimeout(() =>
      document.querySelector<HTMLInputElement>('input[name=units]:checked')?.focus(),
    );
    return () => clearTimeout(timer);
    // Once, when the plan takes the place of the first look.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
}

/** A unit fewer or more, and back to what fits best, by key. */
function useCountKeys(
  piece: PartOfPiece,
  plan: Plan | null,
  change: (change: Partial<PartOfPiece>) => void,
): void {
  const step = (way: 1 | -1) => () => {
    if (!plan) return;
    const { candidates, chosen } = plan;
    const here = candidates.findIndex((c) => c.units === chosen.units && c.finishedMm === chosen.finishedMm);
    const next = candidates[here + way];
    if (next) change(choosing(piece, next));
  };
  useShortcut('fewer', step(-1));
  useShortcut('more', step(1));
  useShortcut('best', () => change(choosing(piece, null)));
}

interface TapeOfPlanProps {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly stands: boolean;
  readonly view: ReturnType<typeof useView>[0];
  readonly onView: ReturnType<typeof useView>[1];
  readonly onChange: (change: Partial<PartOfPiece>) => void;
  readonly onChooseBead: () => void;
}

/** The tape, how it is looked at, and the keys for that. The picture follows the numbers, a frame later. */
function TapeOfPlan({ piece, plan, stands, view, onView, onChange, onChooseBead }: TapeOfPlanProps) {
  const [from, setFrom] = useState<TapeView>('above');
  const [zoom, setZoom] = useState<Zoom>({ kind: 'suited' });
  const pointer = usePointer();
  const now = useMemo(() => ({ piece, plan }), [piece, plan]);
  const drawn = useAfterPaint(now);
  useShortcut('view', () => {
    const here = VIEWS.findIndex(({ value }) => value === from);
    setFrom(VIEWS[(here + 1) % VIEWS.length]?.value ?? 'above');
  });
  useShortcut('true', () => setZoom(zoom.kind === 'true' ? { kind: 'suited' } : { kind: 'true' }));
  useShortcut('marks', () => onView({ marks: !view.marks }));
  useShortcut('teaching', () => onView({ teaching: !view.teaching }));
  return (
    <div
      className={stands ? styles.live : styles.stale}
      onKeyDown={(event) => {
        if (event.key === 'Escape') pointer.hold(null);
      }}
    >
      {drawn ? (
        <Tape
          {...drawn}
          view={view}
          onView={onView}
          from={from}
          onFrom={setFrom}
          zoom={zoom}
          onZoom={setZoom}
          onChange={stands ? onChange : null}
          onChooseBead={onChooseBead}
        />
      ) : (
        <div className={`card ${styles.tapeToCome}`} />
      )}
    </div>
  );
}
