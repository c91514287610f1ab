'use client';

import { useEffect, useMemo, useRef, type ReactNode } from 'react';
import type { Sheet } from '@/core/paper/sheet';
import { beadOf } from '@/core/piece/part';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { planPictures } from '@/core/plan/steps';
import { BeadIcon } from '../piece/BeadShape';
import { LookingAt, useLooks } from '../piece/looks';
import { drawingBox, PieceDrawing } from '../piece/PieceDrawing';
import { StepDrawing } from '../piece/StepDrawing';
import { paperSvg } from './paperSvg';
import { beadKey, stepKey, type PaperDrawing, type PaperDrawings } from './sheetContent';
import { lineMm, type Paper } from './sheetDoc';
import styles from './paper.module.css';

/** Marks tell beads apart where there is no colour; nothing is painted that can be drawn. */
const ON_PAPER = { teaching: false, marks: true, onPaper: true } as const;

const BEAD_MM = 5.5;
/** Lines of a folded piece overlap by so much, so that one sees how they go on. */
const OVERLAP_MM = 4;
/** A pixel of a step's picture on paper, and how high one may be there. */
const STEP_MM = 0.26;
const MOST_STEP_MM = 48;

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly sheet: Sheet;
  readonly paper: Paper;
  readonly onDrawn: (drawings: PaperDrawings) => void;
}

/** All drawings of a sheet, drawn where nobody sees them, and handed on as SVG that stands alone. */
export function Drawings({ piece, plan, sheet, paper, onDrawn }: Props) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // Once all is in the page its styles are known.
    const of = (kind: string) =>
      new Map(
        [...(place.current?.querySelectorAll<HTMLElement>(`[data-kind="${kind}"]`) ?? [])].flatMap((one) => {
          const svg = one.querySelector('svg');
          return svg ? [[one.dataset.key ?? '', onPaper(svg, Number(one.dataset.mm))] as const] : [];
        }),
      );
    onDrawn({
      strips: [...of('strip').values()],
      beads: of('bead'),
      steps: of('step'),
      sizes: of('size'),
    });
    // Once: what is drawn does not change while it is printed.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const { from, wideMm } = drawingBox({ piece, plan });
  const most = lineMm(paper);
  const lines = wideMm <= most ? 1 : Math.ceil((wideMm - OVERLAP_MM) / (most - OVERLAP_MM));
  const largest = Math.max(1, ...sheet.sizes.map((size) => drawingBox({ piece, plan: size.plan }).wideMm));
  return (
    <LookingAt looking={ON_PAPER}>
      <div ref={place} className={styles.unseen} aria-hidden>
        {Array.from({ length: lines }, (_, i) => {
          const fromMm = from[0] + i * (most - OVERLAP_MM);
          const mm = Math.min(most, from[0] + wideMm - fromMm);
          return (
            <Drawn key={i} kind="strip" of={`${i}`} mm={mm}>
              <Strip piece={piece} plan={plan} fromMm={fromMm} wideMm={mm} />
            </Drawn>
          );
        })}
        {sheet.sizes.map(({ size, plan: own }) => {
          const box = drawingBox({ piece, plan: own });
          return (
            <Drawn key={size} kind="size" of={size} mm={(box.wideMm * most) / Math.max(largest, most)}>
              <Strip piece={piece} plan={own} fromMm={box.from[0]} wideMm={box.wideMm} />
            </Drawn>
          );
        })}
        {sheet.parts.map((part) => (
          <OfPart key={part.id} part={part} />
        ))}
      </div>
    </LookingAt>
  );
}

const onPaper = (svg: SVGSVGElement, widthMm: number): PaperDrawing => {
  const { width, height } = svg.viewBox.baseVal;
  return { svg: paperSvg(svg, widthMm), widthMm, heightMm: (widthMm * height) / width };
};

const Drawn = ({
  kind,
  of,
  mm,
  children,
}: {
  readonly kind: 'strip' | 'bead' | 'step' | 'size';
  readonly of: string;
  readonly mm: number;
  readonly children: ReactNode;
}) => (
  <div data-kind={kind} data-key={of} data-mm={mm}>
    {children}
  </div>
);

/** A stretch of a piece, in millimetres. */
export function Strip({
  piece,
  plan,
  fromMm,
  wideMm,
}: Pick<Props, 'piece' | 'plan'> & { readonly fromMm: number; readonly wideMm: number }) {
  const { from, highMm } = drawingBox({ piece, plan });
  const within = useMemo(() => ({ fromMm, toMm: fromMm + wideMm }), [fromMm, wideMm]);
  return (
    <svg viewBox={`${fromMm} ${from[1]} ${wideMm} ${highMm}`}>
      <PieceDrawing piece={piece} plan={plan} within={within} />
    </svg>
  );
}

/** The beads of a part, and its steps. */
function OfPart({ part: { id, plan, beads, steps } }: { readonly part: Sheet['parts'][number] }) {
  const looks = useLooks(plan.seen);
  const draw = useMemo(() => (steps.length > 0 ? planPictures(plan) : null), [plan, steps]);
  return (
    <>
      {beads.map(({ role, shade }) => (
        <Drawn key={`${role} ${shade}`} kind="bead" of={beadKey(id, role, shade)} mm={BEAD_MM}>
          <BeadIcon {...looks(role, shade ?? 0)} />
        </Drawn>
      ))}
      {steps.map((group, g) =>
        group.steps.map(({ step }, s) => {
          const picture = draw?.(step.moves);
          if (!picture) return null;
          return (
            <StepOnPaper key={`${g} ${s}`} of={stepKey(id, g, s)}>
              <StepDrawing picture={picture} beadOf={(role) => beadOf(plan.seen, role)} label="" />
            </StepOnPaper>
          );
        }),
      )}
    </>
  );
}

/** As wide as its picture says, in pixels of the screen; a tall one smaller. */
function StepOnPaper({ of, children }: { readonly of: string; readonly children: ReactNode }) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const svg = place.current?.querySelector('svg');
    const [wide, high] = ['width', 'height'].map((side) => Number(svg?.getAttribute(side) ?? 0) * STEP_MM);
    if (place.current && wide && high)
      place.current.dataset.mm = String(wide * Math.min(1, MOST_STEP_MM / high));
  }, []);
  return (
    <div ref={place} data-kind="step" data-key={of} data-mm={0}>
      {children}
    </div>
  );
}
