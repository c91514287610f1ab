'use client';

import { Modal } from 'antd';
import Link from 'next/link';
import { Fragment } from 'react';
import { SHORTCUTS } from './shortcuts';
import styles from './shortcuts.module.css';

const PLACES = [
  { where: 'plan', title: 'While you plan' },
  { where: 'make', title: 'While you make' },
  { where: 'everywhere', title: 'Everywhere' },
] as const;

/** Keys on the picture of the piece: they work where the focus is, and need no list of their own. */
const FOCUSED = [
  {
    keys: '← →',
    does: 'on the target length: longer, shorter; on the piece: from bead to bead; on the counts: the next one',
  },
  { keys: 'Page ↑ ↓', does: 'the same in larger steps' },
  { keys: 'Space', does: 'on a colour: take it up, carry it with the arrows to a bead, put it down' },
  { keys: 'a … z', does: 'where a piece is started: the first letters of a choice bring you to it' },
  { keys: 'Esc', does: 'let go, close' },
] as const;

/** All keys, on one sheet. */
export function ShortcutSheet({ onClose }: { readonly onClose: () => void }) {
  return (
    <Modal open onCancel={onClose} footer={null} title="Keyboard" width={680}>
      <div className={styles.sheet}>
        {PLACES.map(({ where, title }) => (
          <section key={where}>
            <h3>{title}</h3>
            <dl>
              {SHORTCUTS.filter((one) => one.where === where).map(({ id, keys, does }) => (
                <Fragment key={id}>
                  <dt>
                    {keyWords(keys).map((key) => (
                      <kbd key={key}>{key}</kbd>
                    ))}
                  </dt>
                  <dd>{does}</dd>
                </Fragment>
              ))}
            </dl>
          </section>
        ))}
        <section>
          <h3>Where the focus is</h3>
          <dl>
            {FOCUSED.map(({ keys, does }) => (
              <Fragment key={keys}>
                <dt>
                  <kbd>{keys}</kbd>
                </dt>
                <dd>{does}</dd>
              </Fragment>
            ))}
          </dl>
        </section>
      </div>
      <p className="soft">
        Single keys can be switched off in{' '}
        <Link href="/settings" onClick={onClose}>
          Settings
        </Link>
        .
      </p>
    </Modal>
  );
}

const keyWords = (keys: string): string[] =>
  keys.includes('1, 2')
    ? ['1 … 6']
    : keys.split(', ').map((key) =>
        key
          .replace('mod', 'Ctrl or ⌘')
          .replaceAll('+', ' + ')
          .replace(/^ \+ $/, '+')
          .replace('shift', 'Shift')
          .replace(/ z$/, ' Z')
          .replace('pagedown', 'Page ↓')
          .replace('pageup', 'Page ↑')
          .replace('right', '→')
          .replace('left', '←'),
      );
