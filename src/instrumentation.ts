/** Runs once when the server starts, not in the build: opens the data, or says in one line why it cannot. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { installation } = await import('./server/installation');
  try {
    await installation();
  } catch (error) {
    console.error(`\nIvy Loom cannot start. ${error instanceof Error ? error.message : String(error)}\n`);
    process.exit(1);
  }
}
