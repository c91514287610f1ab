'use client';

import type { FindingMaterial } from '@/core/materials/material';
import type { Plan } from '@/core/plan/plan';
import { heldBy, MADE_WHOLE, structureById, STRUCTURES } from '@/core/structures/registry';
import { ownUnit } from '@/core/structures/ownUnit';
import type { Structure } from '@/core/structures/structure';
import { inStructure } from '@/core/piece/variants';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { STOP_BEADS } from '@/core/weave/path';
import { STOP_WORDS } from '@/core/words/stopBeads';
import { Choice } from '../../fields/Choice';
import { Pick } from '../../fields/Pick';
import { Toggle } from '../../fields/Toggle';
import { WithTerms } from '../../glossary/WithTerms';
import { PassToggles } from './PassToggles';
import { Suited } from './Suited';
import { SectionFields } from './SectionFields';
import { StructureFields } from './StructureFields';
import styles from './choices.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan | null;
  readonly findings: readonly FindingMaterial[];
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** Which stitch, and what repeats. The fields come from the structure itself. */
export function StructureChoice({ piece, plan, findings, onChange }: Props) {
  const structure = structureById(piece.structure.id);
  return (
    <>
      <div className={styles.stitch}>
        <Pick
          label="Stitch"
          value={piece.structure.id}
          options={stitchesFor(piece).map((s) => ({ value: s.id, label: s.name }))}
          onChange={(id) => onChange(inStructure(piece, id, keepSequence(id, piece.structure.params)))}
        />
        {structure && (
          <p className="soft">
            <WithTerms text={structure.about} /> Feel: {structure.feel}.
          </p>
        )}
      </div>
      <StructureFields piece={piece} onChange={onChange} />
      {piece.count.by !== 'around' && (
        <SectionFields piece={piece} plan={plan} findings={findings} onChange={onChange} />
      )}
      <Suited part={piece} onChange={onChange} />
      {plan && <PassToggles passes={plan.optionalPasses} piece={piece} onChange={onChange} />}
      <Choice
        label="Needle in the"
        value={piece.hand}
        options={[
          { value: 'right', label: 'right hand' },
          { value: 'left', label: 'left hand' },
        ]}
        onChange={(hand) => onChange({ hand })}
        help="For the left hand, steps and picture are mirrored."
      />
      {structure?.stopBead && (
        <Choice
          label="Stop bead"
          value={piece.stop}
          options={STOP_BEADS.map((value) => ({ value, label: STOP_WORDS[value] }))}
          onChange={(stop) => onChange({ stop })}
          help="It keeps the first beads from running off."
        />
      )}
      {structure?.turnsRows?.(piece.structure.params) && (
        <Toggle
          label="Turn the work at the end of each row"
          help="Every row is then worked the same way; steps and their pictures turn with it."
          checked={piece.turning}
          onChange={(turning) => onChange({ turning })}
        />
      )}
      {structure && (
        <ul className={styles.watch}>
          {structure.looks.map(({ after, look }) => (
            <li key={after}>
              After {after}: <WithTerms text={look} />
            </li>
          ))}
          {structure.watch.map((line) => (
            <li key={line}>
              <WithTerms text={line} />
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** What is made whole is held in a way of its own, and so stays what it is; everything else is worked in any stitch, or one's own. */
const stitchesFor = ({ structure: { id } }: PartOfPiece): readonly Structure[] =>
  heldBy(id) ? MADE_WHOLE.filter((one) => one.id === id) : [...STRUCTURES, ownUnit];

/** Another stitch starts from its own usual values, but keeps the sequence already laid out, if it can. */
function keepSequence(
  id: string,
  before: PartOfPiece['structure']['params'],
): PartOfPiece['structure']['params'] {
  const structure = structureById(id);
  if (!structure) return {};
  const params = { ...structure.defaults, sequence: before.sequence };
  return structure.check(params).length === 0 ? params : { ...structure.defaults };
}
