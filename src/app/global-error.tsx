'use client';

import styles from './globalError.module.css';

/** Shown where not even the frame of the screens can be: the data does not answer. */
export default function GlobalError() {
  return (
    <html lang="en">
      <body>
        <main className={`card ${styles.page}`}>
          <h1>Ivy Loom cannot reach its data</h1>
          <p>
            What you changed is kept in this browser and will be saved. The window in which Ivy Loom was
            started says what is wrong. Mend that, or start it anew, then try again.
          </p>
          <button type="button" onClick={() => window.location.reload()}>
            Try again
          </button>
        </main>
      </body>
    </html>
  );
}
