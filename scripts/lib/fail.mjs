/** An expected failure: its message is the one line that a person sees. */
export class Failure extends Error {}

/** Runs a main function; an expected failure prints its line, anything else its stack. */
export async function main(run) {
  try {
    await run();
  } catch (error) {
    const full = error?.code === "ENOSPC";
    // What nobody knows was asked for: the line says what and how.
    const isUnknown = String(error?.code).startsWith("ERR_PARSE_ARGS");
    process.stderr.write(
      full
        ? "The disk is full: free some space and start again.\n"
        : error instanceof Failure || isUnknown
          ? `${error.message}\n`
          : `${error?.stack ?? error}\n`,
    );
    process.exitCode = 1;
  }
}
