'use client';

import { RedoOutlined, UndoOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useEffect, useState, type ReactNode } from 'react';
import { MOST_LETTERS, type Piece } from '@/core/piece/piece';
import { partOf } from '@/core/piece/partOfPiece';
import { structureById } from '@/core/structures/registry';
import { keepThisPage } from '../shell/offline';
import type { SyncState } from '../outbox/pieceSync';
import { useShortcut } from '../shortcuts/useShortcut';
import type { Retrace } from './usePiece';
import styles from './PlanScreen.module.css';

interface Props {
  readonly piece: Piece;
  readonly state: SyncState;
  readonly undo: Retrace | null;
  readonly redo: Retrace | null;
  readonly onName: (name: string) => void;
  /** What else can be done with the whole piece. */
  readonly children: ReactNode;
}

/** The name of the piece, what it is, going back and forth, and whether it is saved. */
export function PlanHeader({ piece, state, undo, redo, onName, children }: Props) {
  /** What was taken back or done again, until something else is changed. */
  const [retraced, setRetraced] = useState<{ readonly words: string; readonly piece: Piece } | null>(null);
  const go = (way: 'Undone' | 'Done again', retrace: Retrace | null) => () => {
    if (retrace) setRetraced({ words: `${way}: ${retrace.words}`, piece: retrace.run() });
  };
  const [back, again] = [go('Undone', undo), go('Done again', redo)];
  useShortcut('undo', back);
  useShortcut('redo', again);
  return (
    <header className={styles.header}>
      <NameField name={piece.name} onChange={onName} />
      <p className={styles.about}>
        {piece.kind}
        {piece.wearer ? ` for ${piece.wearer.name}` : ''} ·{' '}
        {structureById(partOf(piece).structure.id)?.name.toLowerCase()}
      </p>
      <div className={styles.acts}>
        <Back words="Undo" retrace={undo} icon={<UndoOutlined aria-hidden />} onPress={back} />
        <Back words="Redo" retrace={redo} icon={<RedoOutlined aria-hidden />} onPress={again} />
        {children}
      </div>
      {/* Beside the buttons, which one presses again, and never over them. */}
      <p role="status" className={styles.retraced}>
        {retraced?.piece === piece && retraced.words}
      </p>
      <SaveState state={state} />
    </header>
  );
}

interface BackProps {
  readonly words: string;
  readonly retrace: Retrace | null;
  readonly icon: ReactNode;
  readonly onPress: () => void;
}

const Back = ({ words, retrace, icon, onPress }: BackProps) => (
  <Button
    icon={icon}
    disabled={!retrace}
    title={retrace ? `${words}: ${retrace.words}` : `Nothing to ${words.toLowerCase()}`}
    aria-label={retrace ? `${words} ${retrace.words}` : words}
    onClick={onPress}
  >
    {words}
  </Button>
);

function NameField({ name, onChange }: { name: string; onChange: (name: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const empty = typed !== null && typed.trim() === '';
  return (
    <div>
      <h1 className="srOnly">{name}</h1>
      <input
        className={styles.name}
        aria-label="Name of the piece"
        aria-invalid={empty}
        value={typed ?? name}
        maxLength={MOST_LETTERS}
        onChange={(event) => {
          setTyped(event.target.value);
          if (event.target.value.trim() !== '') onChange(event.target.value.trim());
        }}
        onBlur={() => setTyped(null)}
      />
    </div>
  );
}

function SaveState({ state }: { state: SyncState }) {
  useEffect(() => {
    if (state.kind === 'saved') keepThisPage();
  }, [state.kind]);
  const words: Readonly<Record<SyncState['kind'], string>> = {
    saved: 'saved',
    saving: 'saving …',
    waiting:
      state.kind === 'waiting' && state.message !== null
        ? `kept in this browser, trying again. ${state.message}`
        : 'kept in this browser; the program does not answer, trying again …',
    stale: 'changed in two windows',
    refused: 'not saved; kept in this browser',
  };
  return (
    <p
      role="status"
      className={state.kind === 'saved' || state.kind === 'saving' ? styles.saved : styles.unsaved}
    >
      {words[state.kind]}
    </p>
  );
}
