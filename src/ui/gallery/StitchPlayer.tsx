'use client';

import {
  CaretRightOutlined,
  PauseOutlined,
  StepBackwardOutlined,
  StepForwardOutlined,
} from '@ant-design/icons';
import { Button, Slider } from 'antd';
import { useEffect, useId, useMemo, useState } from 'react';
import { drawing, flatFor } from '@/core/layout/drawing';
import type { Flat } from '@/core/layout/outline';
import { sizeOf } from '@/core/materials/material';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { asDrawn, planPictures, planUnits } from '@/core/plan/steps';
import { heldWords } from '@/core/words/held';
import { frames } from '@/core/read/play';
import type { ToldUnit } from '@/core/read/steps';
import type { StepPicture } from '@/core/told/picture';
import { StepDrawing } from '../piece/StepDrawing';
import { useAtHand } from '../shell/atHand';
import { SeenBead } from '../piece/BeadShape';
import { THREAD_COLOUR } from '../piece/beadLook';
import styles from './gallery.module.css';
import { BASE, WOVEN } from '@/core/weave/path';
import { beadOf } from '@/core/piece/part';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
}

/** Time from one move to the next while it plays, ms: slow enough to follow a needle. */
const BEAT_MS = 420;

/** The path of the sample, move by move: the beads strung so far, the way of the thread, and the words. */
export function StitchPlayer({ piece, plan }: Props) {
  const film = useMemo(() => filmOf(piece, plan), [piece, plan]);
  const last = film.frames.length - 1;
  const { settings } = useAtHand();
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const now = Math.min(at, last);
  useEffect(() => {
    if (!playing) return;
    const timer = setTimeout(() => {
      setAt(Math.min(now + 1, last));
      if (now + 1 >= last) setPlaying(false);
    }, BEAT_MS);
    return () => clearTimeout(timer);
  }, [playing, now, last]);
  const go = (to: number) => {
    setPlaying(false);
    setAt(Math.min(Math.max(to, 0), last));
  };
  const step = film.told[now];
  return (
    <div className={styles.player}>
      <Film piece={piece} plan={plan} film={film} now={now} />
      <div className={styles.controls}>
        <Button aria-label="One move back" icon={<StepBackwardOutlined />} onClick={() => go(now - 1)} />
        <Button
          type="primary"
          icon={playing ? <PauseOutlined aria-hidden /> : <CaretRightOutlined aria-hidden />}
          onClick={() => {
            if (now === last) setAt(0);
            setPlaying(!playing);
          }}
        >
          {playing ? 'Hold' : 'Play'}
        </Button>
        <Button aria-label="One move on" icon={<StepForwardOutlined />} onClick={() => go(now + 1)} />
        <Slider
          className={styles.slider}
          min={0}
          max={last}
          value={now}
          onChange={go}
          tooltip={{ formatter: null }}
          ariaLabelForHandle="Move"
        />
        <span className="figures">
          move {now + 1} of {last + 1}
        </span>
      </div>
      <div className={styles.toldStep}>
        {settings.stepsDrawn && step?.picture && (
          <StepDrawing
            picture={step.picture}
            beadOf={(role) => beadOf(plan.seen, role)}
            label="This step, drawn."
          />
        )}
        <p className={styles.told} aria-live={playing ? 'off' : 'polite'}>
          {step ? (
            <>
              <strong>{step.where}</strong> {settings.steps === 'full' ? step.text : step.brief}
            </>
          ) : (
            ' '
          )}
        </p>
      </div>
      {plan.round && <p className="soft">{heldWords(asDrawn(plan))}</p>}
    </div>
  );
}

/** The step that a move belongs to. */
interface ToldMove {
  readonly where: string;
  readonly text: string;
  readonly brief: string;
  readonly picture: StepPicture | null;
}

interface Film {
  readonly picture: ReturnType<typeof drawing>;
  readonly frames: readonly {
    readonly strung: number;
    readonly needle: string;
    readonly way: readonly Flat[];
  }[];
  /** The step that each move belongs to. */
  readonly told: readonly (ToldMove | undefined)[];
  readonly from: Flat;
  readonly to: Flat;
}

function filmOf(piece: PartOfPiece, plan: Plan): Film {
  const work = plan.work();
  const flat = flatFor('above');
  const picture = drawing(
    { path: work.path, layout: work.layout },
    (role) => sizeOf(beadOf(piece, role)),
    'above',
  );
  const pictureOf = planPictures(plan, asDrawn(plan));
  const steps = new Map(
    planUnits(plan).flatMap((unit) =>
      unit.steps.flatMap(({ moves, text, brief }) => {
        const told = { where: whereWords(unit), text, brief, picture: pictureOf(moves) };
        return moves.map((move) => [move, told] as const);
      }),
    ),
  );
  const all = frames(work.thread, work.layout);
  const xs = picture.beads.map(({ at }) => at[0]);
  const ys = picture.beads.map(({ at }) => at[1]);
  const around = 4;
  return {
    picture,
    frames: all.map(({ move, strung, way }) => ({ strung, needle: move.needle, way: way.map(flat) })),
    told: all.map(({ move }) => steps.get(move)),
    from: [Math.min(...xs) - around, Math.min(...ys) - around],
    to: [Math.max(...xs) + around, Math.max(...ys) + around],
  };
}

function whereWords({ place: { section, pass, unit } }: ToldUnit): string {
  if (section !== WOVEN) return `${pass.charAt(0).toUpperCase()}${pass.slice(1)}:`;
  return pass === BASE
    ? `Unit ${unit + 1}:`
    : `${pass.charAt(0).toUpperCase()}${pass.slice(1)}, unit ${unit + 1}:`;
}

/** One picture of the film: what is strung, the thread so far, and the newest move with the needle's point. */
function Film({ piece, plan, film, now }: Props & { readonly film: Film; readonly now: number }) {
  const id = useId();
  const { picture, from, to } = film;
  const keys = new Map([...picture.shapes.keys()].map((key, i) => [key, `${id}${i}`]));
  const frame = film.frames[now];
  const done = useMemo(() => film.frames.map(({ way }) => line(way)), [film]);
  // Where nothing moves the needle waits where it was.
  const moved = film.frames.findLast(
    ({ needle, way }, i) => i <= now && needle === frame?.needle && way.length > 1,
  );
  const [before, tip] = moved?.way.slice(-2) ?? [];
  const [wide, high] = [to[0] - from[0], to[1] - from[1]];
  return (
    <svg
      viewBox={`${from[0]} ${from[1]} ${wide} ${high}`}
      className={styles.still}
      style={{ aspectRatio: `${wide} / ${high}`, maxWidth: wide * 16 }}
      role="img"
      aria-label={`${plan.structure.name} after move ${now + 1}: ${frame?.strung ?? 0} beads strung.`}
    >
      <defs>
        {[...picture.shapes].map(([key, shape]) => (
          <g key={key} id={keys.get(key)}>
            <SeenBead bead={beadOf(piece, shape.role)} shape={shape} />
          </g>
        ))}
      </defs>
      {picture.beads
        .filter(({ bead }) => bead.id < (frame?.strung ?? 0))
        .map(({ bead, shape, at: [x, y], angle }) => (
          <use
            key={bead.id}
            href={`#${keys.get(shape) ?? ''}`}
            transform={`translate(${x.toFixed(2)} ${y.toFixed(2)}) rotate(${angle.toFixed(1)})`}
          />
        ))}
      <g fill="none" stroke={THREAD_COLOUR} strokeLinecap="round" strokeLinejoin="round">
        <path d={done.slice(0, now).join('')} strokeWidth={0.22} strokeOpacity={0.55} />
        <path d={done[now] ?? ''} strokeWidth={0.5} />
      </g>
      {tip && before && (
        <g transform={`translate(${tip[0]} ${tip[1]}) rotate(${degrees(before, tip).toFixed(1)})`}>
          <path
            d="M-0.4 -0.35L3 0L-0.4 0.35Z"
            fill="var(--ink-soft)"
            stroke="var(--card)"
            strokeWidth={0.12}
          />
        </g>
      )}
    </svg>
  );
}

const line = (way: readonly Flat[]): string =>
  way.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`).join('');

const degrees = (a: Flat, b: Flat): number => (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
