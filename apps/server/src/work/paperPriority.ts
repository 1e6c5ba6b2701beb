/** Half as much of a processor as requests have, so that beside much else paper is still there in time. */
const USUAL = 3;
/** What POSIX calls nice: 0 beside all others, 19 behind everything. */
const MOST = 19;

/**
 * How far paper stands behind requests where there are too few processors for both (on Linux a thread has
 * a priority of its own): `DRAGONET_PAPER_PRIORITY`, or what is usual. Throws where that is none.
 */
export function paperPriority(): number {
  const said = process.env.DRAGONET_PAPER_PRIORITY;
  if (said === undefined || said === "") return USUAL;
  const steps = Number(said);
  if (!Number.isInteger(steps) || steps < 0 || steps > MOST) {
    throw new Error(
      `invalid DRAGONET_PAPER_PRIORITY: ${said} (a whole number, 0 for beside requests to ${MOST})`,
    );
  }
  return steps;
}
