// Parts made apart: what they cost does not grow with how many are strung.
import { CORE_ROLE } from '@/core/joints/setIn';
import { withFramedBall, withMotif } from '@/core/piece/assembly';
import { newPart } from '@/core/piece/newPiece';
import { asPiece, withPart } from '@/core/piece/partOfPiece';
import type { Piece } from '@/core/piece/piece';
import { planPiece } from '@/core/plan/shipped';
import { line, quantile, section, time } from './timing';

const FRAME_MS = 1000 / 60;

/** Framed balls, so many, strung. */
function strung(units: number): Piece {
  const { piece } = withFramedBall(asPiece(newPart('Bench', 'strung-line', null)), 'A');
  return withPart(piece, { units });
}

const planned = (piece: Piece) => {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
};

/** Motifs, so many, joined. */
const joined = (units: number): Piece =>
  withPart(withMotif(asPiece(newPart('Bench', 'strung-line', null))).piece, { units });

const median = (work: () => unknown) => quantile(time(work), 0.5);

export function benchParts(): void {
  benchFramed();
  benchJoined();
}

function benchJoined(): void {
  section('Motifs, joined');
  const [few, many] = [9, 300].map((units) => {
    const piece = joined(units);
    return median(() => planned({ ...piece }));
  }) as [number, number];
  line('nine, planned again when what joins them is changed, ms', few, few < FRAME_MS, 'below 16.7');
  line('300 of them: ratio of times', many / few, many / few < 2, 'aim 1; fails at 2');
  const picture = (units: number) => median(() => planned(joined(units)).sketch('above'));
  const drawn = picture(300) / picture(60);
  line('their picture, 300 to 60: ratio of times', drawn, drawn < 2, 'aim 1; fails at 2');
  let nth = 0;
  const reworked = median(() => {
    const piece = joined(9);
    const [motif] = piece.parts;
    if (!motif) throw new Error('There is no motif.');
    const lengthMm = 1.4 + (++nth % 1000) / 100_000;
    return planned(
      withPart(piece, { beads: { ...motif.beads, B: { ...motif.beads.B, lengthMm } } }, motif.id),
    );
  });
  line(
    'nine, planned again when the motif is changed, ms',
    reworked,
    reworked < 4 * FRAME_MS,
    'aim 16.7; fails at 67',
  );
}

function benchFramed(): void {
  section('Framed balls, strung');
  const [few, many] = [7, 300].map((units) => {
    const piece = strung(units);
    return median(() => planned({ ...piece }));
  }) as [number, number];
  line('seven, planned again when what strings them is changed, ms', few, few < FRAME_MS, 'below 16.7');
  line('300 of them: ratio of times', many / few, many / few < 2, 'aim 1; fails at 2');
  const picture = (units: number) => median(() => planned(strung(units)).sketch('above'));
  const drawn = picture(300) / picture(60);
  line('their picture, 300 to 60: ratio of times', drawn, drawn < 2, 'aim 1; fails at 2');
  let nth = 0;
  const reframed = median(() => {
    const piece = strung(7);
    const [frame] = piece.parts;
    const core = frame?.beads[CORE_ROLE];
    if (!frame || !core) throw new Error('There is no frame.');
    const lengthMm = 8 + (++nth % 1000) / 10_000;
    return planned(
      withPart(piece, { beads: { ...frame.beads, [CORE_ROLE]: { ...core, lengthMm } } }, frame.id),
    );
  });
  line(
    'seven, planned again when the frame is changed, ms',
    reframed,
    reframed < 4 * FRAME_MS,
    'aim 16.7; fails at 67',
  );
}
