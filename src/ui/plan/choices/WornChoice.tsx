'use client';

import { KIND_FACTS, KINDS } from '@/core/body/kinds';
import { CAUTIONS_OF_WEAR } from '@/core/plan/cautions';
import { withArticle, withCapital } from '@/core/words/figures';
import { wordCaution } from '@/core/words/cautions';
import { forPlace } from '@/core/piece/variants';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import type { Person } from '@/server/screens';
import { Choice } from '../../fields/Choice';
import { WithTerms } from '../../glossary/WithTerms';
import { Notes } from '../Notes';
import { GirthFields } from './worn/GirthFields';
import { SchoolFields } from './worn/SchoolFields';
import { WearerField } from './worn/WearerField';
import { WearLedger } from './worn/WearLedger';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan | null;
  readonly people: readonly Person[];
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** What it is, who wears it, and how its length is found. */
export function WornChoice({ piece, plan, people, onChange }: Props) {
  const { kind } = piece;
  const cautions = plan?.cautions.filter((caution) => CAUTIONS_OF_WEAR.includes(caution)) ?? [];
  return (
    <>
      <Choice
        label="What is it?"
        value={kind}
        options={KINDS.map((one) => ({ value: one, label: one }))}
        onChange={(next) => onChange(forPlace(piece, next))}
        help={
          <WithTerms
            text={`${withCapital(withArticle(kind))}: ${KIND_FACTS[kind].about}. Changing it plans the same work for another place.`}
          />
        }
      />
      <WearerField piece={piece} people={people} onChange={onChange} />
      <GirthFields piece={piece} people={people} onChange={onChange} />
      <SchoolFields piece={piece} plan={plan} onChange={onChange} />
      {plan && <WearLedger plan={plan} />}
      <Notes notes={cautions.map(wordCaution)} />
    </>
  );
}
