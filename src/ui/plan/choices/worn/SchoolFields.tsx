'use client';

import { Button } from 'antd';
import { FITS, KIND_FACTS, type School } from '@/core/body/kinds';
import { NECKLACE_LENGTHS, nameOfLength, namedLengthMm } from '@/core/body/necklace';
import type { LengthRange } from '@/core/length/length';
import { usualWear } from '@/core/piece/newPiece';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { wearing, wishing } from '@/core/piece/wishing';
import { Choice } from '../../../fields/Choice';
import { LengthInput } from '../../../fields/LengthInput';
import { Toggle } from '../../../fields/Toggle';
import { useAtHand } from '../../../shell/atHand';
import { useLengths } from '../../../shell/lengths';
import styles from '../choices.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan | null;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

const EASE_RANGE: LengthRange = { minMm: 0, maxMm: 150 };
const DROP_RANGE: LengthRange = { minMm: 5, maxMm: 900 };
const ACROSS_RANGE: LengthRange = { minMm: 1, maxMm: 80 };
const THICK_RANGE: LengthRange = { minMm: 0.5, maxMm: 60 };

/** What a way of finding the length is called for a kind of piece. */
function schoolName(school: School, { kind }: PartOfPiece): string {
  const { place } = KIND_FACTS[kind];
  switch (school) {
    case 'ease':
      return `${place ?? 'body'} and ease`;
    case 'flat':
      return kind === 'necklace' ? 'length by name' : 'fixed length';
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
          label="Length from"
          value={piece.wear.school}
          options={schools.map((school) => ({ value: school, label: schoolName(school, piece) }))}
          onChange={(school) => onChange(wearing(usualWear(piece.kind, school, settings)))}
          help={
            piece.wear.school === 'elastic'
              ? 'Elastic is made to the finger without ease: it gives, and the count is rounded down.'
              : undefined
          }
        />
      )}
      <OfSchool piece={piece} plan={plan} onChange={onChange} />
      {plan && piece.wear.school !== 'flat' && <TargetField piece={piece} plan={plan} onChange={onChange} />}
    </>
  );
}

function OfSchool({ piece, plan, onChange }: Props) {
  const { show } = useLengths();
  const { wear, kind } = piece;
  const { finished, flat } = KIND_FACTS[kind];
  const set = (next: PartOfPiece['wear']) => onChange(wearing(next));
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
              fine
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
            fine
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

/** The length that is aimed at: what the choices above come to, or one of the maker's own. */
function TargetField({ piece, plan, onChange }: Props & { readonly plan: Plan }) {
  const { show } = useLengths();
  const own = plan.wear.parts.find(({ what }) => what === 'own');
  const foundMm = plan.wear.wishMm - (own?.mm ?? 0);
  return (
    <>
      <LengthInput
        label="Target length, finished"
        mm={plan.wear.wishMm}
        range={KIND_FACTS[piece.kind].finished}
        onChange={(mm) => onChange(wishing(piece, mm))}
        help={
          own
            ? `Your own. By the choices above it would be ${show(foundMm)}.`
            : 'By the choices above. Write another if you know how long it is to be.'
        }
      />
      {own && (
        <div className={styles.buttons}>
          <Button onClick={() => onChange({ targetMm: null })}>Back to {show(foundMm)}</Button>
        </div>
      )}
    </>
  );
}

type Eased = Extract<PartOfPiece['wear'], { school: 'ease' | 'over' }>;

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
  const { change, exactChange } = useLengths();
  const { fit, easeMm } = wear;
  // Amounts too small to be told apart on a ruler, as those of a ring, are told in millimetres.
  const small = new Set(FITS.map((one) => change(easeMm[one]))).size < FITS.length;
  const say = small ? exactChange : change;
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
        options={FITS.map((one) => ({ value: one, label: `${one} ${say(easeMm[one])}` }))}
        onChange={(next) => onChange({ ...wear, fit: next })}
      />
      <LengthInput
        label={`Ease that is ${fit} to you`}
        mm={easeMm[fit]}
        fine={small}
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
