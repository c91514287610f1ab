import type { ReactNode } from 'react';
import styles from './Rows.module.css';

interface Props {
  readonly heads: readonly string[];
  /** What the buttons of a last column do; none where there are no buttons. */
  readonly does?: string;
  /** Its name, where no heading stands above it. */
  readonly label?: string;
  /** As wide as its place, or no wider than what is in it. */
  readonly wide?: boolean;
  readonly children: ReactNode;
}

/** A table of what is kept. */
export const Rows = ({ heads, does, label, wide = true, children }: Props) => (
  <table className={`${styles.rows} ${wide ? styles.wide : ''}`} aria-label={label}>
    <thead>
      <tr>
        {heads.map((head) => (
          <th key={head} scope="col">
            {head}
          </th>
        ))}
        {does !== undefined && (
          <th scope="col">
            <span className="srOnly">{does}</span>
          </th>
        )}
      </tr>
    </thead>
    <tbody>{children}</tbody>
  </table>
);
