// Parts made apart: what they cost does not grow with how many are strung.
import { CORE_ROLE } from '@/core/joints/setIn';
import { withFramedBall, withMotif, withStrungWhole } from '@/core/piece/assembly';
import { newPart } from '@/core/piece/newPiece';
import { asPiece, partOf, withPart } from '@/core/piece/partOfPiece';
import type { Part } from '@/core/piece/part';
import type { Piece } from '@/core/piece/piece';
import { planPiece } from '@/core/plan/shipped';
import { examplePiece } from '@/demo/choir';
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

/** Hollow balls of ninety beads each, so many, strung. */
function hollow(units: number): Piece {
  const { piece, id } = withStrungWhole(asPiece(newPart('Bench', 'strung-line', null)), 'beaded-ball', 'A');
  const { structure } = partOf(piece, id);
  const ninety = { ...structure, params: { ...structure.params, beads: 90 } };
  return withPart(withPart(piece, { structure: ninety }, id), { units });
}

const median = (work: () => unknown) => quantile(time(work), 0.5);

/** What so many of a part cost; `changed` changes the part itself, each time otherwise. */
function benchMade(
  name: string,
  few: number,
  pieceOf: (units: number) => Piece,
  changed: (beads: Part['beads'], mm: number) => Part['beads'],
): void {
  section(name);
  const [one, many] = [few, 300].map((units) => {
    const piece = pieceOf(units);
    return median(() => planned({ ...piece }));
  }) as [number, number];
  line(`${few}, planned again when what takes them up is changed, ms`, one, one < FRAME_MS, 'below 16.7');
  line('300 of them: ratio of times', many / one, many / one < 2, 'aim 1; fails at 2');
  const picture = (units: number) => median(() => planned(pieceOf(units)).sketch('above'));
  const drawn = picture(300) / picture(60);
  line('their picture, 300 to 60: ratio of times', drawn, drawn < 2, 'aim 1; fails at 2');
  let nth = 0;
  const again = median(() => {
    const piece = pieceOf(few);
    const [part] = piece.parts;
    if (!part) throw new Error('Nothing is made apart.');
    return planned(withPart(piece, { beads: changed(part.beads, (++nth % 1000) / 100_000) }, part.id));
  });
  line(
    `${few}, planned again when the part is changed, ms`,
    again,
    again < 4 * FRAME_MS,
    'aim 16.7; fails at 67',
  );
}

/** Sections along a piece: all of it is read, so it costs by its length. */
function benchSections(): void {
  section('Sections along a piece');
  for (const name of ['tide-rope', 'gangplank']) {
    const piece = examplePiece(name);
    const beads = planned(piece).quantities.reduce((sum, { total }) => sum + total, 0);
    let nth = 0;
    const again = median(() => planned(withPart(piece, { units: 5 + (++nth % 2) })));
    line(
      `${name}, about ${beads} beads, planned again with one unit more or less, ms`,
      again,
      again < 4 * FRAME_MS,
      'aim 16.7; fails at 67',
    );
  }
}

export function benchParts(): void {
  benchSections();
  benchMade('Framed balls, strung', 7, strung, (beads, mm) => {
    const core = beads[CORE_ROLE];
    if (!core) throw new Error('There is no ball.');
    return { ...beads, [CORE_ROLE]: { ...core, lengthMm: core.lengthMm + mm } };
  });
  benchMade('Hollow balls of 90 beads, strung', 9, hollow, (beads, mm) => ({
    ...beads,
    B: { ...beads.B, lengthMm: beads.B.lengthMm + mm },
  }));
  benchMade('Motifs, joined', 9, joined, (beads, mm) => ({
    ...beads,
    B: { ...beads.B, lengthMm: beads.B.lengthMm + mm },
  }));
}
