'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useRef, useState, useTransition } from 'react';
import { KIND_FACTS, KINDS, type Kind } from '@/core/body/kinds';
import { ownUnit } from '@/core/structures/ownUnit';
import { STRUCTURES } from '@/core/structures/registry';
import { makeAgainAction, startPieceAction } from '@/server/actions/pieces';
import type { Person, StoredPattern } from '@/server/screens';
import { ask } from '../fields/ask';
import { Choice } from '../fields/Choice';
import { StitchSample, useOneByOne } from '../gallery/StitchSample';
import { NOBODY, SOMEBODY_NEW, whoAsked, WhoChoice, type Who } from './WhoChoice';
import styles from './Bench.module.css';

interface Props {
  readonly people: readonly Person[];
  readonly patterns: readonly StoredPattern[];
  readonly onCancel: (() => void) | null;
}

/** Three questions, and a piece is on the bench: what, for whom, and in which stitch or by which pattern. */
export function StartPiece({ people, patterns, onCancel }: Props) {
  const router = useRouter();
  const [kind, setKind] = useState<Kind>('bracelet');
  const [who, setWho] = useState<Who>(people.length === 0 ? SOMEBODY_NEW : NOBODY);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, startIt] = useTransition();
  const drawn = useOneByOne(STRUCTURES.length);
  const first = useRef<HTMLFieldSetElement>(null);
  const { place, closings } = KIND_FACTS[kind];
  const stitches = STRUCTURES.filter(({ bind, defaults }) =>
    (bind(defaults).closings ?? ['clasp']).some((closing) => closings.includes(closing)),
  );
  const ofKind = patterns.filter(({ doc }) => doc.piece.kind === kind);

  const begin = (ask: () => ReturnType<typeof startPieceAction>) =>
    startIt(async () => {
      const answer = await ask();
      if (answer.ok) router.push(`/plan/${answer.value}`);
      else setProblem(answer.message);
    });
  const inStitch = (structureId: string) =>
    begin(() => ask(startPieceAction, { structureId, kind, ...whoAsked(who) }));
  const byPattern = (id: string) =>
    begin(() => ask(makeAgainAction, { from: 'pattern', id, ...whoAsked(who) }));

  return (
    <section className={`card ${styles.starting}`} aria-label="Start a piece">
      <Choice
        label="What is it to be?"
        value={kind}
        options={KINDS.map((one) => ({ value: one, label: one }))}
        onChange={setKind}
        help={`A ${kind}: ${KIND_FACTS[kind].about}.`}
      />
      <WhoChoice
        people={people}
        place={place}
        who={who}
        onChange={setWho}
        // Whoever has just written a name goes on to the stitch without a mouse.
        onAdded={() => first.current?.querySelector('button')?.focus()}
      />
      {ofKind.length > 0 && (
        <fieldset className={styles.stitches} disabled={busy}>
          <legend>By one of your patterns?</legend>
          {ofKind.map(({ id, doc: { piece: doc } }) => (
            <button key={id} type="button" className={styles.stitch} onClick={() => byPattern(id)}>
              <strong>{doc.name}</strong>
              <span>{STRUCTURES.find((s) => s.id === doc.structure.id)?.name ?? 'a stitch of your own'}</span>
            </button>
          ))}
        </fieldset>
      )}
      <fieldset ref={first} className={styles.stitches} disabled={busy}>
        <legend>In which stitch? It opens at once.</legend>
        {stitches.map((structure, i) => (
          <button
            key={structure.id}
            type="button"
            className={styles.stitch}
            onClick={() => inStitch(structure.id)}
          >
            {i < drawn && <StitchSample structureId={structure.id} />}
            <strong>{structure.name}</strong>
            <span>{structure.about}</span>
          </button>
        ))}
        <button type="button" className={styles.stitch} onClick={() => inStitch(ownUnit.id)}>
          <strong>{ownUnit.name}</strong>
          <span>{ownUnit.about}</span>
        </button>
      </fieldset>
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      {onCancel && (
        <div>
          <Button onClick={onCancel}>Leave it</Button>
        </div>
      )}
    </section>
  );
}
