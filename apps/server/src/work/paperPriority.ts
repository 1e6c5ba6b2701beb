import { wholeSetting } from "./setting.ts";

/**
 * How far paper stands behind requests where there are too few processors for both (on Linux a thread has
 * a priority of its own, which POSIX calls nice): `DRAGONET_PAPER_PRIORITY`, or half as much of a
 * processor as requests have, so that beside much else paper is still there in time. Throws where that is none.
 */
export const paperPriority = (): number =>
  wholeSetting("DRAGONET_PAPER_PRIORITY", {
    ...{ usual: 3, least: 0, most: 19 },
    words: "0 for beside requests to 19",
  });
