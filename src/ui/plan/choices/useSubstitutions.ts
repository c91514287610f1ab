'use client';

import { useEffect, useState } from 'react';
import type { BeadKind } from '@/core/materials/material';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { substitution } from '@/core/plan/substitution';
import { substitutionWords } from '@/core/words/substitutions';
import { useLookups } from '../../shell/useLookups';
import { useLengths } from '../../shell/lengths';

const NOTHING: ReadonlyMap<string, string> = new Map();

/** What would come of every bead in a role, found one by one while the list is open. */
export function useSubstitutions(
  open: boolean,
  {
    piece,
    plan,
    role,
    kinds,
  }: { piece: PartOfPiece; plan: Plan | null; role: string; kinds: readonly BeadKind[] },
): ReadonlyMap<string, string> {
  const lookups = useLookups();
  const { style } = useLengths();
  const [told, setTold] = useState<{
    readonly plan: Plan;
    readonly says: ReadonlyMap<string, string>;
  } | null>(null);
  useEffect(() => {
    if (!open || !plan) return;
    let timer: ReturnType<typeof setTimeout>;
    const tell = (i: number, says: ReadonlyMap<string, string>) => {
      const kind = kinds[i];
      if (!kind) return;
      timer = setTimeout(() => {
        const now = new Map(says).set(
          kind.id,
          substitutionWords(substitution(piece, plan, role, kind, lookups), style),
        );
        setTold({ plan, says: now });
        tell(i + 1, now);
      });
    };
    tell(0, NOTHING);
    return () => clearTimeout(timer);
  }, [open, piece, plan, role, kinds, lookups, style]);
  return told && told.plan === plan ? told.says : NOTHING;
}
