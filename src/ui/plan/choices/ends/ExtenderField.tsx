'use client';

import { byId, FINDINGS } from '@/core/materials/catalogue';
import type { FindingMaterial } from '@/core/materials/material';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { Choice } from '../../../fields/Choice';
import { useLengths } from '../../../shell/lengths';

interface Props {
  readonly ends: PartOfPiece['ends'];
  readonly plan: Plan | null;
  readonly findings: readonly FindingMaterial[];
  readonly onChange: (change: Partial<PartOfPiece['ends']>) => void;
}

/** Usual extenders are 25 to 50 mm in all (memory): so many links of the usual length. */
const LINKS = [0, 3, 6, 9, 12] as const;

/** Links to let the piece out by, and the range of fits that they give. */
export function ExtenderField({ ends, plan, findings, onChange }: Props) {
  const { show } = useLengths();
  const link = findings.find(({ kind }) => kind === 'extender link') ?? byId(FINDINGS, 'extender-link');
  const linkMm = ends.extender?.linkMm ?? link.lengthMm;
  return (
    <Choice
      label="Extender chain, links"
      value={ends.extender?.links ?? 0}
      options={[...new Set([...LINKS, ends.extender?.links ?? 0])].map((n) => ({
        value: n,
        label: n === 0 ? 'none' : `${n}`,
      }))}
      onChange={(links) => onChange({ extender: links === 0 ? null : { linkMm, links } })}
      help={
        plan && ends.extender
          ? `Closes from ${show(plan.chosen.finishedMm)} to ${show(plan.closure.longestMm)}, in steps of ${show(linkMm)}.`
          : `Lets it out in steps of ${show(linkMm)}.`
      }
    />
  );
}
