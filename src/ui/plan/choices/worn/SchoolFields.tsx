'use client';

import { FITS, KIND_FACTS, type School } from '@/core/body/kinds';
import { NECKLACE_LENGTHS, nameOfLength, namedLengthMm } from '@/core/body/necklace';
import type { LengthRange } from '@/core/length/length';
import { usualWear, type Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { Choice } from '../../../fields/Choice';
import { LengthInput } from '../../../fields/LengthInput';
import { Toggle } from '../../../fields/Toggle';
import { useAtHand } from '../../../shell/atHand';
import { useLengths } from '../../../shell/lengths';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan | null;
  readonly onChange: (change: Partial<Piece>) => void;
}

const EASE_RANGE: LengthRange = { minMm: 0, maxMm: 150 };
const DROP_RANGE: LengthRange = { minMm: 5, maxMm: 900 };
const ACROSS_RANGE: LengthRange = { minMm: 1, maxMm: 80 };
const THICK_RANGE: LengthRange = { minMm: 0.5, maxMm: 60 };

/** What a way of finding the length is called for a kind of piece. */
function schoolName(school: School, { kind }: Piece): string {
  const { place } = KIND_FACTS[kind];
  switch (school) {
    case 'ease':
      return `${place ?? 'body'} and ease`;
    case 'flat':
      return kind === 'bracelet' ? 'flat rule' : kind === 'necklace' ? 'length by name' : 'one length';
    case 'like':
      return 'one that fits';
    case 'drop':
      return 'how far it falls';
    case 'over':
      return kind === 'bangle'
        ? 'goes over the hand'
        : kind === 'ring'
          ? 'goes over the knuckle'
          : 'what it goes over';
    case 'elastic':
      return 'elastic, to the finger';
  }
}

/** How the length is found, and what that way asks for. */
export function SchoolFields({ piece, plan, onChange }: Props) {
  const { settings } = useAtHand();
  const { schools } = KIND_FACTS[piece.kind];
  return (
    <>
      {schools.length > 1 && (
        <Choice
          label="Length by"
          value={piece.wear.school}
          options={schools.map((school) => ({ value: school, label: schoolName(school, piece) }))}
          onChange={(school) => onChange({ wear: usualWear(piece.kind, school, settings) })}
          help={
            piece.wear.school === 'elastic'
              ? 'Elastic is made to the finger without ease: it gives, and the count is rounded down.'
              : undefined
          }
        />
      )}
      <OfSchool piece={piece} plan={plan} onChange={onChange} />
    </>
  );
}

function OfSchool({ piece, plan, onChange }: Props) {
  const { show } = useLengths();
  const { wear, kind } = piece;
  const { finished, flat } = KIND_FACTS[kind];
  const set = (next: Piece['wear']) => onChange({ wear: next });
  switch (wear.school) {
    case 'ease':
      return <EaseFields wear={wear} plan={plan} onChange={set} />;
    case 'over':
      return (
        <>
          {kind === 'bail' && wear.overMm !== null && (
            <LengthInput
              label="Across the rope or clasp end that it must pass"
              mm={wear.overMm / Math.PI}
              range={ACROSS_RANGE}
              onChange={(across) => set({ ...wear, overMm: across * Math.PI })}
              help="For several ropes, the thickest; if it is to come off, the clasp’s end."
            />
          )}
          <EaseFields wear={wear} plan={plan} onChange={set} />
        </>
      );
    case 'flat':
      return (
        <>
          {kind === 'necklace' && (
            <Choice
              label="By name"
              value={nameOfLength(wear.finishedMm)}
              options={NECKLACE_LENGTHS.map(({ name }) => ({ value: name, label: name }))}
              onChange={(name) => set({ ...wear, finishedMm: namedLengthMm(name) })}
              help={NECKLACE_LENGTHS.find(({ name }) => name === nameOfLength(wear.finishedMm))?.lies}
            />
          )}
          <LengthInput
            label={piece.ends.closing === 'open' ? 'Finished length, tip to tip' : 'Finished length, closed'}
            mm={wear.finishedMm}
            range={finished}
            onChange={(finishedMm) => set({ ...wear, finishedMm })}
            help={
              kind === 'bracelet'
                ? `One finished length for the average wrist, ${show(flat.wishMm - flat.bandMm)} to ${show(flat.wishMm + flat.bandMm)} with the clasp.`
                : undefined
            }
          />
        </>
      );
    case 'like':
      return (
        <>
          <LengthInput
            label="Its finished length, closed, measured flat along the middle"
            mm={wear.finishedMm}
            range={finished}
            onChange={(finishedMm) => set({ ...wear, finishedMm })}
            help="Measure a piece that fits: from clasp tip to clasp tip as it is when closed."
          />
          <LengthInput
            label="Its thickness, if you can measure it"
            mm={wear.thicknessMm}
            range={THICK_RANGE}
            onChange={(thicknessMm) => set({ ...wear, thicknessMm })}
            help="A thicker piece must be longer to fit the same."
          />
        </>
      );
    case 'drop':
      return (
        <LengthInput
          label="Lowest point below the base of the neck"
          mm={wear.dropMm}
          range={DROP_RANGE}
          onChange={(dropMm) => set({ ...wear, dropMm })}
          help="Worked out for a V; a soft rope that hangs in a curve falls a little less far."
        />
      );
    case 'elastic':
      return null;
  }
}

type Eased = Extract<Piece['wear'], { school: 'ease' | 'over' }>;

/** Snug, comfortable, loose, with amounts that can be changed, and whether thickness is allowed for. */
function EaseFields<W extends Eased>({
  wear,
  plan,
  onChange,
}: {
  readonly wear: W;
  readonly plan: Plan | null;
  readonly onChange: (wear: W) => void;
}) {
  const { change } = useLengths();
  const { fit, easeMm } = wear;
  const [before, , after] = [FITS[FITS.indexOf(fit) - 1], fit, FITS[FITS.indexOf(fit) + 1]];
  const range: LengthRange = {
    minMm: before ? easeMm[before] : EASE_RANGE.minMm,
    maxMm: after ? easeMm[after] : EASE_RANGE.maxMm,
  };
  return (
    <>
      <Choice
        label="Sits"
        value={fit}
        options={FITS.map((one) => ({ value: one, label: `${one} ${change(easeMm[one])}` }))}
        onChange={(next) => onChange({ ...wear, fit: next })}
      />
      <LengthInput
        label={`Ease that is ${fit} to you`}
        mm={easeMm[fit]}
        range={range}
        onChange={(mm) => onChange({ ...wear, easeMm: { ...easeMm, [fit]: mm } })}
      />
      <Toggle
        label={`Allow for thickness${plan ? `, ${change(Math.PI * plan.thicknessMm)}` : ''}`}
        help="A closed ring of beads is smaller inside than along its middle line. Off, the ease must take it up."
        checked={wear.thicknessEffect}
        onChange={(thicknessEffect) => onChange({ ...wear, thicknessEffect })}
      />
    </>
  );
}
