'use client';

import { useState } from 'react';
import { structureById } from '@/core/structures/registry';
import { fieldsThatCount, rolesOf, type Part } from '@/core/structures/structure';
import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import type { Catalogue, Person } from '@/server/screens';
import type { LayingOut } from '../../layouts/layoutStore';
import { useLengths } from '../../shell/lengths';
import { roleName } from '../roleName';
import { BeadsChoice } from './BeadsChoice';
import { ChoiceRow } from './ChoiceRow';
import { EndsChoice } from './EndsChoice';
import { fine, GaugeFacts, sourceWords, ThreadChoice } from './GaugeAndThread';
import { StructureChoice } from './StructureChoice';
import { WornChoice } from './WornChoice';
import styles from './choices.module.css';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan | null;
  readonly layingOut: LayingOut;
  readonly people: readonly Person[];
  readonly catalogue: Catalogue;
  readonly onChange: (change: Partial<Piece>) => void;
}

/** Every choice in the order of the work, each a line that opens in place. */
export function Choices({ piece, plan, layingOut, people, catalogue, onChange }: Props) {
  const { show, thread } = useLengths();
  const [open, setOpen] = useState<string | null>(piece.wearer ? null : 'Worn');
  const structure = structureById(piece.structure.id);
  const roles = plan
    ? rolesOf(plan.weaveable).filter((role) => plan.quantities.some((q) => q.role === role))
    : usedRoles(piece);

  const rows = [
    {
      title: 'Worn',
      summary: wornWords(piece, plan, show),
      body: <WornChoice piece={piece} plan={plan} people={people} onChange={onChange} />,
    },
    {
      title: 'Structure',
      summary: `${structure?.name.toLowerCase() ?? 'unknown'}: ${sequenceWords(piece)}`,
      body: <StructureChoice piece={piece} plan={plan} onChange={onChange} />,
    },
    {
      title: 'Beads',
      summary: roles
        .map((role) => `${role} ${roleName(piece.beads[role as keyof Piece['beads']])}`)
        .join('; '),
      body: (
        <BeadsChoice
          piece={piece}
          parts={partsOfPiece(piece)}
          roles={roles}
          kinds={catalogue.beads}
          onChange={onChange}
        />
      ),
    },
    {
      title: 'Ends',
      summary: `${piece.ends.clasp.name}, sewn ${piece.ends.seedsEachSide}-ring-${piece.ends.seedsEachSide}${plan ? `; takes ${show(plan.closure.allowanceMm)}` : ''}`,
      body: <EndsChoice piece={piece} plan={plan} clasps={catalogue.clasps} onChange={onChange} />,
    },
    {
      title: 'Gauge',
      summary: plan ? `${fine(plan.gauge.pitchMm)} a unit, ${sourceWords(plan, layingOut)}` : 'not known yet',
      body: plan ? (
        <GaugeFacts plan={plan} layingOut={layingOut} />
      ) : (
        <p>It is worked out as soon as there are beads.</p>
      ),
    },
    {
      title: 'Thread',
      summary: `${piece.thread.name.replace('braided ', '')}, ${piece.needle.name}${plan ? `; tail ${thread(plan.thread.tailMm)}` : ''}`,
      body: (
        <ThreadChoice
          piece={piece}
          plan={plan}
          threads={catalogue.threads}
          needles={catalogue.needles}
          onChange={onChange}
        />
      ),
    },
  ];
  return (
    <ol className={`card ${styles.choices}`} aria-label="Choices, in the order of the work">
      {rows.map(({ title, summary, body }, i) => (
        <ChoiceRow
          key={title}
          number={i + 1}
          title={title}
          summary={summary}
          open={open === title}
          onToggle={() => setOpen(open === title ? null : title)}
        >
          {body}
        </ChoiceRow>
      ))}
    </ol>
  );
}

/** The runs of beads that the structure's parameters hold. */
const sequences = ({ structure: { id, params } }: Piece): string[][] => {
  const structure = structureById(id);
  return (structure ? fieldsThatCount(structure, params) : []).flatMap(({ kind, key }) => {
    const value = params[key];
    return kind === 'sequence' && Array.isArray(value) ? [value.map(String)] : [];
  });
};

/** What each bead is to do; nothing while the parameters do not stand. */
const partsOfPiece = ({ structure: { id, params } }: Piece): readonly Part[] => {
  const structure = structureById(id);
  return structure && structure.check(params).length === 0 ? structure.bind(params).parts : [];
};

const usedRoles = (piece: Piece): string[] => {
  const parts = partsOfPiece(piece).map(({ role }) => role);
  return [...new Set(parts.length > 0 ? parts : sequences(piece).flat())];
};

const sequenceWords = (piece: Piece): string =>
  sequences(piece)
    .map((roles) => roles.join(' ') || 'no beads yet')
    .join(', ');

function wornWords(piece: Piece, plan: Plan | null, show: (mm: number) => string): string {
  const wish = plan ? ` → wish ${show(plan.wear.wishMm)}` : '';
  if (piece.wear.school === 'flat') return `flat rule${wish}`;
  if (!piece.wearer) return 'nobody yet';
  const thickness =
    plan && plan.wear.thicknessEffectMm > 0 ? `, +${show(plan.wear.thicknessEffectMm)} for thickness` : '';
  return `${piece.wearer.name}, wrist ${show(piece.wearer.wristMm)}, ${piece.wear.fit}${thickness}${wish}`;
}
