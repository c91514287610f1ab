/** Runs once when the server starts, not in the build: opens the data, or says in one line why it cannot. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === 'nodejs') await (await import('./server/start')).start();
}
