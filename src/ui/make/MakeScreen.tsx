'use client';

import { LeftOutlined, RightOutlined, SoundOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, type TouchEvent } from 'react';
import { back, forward, forwardUnit, here, type Here } from '@/core/making/making';
import { progress, station } from '@/core/making/progress';
import { threadLeft } from '@/core/making/threadLeft';
import type { MakeScreenData } from '@/server/screens';
import { keepThisPage } from '../shell/offline';
import { useAtHand } from '../shell/atHand';
import { Apart } from './Apart';
import { Happenings } from './Happenings';
import { usePictures } from './pictures';
import { Reminders } from './Reminders';
import { StepCard } from './StepCard';
import { ThreadOnNeedle } from './ThreadOnNeedle';
import { useAwake } from './useAwake';
import { useMaking } from './useMaking';
import { usePedal } from './usePedal';
import { useSpoken } from './useSpoken';
import { Where } from './Where';
import styles from './make.module.css';

/** A finger that goes so far across the screen turns the page, pixels. */
const SWIPE_PX = 70;
/** A button held so long does a whole unit, ms. */
const HOLD_MS = 600;

/** The bead mat: one step at a time, large, and what happens is told at one press. */
export function MakeScreen({ mat: stored, happened, changed }: MakeScreenData) {
  const mat = stored.doc;
  const { settings } = useAtHand();
  const { state, happens, telling } = useMaking(stored.id, mat, happened);
  const now = useMemo(() => here(mat, state), [mat, state]);
  const far = useMemo(() => progress(mat, state), [mat, state]);
  const at = useMemo(() => station(mat, state), [mat, state]);
  const thread = useMemo(() => threadLeft(mat, state), [mat, state]);
  const pictures = usePictures(mat);
  useAwake();
  useEffect(() => {
    if (telling.kind === 'kept') keepThisPage();
  }, [telling.kind]);
  const router = useRouter();
  const finishedAt = state.finished?.when;
  const known = useRef(finishedAt);
  useEffect(() => {
    if (telling.kind !== 'kept' || known.current === finishedAt) return;
    known.current = finishedAt;
    // What it tells the next is there for every screen.
    router.refresh();
  }, [telling.kind, finishedAt, router]);
  const said = now.step && (settings.steps === 'full' ? now.step.text : now.step.brief);
  const spoken = useSpoken(said);

  const on = () =>
    happens((state) => (here(mat, state).step ? { did: 'go', to: forward(mat, state) } : null));
  const unitOn = () =>
    happens((state) => (here(mat, state).step ? { did: 'go', to: forwardUnit(mat, state) } : null));
  const goBack = () =>
    happens((state) => {
      const to = back(mat, state);
      return to && { did: 'go', to };
    });
  usePedal({ stepOn: on, stepBack: goBack, unitOn, speak: () => spoken.setOn(!spoken.on) });
  const swipe = useSwipe(on, goBack);
  const hold = useHold(unitOn);

  return (
    <div className={styles.make} {...swipe}>
      <header className={styles.head}>
        <h1>{mat.piece.name}</h1>
        <Link href={`/plan/${stored.pieceId}`}>its plan</Link>
        {spoken.can && (
          <Button
            icon={<SoundOutlined aria-hidden />}
            aria-pressed={spoken.on}
            onClick={() => spoken.setOn(!spoken.on)}
          >
            {spoken.on ? 'Speaking' : 'Speak the steps'}
          </Button>
        )}
        <p
          role="status"
          className={telling.kind === 'waiting' || telling.kind === 'refused' ? styles.owing : 'soft'}
        >
          {tellingWords(telling)}
        </p>
      </header>
      {changed && (
        <p className={styles.note}>
          The plan was changed since it was laid here. What lies on the mat stays as it was;{' '}
          <Link href={`/plan/${stored.pieceId}`}>on the plan</Link> the changed one can be laid in its place,
          with what is done carried over.
        </p>
      )}
      {state.heads.length > 1 && (
        <Apart mat={mat} state={state} onChoose={(keep) => happens({ did: 'choose', keep })} />
      )}
      <Reminders mat={mat} state={state} />
      <Where station={at} progress={far} />
      <div className={styles.work}>
        <StepCard mat={mat} here={now} pictures={pictures} said={said} />
        <aside className={styles.aside}>
          <ThreadOnNeedle
            left={thread}
            here={now}
            cutMm={mat.cutMm}
            onThread={(mm, joined) =>
              happens((state) => {
                const { part, made, at, step } = here(mat, state);
                if (!step) return null;
                return { did: 'thread', needle: step.needle, mm, joined, at: { part: part.id, made, at } };
              })
            }
          />
          <Looks here={now} />
        </aside>
      </div>
      <nav className={styles.steps} aria-label="Steps">
        <Button size="large" icon={<LeftOutlined aria-hidden />} onClick={goBack} disabled={far.done === 0}>
          Back
        </Button>
        <Button size="large" onClick={unitOn} disabled={!now.step}>
          Whole unit
        </Button>
        <Button
          size="large"
          type="primary"
          className={styles.on}
          onClick={hold.press(on)}
          disabled={!now.step}
          {...hold.holds}
        >
          Done, next <RightOutlined aria-hidden />
        </Button>
      </nav>
      <Happenings
        matId={stored.id}
        mat={mat}
        state={state}
        here={now}
        pictures={pictures}
        happens={happens}
      />
    </div>
  );
}

function tellingWords(telling: ReturnType<typeof useMaking>['telling']): string {
  switch (telling.kind) {
    case 'opening':
      return 'opening …';
    case 'kept':
      return 'kept';
    case 'telling':
      return 'keeping …';
    case 'waiting':
      return 'kept in this browser; the program does not answer, trying again …';
    case 'refused':
      return `kept in this browser, not in the program: ${telling.message}`;
  }
}

/** What it looks like where that seems wrong and is right, and what to watch. */
function Looks({ here: { part } }: { readonly here: Here }) {
  if (part.looks.length + part.watch.length === 0) return null;
  return (
    <section className={`card ${styles.facts}`} aria-label="How it looks">
      <h2>How it looks</h2>
      <ul>
        {part.looks.map(({ after, look }) => (
          <li key={after}>
            <strong>After {after}:</strong> {look}
          </li>
        ))}
      </ul>
      {part.watch.length > 0 && (
        <details>
          <summary>What to watch</summary>
          <ul>
            {part.watch.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** A finger across the screen: to the left on, to the right back. */
function useSwipe(on: () => void, goBack: () => void) {
  const from = useRef<{ x: number; y: number } | null>(null);
  return {
    onTouchStart: ({ touches }: TouchEvent) => {
      const touch = touches.item(0);
      from.current = touches.length === 1 ? { x: touch.clientX, y: touch.clientY } : null;
    },
    onTouchEnd: ({ changedTouches }: TouchEvent) => {
      const touch = changedTouches.item(0);
      if (!from.current) return;
      const [dx, dy] = [touch.clientX - from.current.x, touch.clientY - from.current.y];
      if (Math.abs(dx) > SWIPE_PX && Math.abs(dx) > 2 * Math.abs(dy)) (dx < 0 ? on : goBack)();
    },
  };
}

/** A button that does one thing pressed, and another held. */
function useHold(held: () => void) {
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const did = useRef(false);
  const letGo = () => clearTimeout(timer.current);
  /** No press comes of it: the next one counts. */
  const leave = () => {
    letGo();
    did.current = false;
  };
  return {
    press: (act: () => void) => () => {
      if (!did.current) act();
      did.current = false;
    },
    holds: {
      onPointerDown: () => {
        did.current = false;
        timer.current = setTimeout(() => {
          did.current = true;
          held();
        }, HOLD_MS);
      },
      onPointerUp: letGo,
      onPointerLeave: leave,
      onPointerCancel: leave,
    },
  };
}
