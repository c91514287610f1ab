'use client';

/** Shown where not even the frame of the screens can be: the data does not answer. */
export default function GlobalError({ reset }: { error: Error; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <main>
          <h1>Ivy Loom cannot reach its data</h1>
          <p>
            What you changed is kept in this browser and will be saved. The window in which Ivy Loom was
            started says what is wrong. Start it anew, then try again.
          </p>
          <button type="button" onClick={reset}>
            Try again
          </button>
        </main>
      </body>
    </html>
  );
}
