'use client';

import { byId, FINDINGS } from '@/core/materials/catalogue';
import type { FindingMaterial } from '@/core/materials/material';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import type { LengthRange } from '@/core/length/length';
import { LengthInput } from '../../../fields/LengthInput';
import { Toggle } from '../../../fields/Toggle';
import { useLengths } from '../../../shell/lengths';

const WOVEN: LengthRange = { minMm: 10, maxMm: 1500 };
const LINK: LengthRange = { minMm: 0.5, maxMm: 40 };
/** A woven front from collarbone to collarbone (from memory). */
const USUAL_FRONT_MM = 180;

interface Props {
  readonly ends: PartOfPiece['ends'];
  readonly plan: Plan | null;
  readonly findings: readonly FindingMaterial[];
  readonly onChange: (change: Partial<PartOfPiece['ends']>) => void;
}

/** A woven front with chain on both sides: the chain makes up what the front leaves, in whole links. */
export function ChainFields({ ends, plan, findings, onChange }: Props) {
  const { show } = useLengths();
  const link = findings.find(({ kind }) => kind === 'chain link') ?? byId(FINDINGS, 'chain-link');
  const { chain } = ends;
  return (
    <>
      <Toggle
        label="A woven front, with chain on both sides"
        help="For a V or a short front: the chain makes up the rest of the length."
        checked={chain !== null}
        onChange={(on) => onChange({ chain: on ? { linkMm: link.lengthMm, wovenMm: USUAL_FRONT_MM } : null })}
      />
      {chain && (
        <>
          <LengthInput
            label="Woven front, first bead to last, about"
            mm={chain.wovenMm}
            range={WOVEN}
            onChange={(wovenMm) => onChange({ chain: { ...chain, wovenMm } })}
            help={
              plan && plan.closure.chainMm > 0
                ? `Chain: ${plan.chosen.links} links, ${show(plan.closure.chainMm)}, on each side.`
                : undefined
            }
          />
          <LengthInput
            label="Length of one link, inside"
            mm={chain.linkMm}
            range={LINK}
            fine
            onChange={(linkMm) => onChange({ chain: { ...chain, linkMm } })}
          />
        </>
      )}
    </>
  );
}
