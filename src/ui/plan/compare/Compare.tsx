'use client';

import { partOf } from '@/core/piece/partOfPiece';
import { App, Button, Select } from 'antd';
import { useRouter } from 'next/navigation';
import { useMemo, useTransition } from 'react';
import { apartFrom, compared } from '@/core/plan/compare';
import { forWearer } from '@/core/piece/variants';
import type { Piece } from '@/core/piece/piece';
import { planPiece } from '@/core/plan/plan';
import { setBesideAction, setOtherBesideAction } from '@/server/actions/pieces';
import type { PlanBench, StoredVariant } from '@/server/screens';
import { ask } from '../../fields/ask';
import { useUndo } from '../../fields/useUndo';
import { PieceStrip } from '../../piece/PieceDrawing';
import { useOpened } from '../../shell/focus';
import { useLookups } from '../../shell/useLookups';
import { useLengths } from '../../shell/lengths';
import styles from './compare.module.css';

interface Props {
  readonly pieceId: string;
  readonly piece: Piece;
  readonly variants: readonly StoredVariant[];
  readonly others: PlanBench['others'];
  /** Goes on with another version. */
  readonly onTake: (doc: Piece) => void;
  readonly onClose: () => void;
}

/** Versions that fit side by side, the present one among them. */
const MOST_BESIDE = 2;

/** The piece as it is beside versions of it that were kept: what differs in count, length, beads, thread, feel. */
export function Compare({ pieceId, piece, variants, others, onTake, onClose }: Props) {
  const { style } = useLengths();
  const lookups = useLookups();
  const { message } = App.useApp();
  const router = useRouter();
  const [busy, start] = useTransition();
  const putAway = useUndo('variant');
  const opened = useOpened<HTMLElement>(onClose);
  const beside = variants.slice(-MOST_BESIDE);
  const plans = useMemo(
    () => [piece, ...beside.map(({ doc }) => doc)].map((doc) => planPiece(doc, lookups)),
    [piece, beside, lookups],
  );
  const lines = compared(
    plans.map((plan) => (plan.ok ? plan : null)),
    style,
  );
  const longest = Math.max(...plans.map((plan) => (plan.ok ? plan.stations.totalMm : 0)));
  const put = (act: () => ReturnType<typeof setBesideAction>) =>
    start(async () => {
      const answer = await act();
      if (!answer.ok) return void message.error(answer.message);
      router.refresh();
    });
  const kept = beside.some(({ doc }) => apartFrom(doc, piece, style) === null);
  const nameOf = (doc: Piece, i: number) => (doc.name === piece.name ? `version ${i}` : doc.name);
  /** Another piece is made like, for whom this one is for. */
  const takenFrom = (doc: Piece) =>
    doc.name === piece.name ? doc : { ...forWearer(doc, piece.wearer), name: piece.name };
  const docs = [piece, ...beside.map(({ doc }) => doc)];
  return (
    <section {...opened} className={`card ${styles.compare}`} aria-labelledby="side-by-side">
      <header className={styles.header}>
        <h2 id="side-by-side">Side by side</h2>
        <Button
          type="primary"
          loading={busy}
          disabled={kept}
          onClick={() => put(() => ask(setBesideAction, { pieceId, doc: piece }))}
        >
          Set this version beside
        </Button>
        {others.length > 0 && (
          <Select
            className={styles.other}
            aria-label="Another piece of the bench"
            placeholder="or another piece of the bench"
            value={null}
            disabled={busy}
            showSearch={{ optionFilterProp: 'label' }}
            options={others.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(id: string | null) => {
              if (id !== null) put(() => ask(setOtherBesideAction, { pieceId, otherId: id }));
            }}
          />
        )}
        <Button onClick={onClose}>Close</Button>
      </header>
      {beside.length === 0 ? (
        <p>
          Set the piece as it is now beside itself, then change what you like: another count, another bead,
          another stitch. Both stay in view, and you take the one you like better.
        </p>
      ) : (
        <div className={styles.frame}>
          <table className={styles.table}>
            <thead>
              <tr>
                <td />
                {docs.map((doc, i) => (
                  <th key={i} scope="col">
                    {i === 0 ? 'as it is now' : nameOf(doc, i)}
                    <span className={styles.apart}>
                      {i === 0 ? ' ' : (apartFrom(doc, piece, style) ?? 'the same')}
                    </span>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              <tr>
                <th scope="row">picture</th>
                {plans.map((plan, i) => (
                  <td key={i}>
                    {plan.ok && docs[i] && (
                      <div style={{ width: `${(100 * plan.stations.totalMm) / longest}%` }}>
                        <PieceStrip piece={partOf(docs[i])} plan={plan} />
                      </div>
                    )}
                  </td>
                ))}
              </tr>
              {lines.map(({ what, says, differs }) => (
                <tr key={what} className={differs ? styles.differs : undefined}>
                  <th scope="row">
                    {what}
                    {differs && <span className="srOnly">, differs</span>}
                  </th>
                  {says.map((words, i) => (
                    <td key={i} className="figures">
                      {words ?? 'no plan'}
                    </td>
                  ))}
                </tr>
              ))}
              <tr>
                <td />
                <td />
                {beside.map(({ id, doc }, i) => (
                  <td key={id}>
                    <span className={styles.acts}>
                      <Button onClick={() => onTake(takenFrom(doc))}>Go on with {nameOf(doc, i + 1)}</Button>
                      <Button onClick={() => void putAway(id, nameOf(doc, i + 1))}>
                        Remove<span className="srOnly"> {nameOf(doc, i + 1)}</span>
                      </Button>
                    </span>
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
