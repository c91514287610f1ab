'use client';

import { Button } from 'antd';
import { LOOP_ROLE } from '@/core/closures/sewnLoop';
import { heldEnds, holderWords, holdsOneEnd, suitsKind } from '@/core/closures/suits';
import { KIND_FACTS } from '@/core/body/kinds';
import { hasRoom, withClosingWhole, withWovenTop } from '@/core/piece/assembly';
import { partName } from '@/core/piece/part';
import type { PartId } from '@/core/weave/path';
import { CAUTIONS_OF_ENDS } from '@/core/plan/cautions';
import { wordCaution } from '@/core/words/cautions';
import { CLOSING_WORDS, CLOSURE_PART_WORDS } from '@/core/words/closings';
import { claspClosedMm, type Clasp, type FindingMaterial } from '@/core/materials/material';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { Choice } from '../../fields/Choice';
import { Pick } from '../../fields/Pick';
import { useLengths } from '../../shell/lengths';
import { Notes } from '../Notes';
import type { Rooms } from '../parts/useOpenPart';
import { ChainFields } from './ends/ChainFields';
import { EndFields } from './ends/EndFields';
import { ExtenderField } from './ends/ExtenderField';
import { OwnClasp } from './ends/OwnClasp';
import styles from './choices.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly rooms: Rooms;
  readonly plan: Plan | null;
  readonly clasps: readonly Clasp[];
  readonly findings: readonly FindingMaterial[];
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** How the piece is closed, and how that is sewn on. */
export function EndsChoice({ piece, rooms, plan, clasps, findings, onChange }: Props) {
  const { ends, kind } = piece;
  const set = (change: Partial<PartOfPiece['ends']>) => onChange({ ends: { ...ends, ...change } });
  const { closings } = KIND_FACTS[kind];
  return (
    <>
      {closings.length > 1 && (
        <Choice
          label="Closed how?"
          value={ends.closing}
          options={closings.map((closing) => ({ value: closing, label: CLOSING_WORDS[closing] }))}
          onChange={(closing) => set({ closing })}
        />
      )}
      {ends.closing === 'joined' && (
        <p className="soft">
          The last unit is sewn to the first: nothing of the length is taken, and it has no end.
        </p>
      )}
      {ends.closing === 'open' && (
        <p className="soft">Two free ends, tip to tip; each holds its own thread.</p>
      )}
      {ends.closing === 'clasp' && (
        <ClaspFields
          piece={piece}
          rooms={rooms}
          plan={plan}
          clasps={clasps}
          findings={findings}
          onChange={set}
        />
      )}
      {plan && <ClosureFacts plan={plan} />}
      {plan && (
        <Notes
          notes={plan.cautions.filter((caution) => CAUTIONS_OF_ENDS.includes(caution)).map(wordCaution)}
        />
      )}
    </>
  );
}

/** What can be made whole for a loop to go over. */
const CLOSING_WHOLES = [
  ['beaded-ball', 'ball of beads'],
  ['round-motif', 'motif'],
  ['hanging-drop', 'drop'],
] as const;

function ClaspFields({
  piece: { ends, kind, beads },
  rooms,
  plan,
  clasps,
  findings,
  onChange,
}: Omit<Props, 'onChange'> & { readonly onChange: (change: Partial<PartOfPiece['ends']>) => void }) {
  const { show } = useLengths();
  const { clasp } = ends;
  const hanging = holdsOneEnd(clasp);
  const length = (one: Clasp) => {
    if (one.buttonsMm !== null) return ', as long as its loop';
    return `, ${show(claspClosedMm(one))}${holdsOneEnd(one) ? '' : ' closed'}`;
  };
  if (ends.woven !== null) {
    const to = plan?.closure.loops.start.to ?? { name: 'top', by: 'edge' };
    return (
      <>
        <WovenClosing rooms={rooms} id={ends.woven} over={to.by !== 'edge'} />
        <EndFields
          ends={ends}
          findings={findings}
          button={plan?.closure.button ?? null}
          seed={beads[LOOP_ROLE]}
          to={to}
          onChange={onChange}
        />
      </>
    );
  }
  return (
    <>
      <Pick
        label={hanging ? 'Hangs from' : 'Clasp'}
        value={clasp.id}
        options={clasps
          .filter((one) => suitsKind(one, kind))
          .map((one) => ({ value: one.id, label: `${one.name}${length(one)}` }))}
        onChange={(id) => {
          const found = clasps.find((one) => one.id === id);
          if (found) onChange({ clasp: found, loopSeeds: null });
        }}
      />
      <OwnClasp hanging={hanging} onAdded={(own) => onChange({ clasp: own, loopSeeds: null })} />
      {!hanging && hasRoom(rooms.piece) && (
        <div className={styles.buttons}>
          <Button
            onClick={() => {
              const made = withWovenTop(rooms.piece);
              rooms.onTake(made.piece);
              rooms.onOpen(made.id);
            }}
          >
            Weave a top, and close it with that
          </Button>
          {kind !== 'ring' &&
            CLOSING_WHOLES.map(([stitch, what]) => (
              <Button
                key={stitch}
                onClick={() => {
                  const made = withClosingWhole(rooms.piece, stitch);
                  rooms.onTake(made.piece);
                  rooms.onOpen(made.id);
                }}
              >
                Make a {what}, and close it over that
              </Button>
            ))}
        </div>
      )}
      {clasp.note !== '' && <p className="soft">{clasp.note}</p>}
      <EndFields
        ends={ends}
        findings={findings}
        button={plan?.closure.button ?? null}
        seed={beads[LOOP_ROLE]}
        tube={(plan?.weaveable.legs ?? 0) > 2}
        onChange={onChange}
      />
      {kind === 'necklace' && <ChainFields ends={ends} plan={plan} findings={findings} onChange={onChange} />}
      {clasp.buttonsMm === null && !hanging && (
        <ExtenderField rooms={rooms} ends={ends} plan={plan} findings={findings} onChange={onChange} />
      )}
    </>
  );
}

/** What closes the piece in the place of a clasp: the way to it. */
function WovenClosing({
  rooms,
  id,
  over,
}: {
  readonly rooms: Rooms;
  readonly id: PartId;
  /** Whether a loop goes over it; else both ends are sewn to it. */
  readonly over: boolean;
}) {
  const part = rooms.piece.parts.find((one) => one.id === id);
  return (
    <>
      <p>
        {over ? 'Closed over the' : 'Closed by the'} {part ? partName(part) : 'part'}, which is made first:{' '}
        {over
          ? 'the start is sewn to it, and the end has a loop that goes over.'
          : 'both ends are sewn to its edges.'}
      </p>
      <div className={styles.buttons}>
        <Button onClick={() => rooms.onOpen(id)}>Open it</Button>
      </div>
    </>
  );
}

/** Until when an end can be fitted. */
const FINAL_WORDS: Readonly<Record<Plan['closure']['finalAt']['start'], string>> = {
  'before the body': 'only before the first unit',
  'after the body': 'until the last unit is woven',
  'after later passes': 'until the later passes are done',
};

/** What closing takes, part by part, each with its end points. */
function ClosureFacts({ plan: { clasp, closure, chosen, closedBy } }: { readonly plan: Plan }) {
  const { show } = useLengths();
  if (closure.closing !== 'clasp') return null;
  return (
    <dl className={styles.facts}>
      {closure.parts.map(({ what, mm }) => (
        <div key={what}>
          <dt>{what === 'clasp' ? (closedBy?.name ?? holderWords(clasp)) : CLOSURE_PART_WORDS[what]}</dt>
          <dd className="figures">{show(mm)}</dd>
        </div>
      ))}
      {closure.chainMm > 0 && (
        <div>
          <dt>
            {CLOSURE_PART_WORDS.chain}, {chosen.links} links each
          </dt>
          <dd className="figures">2 × {show(closure.chainMm)}</dd>
        </div>
      )}
      {heldEnds(clasp).map((end) => (
        <div key={end}>
          <dt>the {end} can be changed</dt>
          <dd>{FINAL_WORDS[closure.finalAt[end]]}</dd>
        </div>
      ))}
      <div className={styles.sum}>
        <dt>
          {holdsOneEnd(clasp)
            ? 'above the first bead'
            : `from the last bead over the ${closedBy?.name ?? 'clasp'} to the first`}
        </dt>
        <dd className="figures">{show(closure.allowanceMm + 2 * closure.chainMm)}</dd>
      </div>
    </dl>
  );
}
