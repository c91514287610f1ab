import type { Said } from '@/core/words/said';
import { WithTerms } from '../glossary/WithTerms';
import styles from './Notes.module.css';

interface Note extends Said {
  /** Good to know, no more. */
  readonly mild?: boolean;
}

/** What is to be watched; nothing where there is nothing. */
export const Notes = ({ notes }: { readonly notes: readonly Note[] }) =>
  notes.length > 0 && (
    <ul className={styles.notes}>
      {notes.map(({ title, text, mild = false }) => (
        <li key={`${title} ${text}`} className={mild ? styles.mild : styles.note}>
          <strong>{title}</strong> <WithTerms text={text} />
        </li>
      ))}
    </ul>
  );
