/** Runs a command: prints what it answers, or the one line that says what went wrong, and exits with 1. */
export async function speak(command: () => Promise<string> | string): Promise<void> {
  try {
    console.log(await command());
  } catch (error) {
    console.error(error instanceof Error ? error.message : String(error));
    process.exitCode = 1;
  }
}
