'use client';

import { Button } from 'antd';

/** Shown instead of a crash page. Edits are in this browser's outbox and go to the server at the next start. */
export default function ErrorScreen() {
  return (
    <>
      <h1>A thread broke</h1>
      <p>
        This screen could not be shown. What you changed is kept in this browser and will be saved. Try again.
      </p>
      {/* What the server sent broke too: only asked anew can it be whole. */}
      <Button type="primary" onClick={() => window.location.reload()}>
        Try again
      </Button>
    </>
  );
}
