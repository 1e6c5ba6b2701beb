/** An expected failure: its message is the one line that a person sees. */
export class Failure extends Error {}

/** Runs a main function; an expected failure prints its line, anything else its stack. */
export async function main(run) {
  try {
    await run();
  } catch (error) {
    const full = error?.code === "ENOSPC";
    process.stderr.write(
      full
        ? "The disk is full: free some space and start again.\n"
        : error instanceof Failure
          ? `${error.message}\n`
          : `${error?.stack ?? error}\n`,
    );
    process.exitCode = 1;
  }
}
