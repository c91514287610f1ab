import { installation } from './installation';

/** Opens the data before the first page is asked for; without it the program says why and stops. */
export async function start(): Promise<void> {
  try {
    await installation();
  } catch (error) {
    process.stderr.write(
      `\nIvy Loom cannot start. ${error instanceof Error ? error.message : String(error)}\n\n`,
    );
    process.exit(1);
  }
}
