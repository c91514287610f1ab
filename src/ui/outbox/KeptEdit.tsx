'use client';

import { App, Button } from 'antd';
import { mendedForStoring } from '@/core/records/storable';
import type { Piece } from '@/core/piece/piece';
import type { OwnAnswer } from './outbox';
import styles from './kept.module.css';

interface Props {
  readonly doc: Piece;
  readonly onOwn: (doc: unknown) => Promise<OwnAnswer>;
  readonly onOwned: (id: string) => void;
  readonly onLetGo: () => void;
}

const fileOf = (doc: Piece) => JSON.stringify(doc, null, 2);

/** What can be done with an edit that the program would not take. */
export function KeptEditActs({ doc, onOwn, onOwned, onLetGo }: Props) {
  const { message } = App.useApp();
  const own = async () => {
    // Characters that can never be stored are left out: all the rest goes on.
    const answer = await onOwn(mendedForStoring(doc));
    if (!answer.ok) return void message.error(answer.message);
    void message.success(`${doc.name} is a piece of its own.`);
    onOwned(answer.id);
  };
  const copy = () =>
    navigator.clipboard.writeText(fileOf(doc)).then(
      () => void message.success('Copied, as the text of a piece file.'),
      () => void message.error('The browser would not copy it. Save it as a file instead.'),
    );
  return (
    <div className={styles.acts}>
      <Button type="primary" onClick={() => void own()}>
        Make it a piece of its own<span className="srOnly"> {doc.name}</span>
      </Button>
      <Button onClick={() => void copy()}>
        Copy<span className="srOnly"> {doc.name}</span>
      </Button>
      <a
        download="ivy-loom-piece.json"
        href={`data:application/json;charset=utf-8,${encodeURIComponent(fileOf(doc))}`}
      >
        Save it as a file<span className="srOnly"> {doc.name}</span>
      </a>
      <Button danger onClick={onLetGo}>
        Let it go<span className="srOnly"> {doc.name}</span>
      </Button>
    </div>
  );
}
