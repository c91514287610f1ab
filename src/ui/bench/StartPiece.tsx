'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useRef, useState, useTransition } from 'react';
import { FITS, KIND_FACTS, KINDS, type Fit, type Kind } from '@/core/body/kinds';
import { ownUnit } from '@/core/structures/ownUnit';
import { STRUCTURES } from '@/core/structures/registry';
import { withArticle, withCapital } from '@/core/words/figures';
import { makeAgainAction, startPieceAction } from '@/server/actions/pieces';
import type { BenchData, Person, StoredPattern } from '@/server/screens';
import { ask } from '../fields/ask';
import { Choice } from '../fields/Choice';
import { Pick } from '../fields/Pick';
import { letGo, typeAhead } from '../fields/typeAhead';
import { StitchSample, useOneByOne } from '../gallery/StitchSample';
import { useOpened } from '../shell/focus';
import { NOBODY, SOMEBODY_NEW, whoAsked, WhoChoice, type Who } from './WhoChoice';
import styles from './Bench.module.css';
import { partOf } from '@/core/piece/partOfPiece';

const THE_STITCHS = 'the stitch’s';

const hasTwoHoles = ({ bind, defaults }: (typeof STRUCTURES)[number]) => bind(defaults).parts[0]?.holes === 2;

interface Props {
  readonly people: readonly Person[];
  readonly patterns: readonly StoredPattern[];
  readonly beads: BenchData['beads'];
  readonly onCancel: (() => void) | null;
}

/**
 * A few questions, and a piece is on the bench: what, for whom, and in which stitch or by which pattern. How it sits and
 * its bead have a usual answer.
 */
export function StartPiece({ people, patterns, beads, onCancel }: Props) {
  const router = useRouter();
  const [kind, setKind] = useState<Kind>('bracelet');
  const [who, setWho] = useState<Who>(people.length === 0 ? SOMEBODY_NEW : NOBODY);
  const [fit, setFit] = useState<Fit>('comfortable');
  const [beadId, setBead] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  /** Somebody is written down and not added yet: a piece for nobody is not what is meant. */
  const [writing, setWriting] = useState(false);
  const [busy, startIt] = useTransition();
  const drawn = useOneByOne(STRUCTURES.length);
  const first = useRef<HTMLFieldSetElement>(null);
  const opened = useOpened<HTMLElement>(onCancel);
  const { place, closings } = KIND_FACTS[kind];
  const stitches = STRUCTURES.filter(({ bind, defaults }) =>
    (bind(defaults).closings ?? ['clasp']).some((closing) => closings.includes(closing)),
  );
  const sits = place !== null && !KIND_FACTS[kind].hangs && (who.kind === 'person' || who.kind === 'typical');
  const ofKind = patterns.filter(({ doc }) => doc.piece.kind === kind);

  const begin = (ask: () => ReturnType<typeof startPieceAction>) => {
    if (who.kind === 'new' && writing)
      return setProblem(
        'Whom it is for is written, but not added yet. Press Add, or Cancel there; then choose the stitch.',
      );
    startIt(async () => {
      const answer = await ask();
      if (answer.ok) router.push(`/plan/${answer.value}`);
      else setProblem(answer.message);
    });
  };
  const inStitch = (structureId: string) =>
    begin(() => ask(startPieceAction, { structureId, kind, fit, beadId, ...whoAsked(who) }));
  const byPattern = (id: string) =>
    begin(() => ask(makeAgainAction, { from: 'pattern', id, ...whoAsked(who) }));

  return (
    <section
      {...opened}
      className={`card ${styles.starting}`}
      aria-label="Start a piece"
      onKeyDown={(event) => {
        opened.onKeyDown(event);
        typeAhead(event);
      }}
      onKeyUp={letGo}
    >
      <Choice
        label="What is it to be?"
        value={kind}
        options={KINDS.map((one) => ({ value: one, label: one }))}
        onChange={setKind}
        help={`${withCapital(withArticle(kind))}: ${KIND_FACTS[kind].about}.`}
      />
      <WhoChoice
        people={people}
        place={place}
        who={who}
        onChange={setWho}
        onWriting={setWriting}
        // Whoever has just written a name goes on to the stitch without a mouse.
        onAdded={() => first.current?.querySelector('button')?.focus()}
      />
      <div className={styles.skippable}>
        {sits && (
          <Choice
            label="How is it to sit?"
            value={fit}
            options={FITS.map((one) => ({ value: one, label: one }))}
            onChange={setFit}
          />
        )}
        <div className={styles.bead}>
          <Pick
            label="In which bead, mostly?"
            value={beadId ?? THE_STITCHS}
            options={[
              { value: THE_STITCHS, label: 'what the stitch usually takes' },
              ...beads.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={(id) => setBead(id === THE_STITCHS ? null : id)}
          />
        </div>
      </div>
      {ofKind.length > 0 && (
        <fieldset className={styles.stitches} disabled={busy}>
          <legend>By one of your patterns?</legend>
          {ofKind.map(({ id, doc: { piece: doc } }) => (
            <button key={id} type="button" className={styles.stitch} onClick={() => byPattern(id)}>
              <strong>{doc.name}</strong>
              <span>
                {STRUCTURES.find((s) => s.id === partOf(doc).structure.id)?.name ?? 'a stitch of your own'}
              </span>
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
            {beadId !== null && hasTwoHoles(structure) && (
              <span>It keeps its own beads, which have two holes.</span>
            )}
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
          <Button onClick={onCancel}>Cancel</Button>
        </div>
      )}
    </section>
  );
}
